import * as gettext from "ttag";
import type { Tongue } from "../core/words/words";

/** A catalogue as scripts/words.mjs makes it of a .po file. */
export interface Catalogue {
  tag: string;
  headers: Record<string, string>;
  contexts: Record<string, Record<string, string[]>>;
}

/** Has the program speak this catalogue from here on. */
export function speak({ tag, headers, contexts }: Catalogue): void {
  gettext.addLocale(tag, { charset: "utf-8", headers, contexts });
  gettext.useLocale(tag);
  const rules = new Intl.PluralRules(tag);
  const forms = rules.resolvedOptions().pluralCategories.toSorted((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b));
  const comma = new Intl.NumberFormat(tag).format(1.5).includes(",");
  // Names of files and cars keep their points; figures with their units do not.
  const local = <V>(value: V): V | string =>
    comma && (typeof value === "number" || (typeof value === "string" && !NAME.test(value)))
      ? String(value).replace(/(\d)\.(?=\d)/g, "$1,")
      : value;
  const tongue: Tongue = {
    tag,
    t: (strings, ...values) => gettext.t(strings, ...values.map(local)),
    jt: (strings, ...values) => gettext.jt(strings, ...values.map(local)) as unknown[],
    gettext: gettext.gettext,
    // Not the package's own: it makes a function of the header's text, which the page's policy forbids.
    ngettext: (one, many, count) => {
      const { _strs: strings, _exprs: values } = one;
      const form = forms.indexOf(rules.select(count));
      const text = contexts[""]?.[strings.reduce((id, part, i) => `${id}\${ ${i - 1} }${part}`)]?.[form];
      return text
        ? text.replace(/\$\{ (\d+) \}/g, (_, at: string) => String(local(values[Number(at)]!)))
        : count === 1
          ? one.toString()
          : many;
    },
  };
  globalThis.tastaturaTongue = tongue;
}

/** What is said in one go in a catalogue's language, English without one; what was spoken before goes on after it. */
export function spokenIn<T>(catalogue: Catalogue | null, say: () => T): T {
  const before = globalThis.tastaturaTongue;
  if (catalogue) speak(catalogue);
  else hush();
  try {
    return say();
  } finally {
    globalThis.tastaturaTongue = before;
  }
}

/** Back to the English of the code. */
export function hush(): void {
  globalThis.tastaturaTongue = undefined;
}

/** Four letters on end are no unit, and what ends in a point and letters is a file. */
const NAME = /\p{L}{4}|\.\p{L}+$/u;

/** The order in which a catalogue has its plural forms. */
const ORDER: readonly Intl.LDMLPluralRule[] = ["zero", "one", "two", "few", "many", "other"];
