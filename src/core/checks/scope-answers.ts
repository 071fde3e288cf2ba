import { t } from "../words/words";
import type { Answer } from "./looks/look";

/** A check that is answered with a word: the words it may have, in key order, how each reads, and what else may be typed. */
export interface Answers {
  words: readonly string[];
  say: Record<string, string>;
  short: Record<string, string>;
  also: Record<string, string>;
}

/** What a capture may be found to show. */
export const scopeFindings: readonly Answer[] = [
  { word: "clean", say: () => t`clean, every pulse there`, short: () => t`clean`, also: ["none", "interference"] },
  { word: "flat", say: () => t`flat, no pulses`, short: () => t`flat` },
  { word: "missing-pulses", say: () => t`pulses missing at the same place each turn`, short: () => t`missing pulses` },
  { word: "cracked-ring", say: () => t`short–long pair at the same place each turn`, short: () => t`cracked ring` },
  { word: "odd-tooth", say: () => t`one odd tooth each turn`, short: () => t`odd tooth` },
  { word: "eccentric", say: () => t`slow wave once a turn`, short: () => t`eccentric` },
  {
    word: "random-dropout",
    say: () => t`losses at random places`,
    short: () => t`random dropout`,
    also: ["supply-dip"],
  },
  {
    word: "low-amplitude",
    say: () => t`good shape but too small`,
    short: () => t`low amplitude`,
    also: ["drop-out-speed", "duty-shift"],
  },
  { word: "noise-at-rest", say: () => t`noise with the wheel at rest`, short: () => t`noise at rest` },
  { word: "level-out-of-window", say: () => t`levels wrong`, short: () => t`level out of window` },
];

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
