/**
 * Sentences that are put together of parts, spoken in each catalogue: every fault, check, caution, repair and finding.
 * What an entry by itself cannot show — an English part left inside a German sentence — shows here.
 */
import { readFileSync } from "node:fs";
import { po } from "gettext-parser";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { languages, poFile } from "../../scripts/words.mjs";

/** Words that no sentence of these languages has and nearly every English one does. */
const ENGLISH =
  /\b(the|of|and|with|is|not|at|from|wheel|plug|supply|ground|return|reading|leg|side|each|turn|that|this|it|for|one|or|by|open|module pin|both|span)\b/i;
/** Numbers keep their English words nowhere; these are names, units and what a person may type. */
const ALLOWED = /MIN\/MAX|\bin\b|\bOL\b|Sensor|Encoder|“[^”]*”|„[^“]*“/g;

describe.each(languages())("composed in %s", (tag) => {
  let said: { where: string; text: string }[] = [];

  beforeAll(async () => {
    const { translations } = po.parse(readFileSync(poFile(tag)));
    vi.resetModules();
    const { speak } = await import("./tongue");
    speak({
      tag,
      headers: { "plural-forms": "nplurals=2; plural=(n!=1);" },
      contexts: {
        "": Object.fromEntries(Object.values(translations[""]!).map(({ msgid, msgstr }) => [msgid, msgstr])),
      },
    });
    const { cornerSetupSchema, families } = await import("../core/circuit/setup");
    const { suspectables } = await import("../core/faults/catalogue");
    const { checkCatalogue } = await import("../core/checks/catalogue");
    const { cautions, instruction } = await import("../core/checks/instruction");
    const { hookupCard } = await import("../core/checks/hookup-card");
    const { hookupLabel, stateWords } = await import("../core/checks/words");
    const { answersFor } = await import("../core/checks/answers");
    const { repairPlan } = await import("../core/repair/repair-plan");
    const { shippedLibrary } = await import("../demo/shipped-library");
    const { findingSays } = await import("../core/checks/findings/findings");
    const { analyseCapture } = await import("../core/waveform/analyse");
    const { lessons } = await import("../core/explain/lessons");
    const { sums } = await import("../core/reckoner/sums");
    said = [];
    const say = (where: string, text: string | null | undefined) => text && said.push({ where, text });
    for (const family of families) {
      const setup = cornerSetupSchema.parse({
        corner: "RR",
        family,
        path: [
          { station: "module" },
          { spanM: 1, mm2: 0.5 },
          { station: "c1" },
          { spanM: 2, mm2: 0.5 },
          { station: "plug" },
        ],
      });
      for (const { fault, place } of suspectables(setup)) {
        say(`${fault.code} words`, fault.words(place, setup));
        say(`${fault.code} cleared`, fault.clearedBy(place, setup));
        const plan = repairPlan(fault.code, fault.part);
        say(`${fault.code} repair`, JSON.stringify([plan.steps, plan.cautions]));
      }
      for (const { hookup, access, id } of checkCatalogue(setup, true)) {
        say(id, instruction(hookup, setup));
        say(id, hookupLabel(hookup));
        say(id, stateWords(hookup.state));
        for (const text of cautions(hookup)) say(id, text);
        for (const step of access) say(id, step.say);
        for (const text of Object.values(answersFor(hookup)?.say ?? {})) say(id, text);
        const card = hookupCard(hookup, setup);
        say(id, card && `${card.dial} ${card.sockets} ${card.leads.map(({ where }) => where).join(" ")}`);
      }
    }
    for (const { item, capture } of shippedLibrary())
      for (const { findings, warnings } of analyseCapture(capture, { pulses: item.pulses, family: item.family })) {
        for (const finding of findings) say(`${item.model} ${finding.code}`, findingSays(finding));
        for (const warning of warnings) say(item.model, warning);
      }
    for (const lesson of lessons) say("lesson", JSON.stringify(lesson).replace(/"[a-zA-Z]+":/g, ""));
    for (const { title, fields } of sums) say("sum", `${title} ${fields.map(({ label }) => label).join(" ")}`);
  }, 120_000);

  afterAll(() => {
    globalThis.tastaturaTongue = undefined;
    vi.resetModules();
  });

  it("says a great deal, and nothing of it in English", () => {
    expect(said.length).toBeGreaterThan(900);
    const left = said.filter(({ text }) => ENGLISH.test(text.replace(ALLOWED, " ")));
    expect([...new Set(left.map(({ where, text }) => `${where}: ${text}`))].slice(0, 12)).toEqual([]);
  });

  it("leaves no value out and no mark of the catalogue in", () => {
    for (const { where, text } of said) expect(text, where).not.toMatch(/\$\{|\{where\}|undefined|NaN/);
  });
});

it("one line-up asked in two languages answers each in its own, what is to be done first included", async () => {
  const [tag] = languages();
  const { translations } = po.parse(readFileSync(poFile(tag!)));
  const { spokenIn } = await import("./tongue");
  const { Belief } = await import("../core/belief/belief");
  const { complaintSchema } = await import("../core/complaint/complaint");
  const { cornerSetupSchema, usualCorner } = await import("../core/circuit/setup");
  const { checksOf } = await import("../core/planning/next-check");
  const path = [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }];
  const setup = cornerSetupSchema.parse({ ...usualCorner, corner: "FL", family: "passive", path });
  const belief = new Belief(setup, complaintSchema.parse({}), { seed: 1, perGroup: 6 });
  const todo = () => checksOf(belief).flatMap(({ access }) => access.map(({ say }) => say));
  const catalogue = {
    tag: tag!,
    headers: {},
    contexts: { "": Object.fromEntries(Object.values(translations[""]!).map(({ msgid, msgstr }) => [msgid, msgstr])) },
  };
  const english = spokenIn(null, todo);
  expect(spokenIn(catalogue, todo).filter((say) => english.includes(say))).toEqual([]);
  expect(spokenIn(null, todo)).toEqual(english);
});
