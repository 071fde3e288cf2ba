import type { Instrument } from "../checks/instruments";

/**
 * How often a second look only sees what the first saw: same light, same eyes, same dirt. What is felt by hand is felt
 * afresh, and a second drive is another one (engineering judgement).
 */
const SEEN_ALIKE = 0.5;
const FELT_ALIKE: Partial<Record<Instrument, number>> = { hands: 0.25, scan: 0.15 };

/** Chances of each word when the same thing is looked at again, once it was called `last`. */
export function secondLook(chances: readonly number[], last: number, instrument: Instrument): number[] {
  const alike = FELT_ALIKE[instrument] ?? SEEN_ALIKE;
  return chances.map((chance, word) => (1 - alike) * chance + (word === last ? alike : 0));
}
