import { dropText, keepText, keptText } from "./small-texts";

/**
 * What stands typed in a field and was not yet taken: written at every stroke, so that a tab that dies in the middle of a
 * number finds it again. Not part of any job until the field is left.
 */
const PREFIX = "tastatura-draft-";

export function draftOf(field: string): string | null {
  return keptText(PREFIX + field);
}

export function keepDraft(field: string, text: string): void {
  keepText(PREFIX + field, text);
}

export function dropDraft(field: string): void {
  dropText(PREFIX + field);
}
