import { describe, expect, it } from "vitest";
import { dimensionsOf, fromUniforms } from "../car/dimensions";
import { drawCar } from "../car/draw";
import { cornerSetupSchema, families, type CornerSetup, type Family } from "../circuit/setup";
import { seeded } from "../random/random";
import { faults, suspectables, suspectId, withShare } from "./catalogue";
import { defaultPriors, parts } from "./parts/parts";
import { HEALTHY } from "./fault";

function corner(family: Family, spans = 2, more: Partial<CornerSetup> = {}): CornerSetup {
  const path: object[] = [{ station: "module" }];
  for (let i = 1; i <= spans; i++) path.push({ spanM: i, mm2: 0.5 }, { station: i === spans ? "plug" : `c${i}` });
  return cornerSetupSchema.parse({ corner: "FL", family, path, ...more });
}

describe.each(families)("the faults a %s corner can have", (family) => {
  const setup = corner(family);
  const all = suspectables(setup);

  it("have priors that sum to 1, by part as the table of priors says", () => {
    expect(all.reduce((sum, { prior }) => sum + prior, 0)).toBeCloseTo(1, 9);
    const possible = parts.filter((part) => all.some(({ fault }) => fault.part === part));
    const total = possible.reduce((sum, part) => sum + defaultPriors[part], 0);
    for (const part of possible) {
      const share = all.filter(({ fault }) => fault.part === part).reduce((sum, { prior }) => sum + prior, 0);
      expect(share, part).toBeCloseTo(defaultPriors[part] / total, 9);
    }
  });

  it("have names of their own and words a person can read, with nothing left unfilled", () => {
    expect(new Set(all.map(({ fault, place }) => suspectId(fault, place))).size).toBe(all.length);
    for (const { fault, place } of all)
      for (const said of [fault.words(place, setup), fault.clearedBy(place, setup)]) {
        expect(said.length, suspectId(fault, place)).toBeGreaterThan(8);
        expect(said).not.toMatch(/[{}]|undefined|NaN/);
        expect(said[0]).toBe(said[0]!.toUpperCase());
      }
  });

  // Domain facts: ohms across an active sensor mean nothing; film shows poles, which a toothed ring has none of.
  it("are cleared by what can be measured on that family", () => {
    const never =
      family === "passive" ? /viewing film|both levels|in series|current through/i : /AC volts|coil|resistance/i;
    for (const { fault, place } of all)
      expect(fault.clearedBy(place, setup), suspectId(fault, place)).not.toMatch(never);
  });

  it("each alters the car it is put into, and only the healthy one does not", () => {
    const random = seeded(5);
    const drawn = Array.from(dimensionsOf(family), () => 0.15 + 0.7 * random());
    const at = fromUniforms(family, drawn, 1);
    const healthy = all.find(({ fault, place }) => suspectId(fault, place) === HEALTHY)!;
    const plain = JSON.stringify(drawCar(setup, healthy.fault, healthy.place, at));
    for (const { fault, place } of all) {
      const altered = JSON.stringify(drawCar(setup, fault, place, at)) !== plain;
      expect(altered, suspectId(fault, place)).toBe(suspectId(fault, place) !== HEALTHY);
    }
  });

  it("take any numbers, far tails too, without leaving what is physical", () => {
    for (const u of [-0.35, 0, 0.5, 1, 1.35])
      for (const { fault, place } of all) {
        const { circuit, ring } = drawCar(setup, fault, place, () => u);
        const name = `${suspectId(fault, place)} at ${u}`;
        for (const { fraction, ohms } of circuit.spanDefects) {
          expect(fraction, name).toBeGreaterThan(0);
          expect(fraction, name).toBeLessThan(1);
          expect(ohms, name).toBeGreaterThanOrEqual(0);
        }
        for (const station of circuit.contactOhms) for (const ohms of station) expect(ohms, name).toBeGreaterThan(0);
        expect(ring.gapMm, name).toBeGreaterThan(0);
        expect(ring.countRatio, name).toBeGreaterThan(0.5);
        if (ring.missing) expect(ring.missing.count, name).toBeGreaterThan(0);
      }
  });
});

describe("places", () => {
  it("a longer and rougher span carries more of a wire's prior, and shares of a fault's places sum to 1", () => {
    const setup = corner("active-2wire", 4);
    for (const fault of faults.filter(({ families: own }) => own.includes("active-2wire")))
      expect(
        fault.places(setup).reduce((sum, { share }) => sum + share, 0),
        fault.code,
      ).toBeCloseTo(1, 9);
    const open = faults.find(({ code }) => code === "wire-open")!;
    const [near, far] = ["span1.supply", "span4.supply"].map((id) =>
      open.places(setup).find((place) => place.id === id)!,
    );
    expect(far!.share).toBeGreaterThan(near!.share);
  });

  it("an intermittent complaint can rest on wires, contacts and what moves, never on the wrong tyre", () => {
    const comes = new Set(faults.filter(({ intermittent }) => intermittent).map(({ code }) => code));
    for (const code of ["wire-open", "terminal-open", "wire-to-ground", "mounting-loose"])
      expect(comes).toContain(code);
    for (const code of ["tyre-size", "ring-count", "encoder-reversed"]) expect(comes).not.toContain(code);
  });
});

describe("the shares of parts, edited", () => {
  it("one set, the rest brought back in proportion to one whole", () => {
    const changed = withShare(defaultPriors, "harness", 50)!;
    expect(Object.values(changed).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
    expect(changed.ring / changed.sensor).toBeCloseTo(defaultPriors.ring / defaultPriors.sensor, 9);
    expect(changed.harness).toBeGreaterThan(defaultPriors.harness);
  });

  it("no share is taken that is none", () => {
    for (const percent of [-1, 101, NaN]) expect(withShare(defaultPriors, "ring", percent)).toBeNull();
  });
});
