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

/** Two channels of one recording, looked at side by side, show the same pulses lost at the same instant or do not (engineering judgement). */
export const AT_ONCE_ALIKE = 0.9;

/**
 * Chances of each word of a second recording at another place, once the first was called `last`: so far as both show the same
 * signal they are called the same. Both keep the chances they have by themselves, whichever was looked at first (a maximal
 * coupling: T. Lindvall, Lectures on the Coupling Method, 1992), for that part in which they are not looked at apart. What was
 * called so by a gross error alone is not called so again for that.
 * @param own chances of the second, of any sum, which stays @param first those of the first place on the same car
 * @param alike the part in which what is seen at one is seen at the other @param byError chance of `last` by gross error
 */
export function seenAtOnce(
  own: readonly number[],
  first: readonly number[],
  last: number,
  alike: number,
  byError = 0,
): number[] {
  const sum = (values: readonly number[]) => values.reduce((all, one) => all + one, 0);
  const [all, allFirst] = [sum(own), sum(first)];
  if (!(all > 0) || !(first[last]! > 0)) return [...own];
  const meant = alike * Math.max(0, 1 - byError / (first[last]! / allFirst));
  const both = own.map((chance, word) => Math.min(chance / all, first[word]! / allFirst));
  const same = both[last]! / (first[last]! / allFirst);
  const apart = 1 - sum(both);
  return own.map((chance, word) => {
    const left = apart > 0 ? (chance / all - both[word]!) / apart : 0;
    const coupled = (word === last ? same : 0) + (1 - same) * left;
    return all * (meant * coupled + (1 - meant) * (chance / all));
  });
}
