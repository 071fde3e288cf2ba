import type { Hookup } from "../checks/hookup";
import { meanwhileChance } from "../observation/seen-share";
import type { Candidates } from "./candidates";
import { isBeside } from "./recording";

/**
 * Weighs whether the fault came while something was recorded: weight ×= p(came or stayed away | how often it is there).
 * The reading itself is then weighed given that (see `seenShare`): p(meanwhile)·p(reading | meanwhile).
 * Another channel of a recording of which it was said says it once.
 * @returns what all weights together were multiplied by; 1 where nothing was said
 */
export function weighMeanwhile(hookup: Hookup, candidates: Candidates): number {
  const { meanwhile } = hookup.state;
  if (!meanwhile || isBeside(candidates, hookup)) return 1;
  const { groups, duty, weight } = candidates;
  let [before, after] = [0, 0];
  for (const { first, size, fault } of groups)
    for (let row = first; row < first + size; row++) {
      before += weight[row]!;
      after += weight[row]! *= meanwhileChance(meanwhile, fault.part === "none" ? 0 : duty[row]!);
    }
  return after / before;
}
