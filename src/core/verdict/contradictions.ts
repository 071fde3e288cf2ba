import { t } from "../words/words";
import type { Posterior } from "../belief/posterior";

export interface Contradiction {
  entryId: string;
  slipChance: number;
}

/** Over this chance a reading is called a likely slip. */
const SUSPICIOUS = 0.5;

/** Readings that no candidate explains better than a slip would; they should be taken again. */
export function contradictions(posterior: Posterior): Contradiction[] {
  return posterior.log.flatMap((weighed) => {
    const slipChance = posterior.slipShare(weighed);
    return slipChance < SUSPICIOUS ? [] : [{ entryId: weighed.observation.entryId, slipChance }];
  });
}

/** What to do about one, told by its number in the log as shown. */
export function contradictionWords(number: number): string {
  return t`No suspect explains reading ${number} together with the others. Take it again: probe on the right pin, right range, sure contact. If it stays so, two things may be wrong at once: repair what is proven, then measure on.`;
}
