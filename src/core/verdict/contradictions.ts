import { t } from "../words/words";
import type { Posterior, Weighed } from "../belief/posterior";
import { anythingLikelihood, isSameAgain } from "../belief/unlisted";
import { answersFor } from "../checks/answers";
import { hookupKey } from "../checks/hookup";

export interface Contradiction {
  entryId: string;
}

/** Over this chance a reading is called a likely slip. */
const SUSPICIOUS = 0.5;
/** A word that all there is in the running expects less than this often, beside one word as often as another, fits none of it (engineering judgement). */
const ODD = 0.25;

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
  if (posterior.slipShare(weighed) >= SUSPICIOUS) return true;
  const { hookup, value } = weighed.observation;
  // A number may lie anywhere on a wide forecast; only a slip's share tells that it fits none.
  if (value.kind !== "word") return false;
  const expected = shares.reduce((sum, share, h) => sum + share * weighed.byHypothesis[h]!, 0);
  return expected < ODD * anythingLikelihood(value, answersFor(hookup)?.words.length ?? 1);
}

/** What to do about one, told by its number in the log as shown. */
export function contradictionWords(number: number): string {
  return t`No suspect explains reading ${number} together with the others. Take it again: probe on the right pin, right range, sure contact. If it stays so, two things may be wrong at once: repair what is proven, then measure on.`;
}
