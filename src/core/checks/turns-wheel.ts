import type { Hookup } from "./hookup";
import { lookOf } from "./looks/looks";

/** Whether a check turns the wheel, so that another pole may face the sensor after it. */
export function turnsWheel(hookup: Hookup): boolean {
  return hookup.state.wheel !== "still" || ("look" in hookup && lookOf(hookup.look).turnsWheel === true);
}

/** Whether a number read once more is of the very same thing: the wheel was left as it stood, or the gauge goes all the way round. */
export function readsTheSame(hookup: Hookup): boolean {
  return !turnsWheel(hookup) || hookup.instrument === "gauge";
}
