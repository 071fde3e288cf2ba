import type { Hookup } from "../checks/hookup";
import { meanwhileChance } from "../observation/seen-share";
import type { Candidates } from "./candidates";

/**
 * Weighs whether the fault came while something was recorded: weight ×= p(came or stayed away | how often it is there).
 * The reading itself is then weighed given that (see `seenShare`): p(meanwhile)·p(reading | meanwhile).
 * @returns what all weights together were multiplied by; 1 where nothing was said
 */
export function weighMeanwhile({ state: { meanwhile } }: Hookup, { groups, duty, weight }: Candidates): number {
  if (!meanwhile) return 1;
  let [before, after] = [0, 0];
  for (const { first, size, fault } of groups)
    for (let row = first; row < first + size; row++) {
      before += weight[row]!;
      after += weight[row]! *= meanwhileChance(meanwhile, fault.part === "none" ? 0 : duty[row]!);
    }
  return after / before;
}
