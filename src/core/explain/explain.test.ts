import { describe, expect, it } from "vitest";
import { contactAt, contactPlace, leakAt, leakPlace } from "./decades";
import { explainCorner, usualExplain } from "./explain";
import { signs, terms } from "./glossary";
import { termsIn } from "./terms-in";
import { lessons, lessonSettings } from "./lessons";

const volts = (shown: string) => Number.parseFloat(shown) * (/mV/.test(shown) ? 1e-3 : 1);
const acAtPlug = (parts: Partial<typeof usualExplain>) =>
  volts(
    explainCorner({ ...usualExplain, family: "passive", gapMm: 0.4, ...parts }).readings.find(({ label }) =>
      /AC/.test(label),
    )!.shown,
  );

describe("the corner under the sliders", () => {
  it("passive volts double with the speed (Faraday) and fall with the gap by Wallace's law", () => {
    expect(acAtPlug({ speedKmh: 16 }) / acAtPlug({ speedKmh: 8 })).toBeCloseTo(2, 1);
    const pitch = (Math.PI * 100) / 48;
    expect(acAtPlug({ gapMm: 1.4 }) / acAtPlug({})).toBeCloseTo(Math.exp((-2 * Math.PI) / pitch), 1);
  });

  it("an active sensor's levels do not know the speed; the module does not mind a whole ring", () => {
    const slow = explainCorner({ ...usualExplain, speedKmh: 3 });
    const fast = explainCorner({ ...usualExplain, speedKmh: 30 });
    expect(slow.readings[1]).toEqual(fast.readings[1]);
    expect(slow.module).toMatch(/follows/);
    const range = ({ trace }: typeof slow) =>
      Math.max(...trace.map(([, v]) => v)) - Math.min(...trace.map(([, v]) => v));
    expect(range(slow)).toBeCloseTo(range(fast), 1);
  });

  it("a coil's volts are read between its legs, at the plug as at the module, and follow its connector alone", () => {
    const between = (contactOhms: number) =>
      explainCorner({ ...usualExplain, family: "passive", gapMm: 0.4, contactOhms })
        .readings.filter(({ label }) => /AC/.test(label))
        .map(({ shown }) => volts(shown));
    const [atPlug, atModule] = between(0);
    expect(atModule! / atPlug!).toBeGreaterThan(0.95);
    const [stillAtPlug, lost] = between(50_000);
    expect(stillAtPlug! / atPlug!).toBeGreaterThan(0.9);
    expect(lost!).toBeLessThan(0.8 * atModule!);
  });

  it("the decade sliders come back to where they were put", () => {
    for (const ohms of [0, 5, 200, 50_000]) expect(contactAt(contactPlace(ohms))).toBe(ohms);
    for (const ohms of [0, 1, 300, 10_000]) expect(leakAt(leakPlace(ohms))).toBeCloseTo(ohms, 6);
  });

  it("each lesson's start shows what it is about", () => {
    const said = lessons.map((lesson) => explainCorner(lessonSettings(lesson)).module);
    expect(said[0]).toMatch(/follows/);
    expect(said[2]).toMatch(/falls to zero early/);
    expect(said[7]).toMatch(/jumps|falls out/);
    expect(said[9]).toMatch(/sees nothing/);
    expect(lessons.length).toBe(13);
    for (const { title, text, move } of lessons)
      for (const said of [title, text, move]) expect(said).toMatch(/^[“A-Z].{8,}/);
  });

  it("levels go with the sense resistor and keep their ratio; a wheel that runs out folds as evenly as one that does not", () => {
    const levels = (senseOhms: number) =>
      explainCorner({ ...usualExplain, senseOhms })
        .readings[1]!.shown.split(" or ")
        .map(volts)
        .sort((a, b) => a - b);
    const [few, many] = [levels(60), levels(180)];
    expect(many[0]! / few[0]!).toBeCloseTo(3, 1);
    for (const [low, high] of [few, many]) expect(high! / low!).toBeCloseTo(2, 0);
    const runsOut = { ...usualExplain, family: "passive", gapMm: 0.4, speedKmh: 14, spin: "runs-out" } as const;
    const { trace, rasterSay } = explainCorner(runsOut);
    const height = (from: number, to: number) =>
      Math.max(...trace.filter(([s]) => s >= from && s < to).map(([, v]) => v));
    expect(height(0, 0.3)).toBeGreaterThan(2 * height(1.3, 1.6));
    expect(rasterSay).toMatch(/^Even/);
    expect(explainCorner({ ...runsOut, missing: 2 }).rasterSay).toMatch(/straight column/);
  });

  it("the ring raster answers too: a column for lost teeth, a wave for runout, nothing for a good corner or a bad wire", () => {
    const good = explainCorner(usualExplain);
    expect(good.rasterSay).toMatch(/^Even/);
    expect(good.raster!.columns).toBe(48);
    const lost = explainCorner({ ...usualExplain, missing: 2 });
    expect(lost.rasterSay).toMatch(/straight column/);
    expect([...lost.raster!.missingShare].filter((share) => share > 0.7)).toHaveLength(2);
    const passive = { ...usualExplain, family: "passive", gapMm: 0.6, speedKmh: 15 } as const;
    expect(explainCorner({ ...passive, runoutMm: 0.5 }).rasterSay).toMatch(/slow wave/);
    expect(explainCorner({ ...passive, contactOhms: 30 }).rasterSay).toMatch(/^Even/);
    expect(explainCorner({ ...usualExplain, contactOhms: 90_000 }).raster).toBeNull();
  });
});

describe("words and signs", () => {
  it("stand in the order of the alphabet, each once, and say more than they are", () => {
    const found = terms();
    const names = found.map(({ term }) => term);
    expect(names).toEqual(names.toSorted((a, b) => a.localeCompare(b, "en")));
    const all = [...found, ...signs()];
    expect(new Set(all.map(({ term }) => term)).size).toBe(all.length);
    for (const { term, says } of all) expect(says.split(/\s+/).length, term).toBeGreaterThan(3);
    // Domain fact: pulses per turn are teeth, or pairs of poles.
    expect(found.find(({ term }) => term === "Pulses per turn")!.says).toMatch(/40 poles are 20 pulses/);
  });

  it("are marked in a sentence where they come first, the longer one whole, and nothing of it is lost", () => {
    const sentence = "Viewing film on the encoder: OL beside runout. The encoders, the sprockets, runout again.";
    const cut = termsIn(sentence);
    expect(cut.map(({ text }) => text).join("")).toBe(sentence);
    expect(cut.filter(({ says }) => says !== undefined).map(({ text }) => text)).toEqual([
      "Viewing film",
      "encoder",
      "OL",
      "runout",
    ]);
    expect(termsIn("Nothing to explain at this corner.")).toEqual([{ text: "Nothing to explain at this corner." }]);
  });
});
