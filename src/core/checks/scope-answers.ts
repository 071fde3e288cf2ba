import { scopeFindings } from "./findings/findings";
import type { Answer } from "./looks/look";

/** A check that is answered with a word: the words it may have, in key order, how each reads, and what else may be typed. */
export interface Answers {
  words: readonly string[];
  say: Record<string, string>;
  short: Record<string, string>;
  also: Record<string, string>;
}

export const scopeWords: readonly string[] = scopeFindings.map(({ word }) => word);

/** What a capture may be found to show. */
export function scopeAnswers(): Answers {
  return shownAnswers(scopeFindings);
}

/** Answers as they are shown now. */
export function shownAnswers(list: readonly Answer[]): Answers {
  return {
    words: list.map(({ word }) => word),
    say: Object.fromEntries(list.map(({ word, say }) => [word, say()])),
    short: Object.fromEntries(list.map(({ word, short }) => [word, short()])),
    also: Object.fromEntries(list.flatMap(({ word, also = [] }) => also.map((other) => [other, word]))),
  };
}
