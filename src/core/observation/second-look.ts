import type { Hookup } from "../checks/hookup";
import type { Instrument } from "../checks/instruments";
import { lookOf } from "../checks/looks/looks";

/**
 * How often a second look only sees what the first saw: same light, same eyes, same dirt. What is felt by hand is felt
 * afresh, and a second drive is another one (engineering judgement).
 */
const SEEN_ALIKE = 0.5;
const FELT_ALIKE: Partial<Record<Instrument, number>> = { hands: 0.25, scan: 0.15 };

/** How often this look, had again, only sees what it saw. */
export function seenAlike(hookup: Hookup): number {
  const own = "look" in hookup ? lookOf(hookup.look).alike : undefined;
  return own ?? FELT_ALIKE[hookup.instrument] ?? SEEN_ALIKE;
}

/** Chances of each word when the same thing is looked at again, once it was called `last`. @param alike see `seenAlike` */
export function secondLook(chances: readonly number[], last: number, alike: number): number[] {
  return chances.map((chance, word) => (1 - alike) * chance + (word === last ? alike : 0));
}
