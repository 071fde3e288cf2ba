import * as gettext from "ttag";
import type { Tongue } from "../core/words/words";

/** A catalogue as scripts/words.mjs makes it of a .po file. */
export interface Catalogue {
  tag: string;
  headers: Record<string, string>;
  contexts: Record<string, Record<string, string[]>>;
}

/** Has the program speak this catalogue. Must run before any module that holds sentences. */
export function speak({ tag, headers, contexts }: Catalogue): void {
  gettext.addLocale(tag, { charset: "utf-8", headers, contexts });
  gettext.useLocale(tag);
  const comma = new Intl.NumberFormat(tag).format(1.5).includes(",");
  const local = <V>(value: V): V | string =>
    comma && (typeof value === "number" || typeof value === "string")
      ? String(value).replace(/(\d)\.(?=\d)/g, "$1,")
      : value;
  const tongue: Tongue = {
    tag,
    t: (strings, ...values) => gettext.t(strings, ...values.map(local)),
    jt: (strings, ...values) => gettext.jt(strings, ...values.map(local)) as unknown[],
    gettext: gettext.gettext,
    ngettext: (one, many, count) => gettext.ngettext(one as never, many, count),
  };
  globalThis.tastaturaTongue = tongue;
}
