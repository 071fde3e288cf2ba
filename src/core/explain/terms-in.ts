import { languageTag } from "../words/words";
import { signs, terms, type Entry } from "./glossary";

/** A stretch of a sentence; where it is a word of the glossary, what it means. */
export interface Stretch {
  text: string;
  says?: string;
}

/**
 * A sentence cut up where it uses words of the glossary, each marked where it comes first.
 * Its stretches put together are the sentence again.
 */
export function termsIn(sentence: string): Stretch[] {
  const { pattern, byWord } = known();
  const stretches: Stretch[] = [];
  const met = new Set<Entry>();
  let from = 0;
  for (const { 0: text, index } of sentence.matchAll(pattern)) {
    const entry = byWord.get(text.toLocaleLowerCase(languageTag()));
    if (!entry || met.has(entry)) continue;
    met.add(entry);
    if (index > from) stretches.push({ text: sentence.slice(from, index) });
    stretches.push({ text, says: entry.says });
    from = index + text.length;
  }
  if (from < sentence.length) stretches.push({ text: sentence.slice(from) });
  return stretches;
}

interface Known {
  pattern: RegExp;
  byWord: ReadonlyMap<string, Entry>;
}

/** By language: the words change with it. */
const kept = new Map<string, Known>();

function known(): Known {
  const tag = languageTag();
  const before = kept.get(tag);
  if (before) return before;
  const byWord = new Map(
    [...terms(), ...signs()].flatMap((entry) =>
      entry.everyday ? [] : [entry.term, ...(entry.also ?? [])].map((word) => [word.toLocaleLowerCase(tag), entry]),
    ),
  );
  // The longer word first: a viewing film is not a film.
  const words = [...byWord.keys()].toSorted((a, b) => b.length - a.length);
  const escaped = words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, "\\$&"));
  const pattern = new RegExp(`(?<![\\p{L}\\p{N}])(?:${escaped.join("|")})(?![\\p{L}\\p{N}])`, "giu");
  const made = { pattern, byWord };
  kept.set(tag, made);
  return made;
}
