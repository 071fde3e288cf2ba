import { t } from "../words/words";
import type { MisfitLevel } from "./misfit";

/** How well the log fits, as a foreman would say it. */
export function misfitWords(level: MisfitLevel): string {
  const words: Record<MisfitLevel, string> = {
    fits: t`The readings fit together.`,
    oddly: t`The readings fit oddly: one of them may be wrong, or the car has something not listed here. Take the doubtful one again before anything is fitted.`,
    "not-at-all": t`Nothing listed fits these readings together, not even two faults at once. Nothing is called proven: take the doubtful readings again.`,
  };
  return words[level];
}
