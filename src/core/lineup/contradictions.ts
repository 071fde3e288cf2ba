import { t } from "../words/words";
import type { LineUp } from "./line-up";

export interface Contradiction {
  reading: number;
  slipChance: number;
  say: string;
}

/** Over this chance a reading is called a likely slip. */
const SUSPICIOUS = 0.5;

/** Readings that no candidate explains better than a slip would; they should be taken again. */
export function contradictions(lineUp: LineUp): Contradiction[] {
  return lineUp.weighed.flatMap((weighed, reading) => {
    const slipChance = lineUp.slipChance(weighed);
    if (slipChance < SUSPICIOUS) return [];
    return [
      {
        reading,
        slipChance,
        say: t`No suspect explains reading ${reading + 1} together with the others. Take it again: probe on the right pin, right range, sure contact. If it stays so, two things may be wrong at once: mend what is proven, then measure on.`,
      },
    ];
  });
}
