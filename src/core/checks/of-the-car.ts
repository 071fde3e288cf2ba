import { pointsOf, type Hookup } from "./hookup";
import { lookOf } from "./looks/looks";

/** Whether it reads what all corners share, and nothing of this one: the battery, the module's own pins, the other corners. */
export function isOfTheCar(hookup: Hookup): boolean {
  if ("look" in hookup) return lookOf(hookup.look).ofTheCar ?? false;
  return pointsOf(hookup).every(({ at }) => at !== "face" && at !== "span");
}
