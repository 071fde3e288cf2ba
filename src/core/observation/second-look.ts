/** How often a second look only sees what the first saw: same light, same eyes, same dirt (engineering judgement). */
const SEEN_ALIKE = 0.5;

/** Chances of each word when the same thing is looked at again, once it was called `last`. */
export function secondLook(chances: readonly number[], last: number): number[] {
  return chances.map((chance, word) => (1 - SEEN_ALIKE) * chance + (word === last ? SEEN_ALIKE : 0));
}
