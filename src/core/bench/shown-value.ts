import { wordLabels } from "../checks/word-labels";
import { t } from "../words/words";
import type { Reading } from "../observation/reading";

/** What was read, as it is shown again: the number as it was typed, or the word in short. */
export function shownValue({ finding, value }: Reading): string {
  const said = String(finding ?? value ?? "");
  return wordLabels[said] ?? t`${said}`;
}
