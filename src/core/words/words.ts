/**
 * The words of the program are English where they stand. Another tongue is put on the global before anything else is
 * loaded (see scripts/words.mjs); each sentence then looks itself up in that catalogue by its English.
 */
export interface Tongue {
  /** Language tag, for dates and numbers. */
  tag: string;
  t: typeof plain;
  /** As `t`, for values that are not text: parts in the order of this tongue. */
  jt: (strings: TemplateStringsArray, ...values: unknown[]) => unknown[];
  gettext: (english: string) => string;
  ngettext: typeof plainCount;
}

declare global {
  var tastaturaTongue: Tongue | undefined;
}

/** A sentence with values in it, in the tongue spoken: t`${minutes} min to reach`. */
export const t: typeof plain = (strings, ...values) => (globalThis.tastaturaTongue?.t ?? plain)(strings, ...values);

/** One sentence of two by a count: ngettext(msgid`${n} reading`, `${n} readings`, n). */
export const ngettext: typeof plainCount = (one, many, count) =>
  (globalThis.tastaturaTongue?.ngettext ?? plainCount)(one, many, count);

/** A sentence kept as English elsewhere (as data, or as a name), in the tongue spoken. */
export const gettext = (english: string) => globalThis.tastaturaTongue?.gettext(english) ?? english;

/** Marks English that is kept as data, so that the catalogues hold it; it is translated by `gettext` where it is shown. */
export const marked = (english: string) => english;

/** The English of one, kept with its parts so that it can be looked up. */
export function msgid(strings: TemplateStringsArray, ...values: Value[]): Counted {
  return Object.assign(new String(plain(strings, ...values)), { _strs: strings, _exprs: values });
}

/** Language tag of what is spoken: `en` unless another was put in place. */
export function languageTag(): string {
  return globalThis.tastaturaTongue?.tag ?? "en";
}

/** The same words inside a sentence: English begins them small, German keeps its nouns as they are. */
export function midSentence(words: string): string {
  return languageTag() === "en" ? words.charAt(0).toLowerCase() + words.slice(1) : words;
}

type Value = string | number;
/** Text that keeps its parts; the translator looks it up by them. */
type Counted = { toString(): string } & { _strs: TemplateStringsArray; _exprs: Value[] };

function plain(strings: TemplateStringsArray, ...values: Value[]): string {
  return strings.reduce((all, part, i) => all + part + (i < values.length ? String(values[i]) : ""), "");
}

function plainCount(one: Counted, many: string, count: number): string {
  return count === 1 ? one.toString() : many;
}
