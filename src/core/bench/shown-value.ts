import { shortAnswer } from "../checks/answers";
import type { Reading } from "../observation/reading";

/** What was read, as it is shown again: the number as it was typed, or the word in short. */
export function shownValue({ instrument, look, finding, value }: Reading): string {
  const said = String(finding ?? value ?? "");
  return shortAnswer(instrument, look, said) ?? said;
}
