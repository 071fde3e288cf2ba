/**
 * Small texts that the browser keeps at once: settings, drafts, the journal. Where it has no place for them, forbids it or is
 * full, they are held while the page is open.
 */
const held = new Map<string, string>();

export function keptText(key: string): string | null {
  return held.get(key) ?? within(() => localStorage.getItem(key)) ?? null;
}

/** @returns false where the text will be gone once the page closes */
export function keepText(key: string, text: string): boolean {
  const kept = within(() => {
    localStorage.setItem(key, text);
    return true;
  });
  if (kept) held.delete(key);
  else held.set(key, text);
  return kept === true;
}

/** A kept text as JSON; undefined where there is none, or what is there is no JSON. */
export function keptJson(key: string): unknown {
  const text = keptText(key);
  if (text === null) return undefined;
  try {
    return JSON.parse(text);
  } catch (error) {
    if (error instanceof SyntaxError) return undefined;
    throw error;
  }
}

export function dropText(key: string): void {
  held.delete(key);
  within(() => localStorage.removeItem(key));
}

/** Names of the texts that begin so. */
export function keptKeys(prefix: string): string[] {
  const all = [...(within(() => Object.keys(localStorage)) ?? []), ...held.keys()];
  return [...new Set(all)].filter((key) => key.startsWith(prefix));
}

/** What the browser's own place answers; nothing where there is none (a server, a worker) or it refuses. */
function within<T>(act: () => T): T | undefined {
  try {
    return act();
  } catch (error) {
    if (error instanceof DOMException || error instanceof ReferenceError) return undefined;
    throw error;
  }
}
