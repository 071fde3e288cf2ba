import { t } from "../words/words";
import type { Posterior, Weighed } from "../belief/posterior";
import { isOddWord } from "../belief/odd-word";
import { isSameAgain } from "../belief/unlisted";
import { hookupKey } from "../checks/hookup";

export interface Contradiction {
  entryId: string;
}

/** Over this chance a reading is called a likely slip. */
const SUSPICIOUS = 0.5;

/** Readings that no suspect explains: those only a slip does, and those that anything at all would have shown sooner. They should be taken again, and are settled where the same hook-up then shows something else that fits. */
export function contradictions(posterior: Posterior): Contradiction[] {
  const shares = posterior.shares();
  const odd = posterior.log.map((weighed) => isOdd(weighed, posterior, shares));
  return posterior.log.flatMap(({ observation: { entryId, hookup, value } }, i) => {
    if (!odd[i]) return [];
    const last = posterior.log.findLastIndex(({ observation }) => hookupKey(observation.hookup) === hookupKey(hookup));
    const again = posterior.log[last]!.observation.value;
    return odd[last] || isSameAgain(value, again, hookup) ? [{ entryId }] : [];
  });
}

function isOdd(weighed: Weighed, posterior: Posterior, shares: Float64Array): boolean {
  return posterior.slipShare(weighed) >= SUSPICIOUS || isOddWord(weighed, shares);
}

/** What to do about one, told by its number in the log as shown. */
export function contradictionWords(number: number): string {
  return t`No suspect explains reading ${number} together with the others. Take it again: probe on the right pin, right range, sure contact. If it stays so, two things may be wrong at once: repair what is proven, then measure on.`;
}
