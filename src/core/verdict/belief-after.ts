import { sharesAfter, type Repaired } from "../belief/after-repair";
import { Belief } from "../belief/belief";
import type { Posterior } from "../belief/posterior";
import { dangerAfter } from "./do-not-drive";

/** The belief to go on with after a repair: what is left in question, and what still speaks against driving. */
export function beliefAfter(before: Posterior, repaired: Repaired, seed: number, perGroup?: number): Belief {
  return new Belief(before.setup, before.complaint, {
    seed,
    ...(perGroup ? { perGroup } : {}),
    given: sharesAfter(before, repaired),
    carried: dangerAfter(before, repaired.part),
  });
}
