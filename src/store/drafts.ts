/**
 * What stands typed in a field and was not yet taken: written at every stroke, so that a tab that dies in the middle of a
 * number finds it again. Not part of any job until the field is left.
 */
const PREFIX = "tastatura-draft-";

export function draftOf(field: string): string | null {
  return within(() => localStorage.getItem(PREFIX + field)) ?? null;
}

export function keepDraft(field: string, text: string): void {
  within(() => localStorage.setItem(PREFIX + field, text));
}

export function dropDraft(field: string): void {
  within(() => localStorage.removeItem(PREFIX + field));
}

/** A browser that keeps nothing has no drafts either: the field itself still holds what is typed. */
function within<T>(act: () => T): T | undefined {
  try {
    return act();
  } catch (error) {
    if (error instanceof DOMException || error instanceof ReferenceError) return undefined;
    throw error;
  }
}
