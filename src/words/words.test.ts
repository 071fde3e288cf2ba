import { readFileSync } from "node:fs";
import { po } from "gettext-parser";
import { afterEach, describe, expect, it } from "vitest";
import { catalogue, languages, poFile, sentences } from "../../scripts/words.mjs";
import { languages as offered } from "../core/settings/language";
import { jt } from "../ui/keys/words";
import { languageTag, midSentence, msgid, ngettext, t } from "../core/words/words";
import { hush, speak } from "./tongue";

const found = sentences();
const valuesIn = (text: string) => [...text.matchAll(/\$\{ (\d+) \}|\{where\}/g)].map(([value]) => value).sort();

describe.each(languages())("the catalogue of %s", (tag) => {
  const words = catalogue(poFile(tag));
  words.delete("");

  it("has every sentence of the code and none besides", () => {
    expect([...found.keys()].filter((id) => !words.get(id)?.every(Boolean))).toEqual([]);
    expect([...words.keys()].filter((id) => !found.has(id))).toEqual([]);
  });

  it("keeps every value, and the spaces a sentence is joined by", () => {
    for (const [id, texts] of words)
      for (const text of texts) {
        expect(valuesIn(text), id).toEqual(valuesIn(found.get(id)?.plural ?? id));
        expect(/^\s/.test(text), id).toBe(/^\s/.test(id));
      }
  });

  it("has both forms where a count asks for them, and is offered in the settings", () => {
    for (const [id, { plural }] of found) expect(words.get(id)!.length, id).toBe(plural ? 2 : 1);
    expect(offered).toContain(tag);
  });
});

it("the template for a new language is that of the code as it is now", () => {
  const template = po.parse(readFileSync("src/words/tastatura.pot"));
  expect(new Set(Object.keys(template.translations[""]!).filter(Boolean))).toEqual(new Set(found.keys()));
});

/** Talk of statistics and home-made nouns where the trade has its own (common practice, no source). */
const NEVER_SAID = [
  ...[/line-up/i, /\bbits?\b(?! fully)/i, /suspicion/i, /\bweigh(s|ed|ing)? (this )?in\b/i, /splits/i, /ruled out/i],
  ...[/\bhears?\b/i, /stands too far off/i, /out of true/i, /by a strand/i, /falls out/i, /may be named/i],
  ...[/in question/i, /\bundone\b/i, /let in new wire/i, /draw the sensor/i, /ordinary brakes/i, /would say/i],
];

/** A bus's signal list counts bits, and so does who reads it: those of information are meant above. */
const AS_SIGNAL_LISTS_SAY = /^(first bit|bits|Bits are counted from 0 .*)$/;

it("nothing is said that a foreman would not say", () => {
  expect(found.size).toBeGreaterThan(1500);
  const said = [...found.keys()].filter((sentence) => !AS_SIGNAL_LISTS_SAY.test(sentence));
  expect(said.filter((sentence) => NEVER_SAID.some((word) => word.test(sentence)))).toEqual([]);
});

describe("a tongue, once spoken", () => {
  afterEach(() => (globalThis.tastaturaTongue = undefined));

  it("is looked up by the English, values in its own order, decimals with its comma", () => {
    expect(t`lost at ${6.5} km/h by ${"RR"}`).toBe("lost at 6.5 km/h by RR");
    speak({
      tag: "de",
      headers: { "plural-forms": "nplurals=2; plural=(n!=1);" },
      contexts: {
        "": {
          "lost at ${ 0 } km/h by ${ 1 }": ["${ 1 } verliert es bei ${ 0 } km/h"],
          "${ 0 } reading": ["${ 0 } Messwert", "${ 0 } Messwerte"],
          "press ${ 0 } now": ["jetzt ${ 0 } drücken"],
        },
      },
    });
    expect(languageTag()).toBe("de");
    expect(t`lost at ${6.5} km/h by ${"RR"}`).toBe("RR verliert es bei 6,5 km/h");
    // What has no entry stands in English, its numbers all the same in the reader's way.
    expect(t`${"11.2"} V`).toBe("11,2 V");
    expect(t`${"5.8–8.0 km/h"}, ${"spin 1.2.csv"}, ${"Skua 1.6"}`).toBe("5,8–8,0 km/h, spin 1.2.csv, Skua 1.6");
    expect([1, 2].map((n) => ngettext(msgid`${n} reading`, `${n} readings`, n))).toEqual(["1 Messwert", "2 Messwerte"]);
    expect(jt`press ${"U"} now`.join("")).toBe("jetzt U drücken");
    expect(midSentence("Ring gerissen")).toBe("Ring gerissen");
  });

  it("is English where none is: nouns small inside a sentence, one and many told apart", () => {
    expect(midSentence("Return wire open in span 2, C1")).toBe("return wire open in span 2, C1");
    expect([1, 2].map((n) => ngettext(msgid`${n} reading`, `${n} readings`, n))).toEqual(["1 reading", "2 readings"]);
    expect(jt`press ${"U"} now`.join("")).toBe("press U now");
  });
});

describe("a language with three plural forms", () => {
  it("counts by the platform's own rules, whatever the language (Polish, as the CLDR has it)", () => {
    const id = "${ 0 } reading";
    speak({
      tag: "pl",
      headers: {},
      contexts: { "": { [id]: ["${ 0 } pomiar", "${ 0 } pomiary", "${ 0 } pomiarów"] } },
    });
    const said = (n: number) => ngettext(msgid`${n} reading`, `${n} readings`, n);
    expect([1, 2, 4, 5, 12, 21, 22, 25].map(said)).toEqual([
      "1 pomiar",
      "2 pomiary",
      "4 pomiary",
      "5 pomiarów",
      "12 pomiarów",
      "21 pomiarów",
      "22 pomiary",
      "25 pomiarów",
    ]);
    hush();
    expect(said(2)).toBe("2 readings");
  });
});
