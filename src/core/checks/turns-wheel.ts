import type { Hookup } from "./hookup";
import { lookOf } from "./looks/looks";

/** Whether a check turns the wheel, so that another pole may face the sensor after it. */
export function turnsWheel(hookup: Hookup): boolean {
  return hookup.state.wheel !== "still" || ("look" in hookup && lookOf(hookup.look).turnsWheel === true);
}
