/** Chances are chances: each lies in 0–1, every column sums to one, and an instrument's error is what its bench says. */
import { describe, expect, it } from "vitest";
import { circuitStateSchema } from "../circuit/state";
import { drawCar } from "../car/draw";
import { whereaboutsOf } from "../car/whereabouts";
import { signalPoint } from "../circuit/point";
import { cornerSetupSchema, families } from "../circuit/setup";
import { suspectables } from "../faults/catalogue";
import { scopeWords } from "../checks/scope-answers";
import type { Hookup } from "../checks/hookup";
import { findingChances } from "./finding-chances";
import { fromScale, overLimitChance, scaleError, toScale } from "./scale";
import { StateReader } from "./reader";
import { wordChances } from "./word-chances";

const at = (instrument: "volts-ac" | "hertz" | "volts-dc" | "ohms", wheel: "still" | "hand" | "driven"): Hookup => ({
  instrument,
  red: { at: "face", station: "plug", face: "out", conductor: "a" },
  black: { at: "body" },
  state: circuitStateSchema.parse({ wheel }),
});

describe("finding chances", () => {
  it("every row of the table sums to one over the words there are", () => {
    for (const family of families)
      for (const [expected, row] of Object.entries(findingChances[family])) {
        expect(scopeWords, `${family} ${expected}`).toEqual(expect.arrayContaining(Object.keys(row)));
        expect(Object.values(row).reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 2);
        for (const chance of Object.values(row)) expect(chance).toBeGreaterThan(0);
      }
  });

  it("no word is impossible in a capture of any car, and all of them together are sure", () => {
    for (const family of families) {
      const setup = cornerSetupSchema.parse({
        corner: "FL",
        family,
        path: [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "plug" }],
      });
      const hookup: Hookup = {
        instrument: "scope",
        red: signalPoint(setup, "plug"),
        state: circuitStateSchema.parse({ wheel: "hand", speedKmh: 7 }),
      };
      const reader = new StateReader(setup, hookup.state, [hookup]);
      for (const { fault, place } of suspectables(setup)) {
        reader.take(drawCar(setup, fault, place, () => 0.5));
        const { chances } = reader.outlook(0, whereaboutsOf({ fault, place }, false));
        expect(Math.min(...chances), fault.code).toBeGreaterThan(1e-4);
        expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 6);
      }
    }
  });

  it("named words keep their share, the rest falls to the first, a little to slips", () => {
    const chances = wordChances(["good", "bad", "odd"], { bad: 0.6 });
    expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 12);
    expect(chances[1]).toBeCloseTo(0.98 * 0.6 + 0.02 / 3, 12);
    expect(chances[0]).toBeCloseTo(0.98 * 0.4 + 0.02 / 3, 12);
    expect(wordChances(["good", "bad"], { good: 2, bad: 2 })[0]).toBeCloseTo(0.5, 12);
  });
});

describe("an instrument's error", () => {
  it("knows that nobody spins a wheel at just one turn a second, and that a driven one is held better", () => {
    for (const instrument of ["volts-ac", "hertz"] as const) {
      const error = (wheel: "still" | "hand" | "driven") => scaleError(at(instrument, wheel), 50, 0);
      expect(error("hand") / error("driven")).toBeGreaterThan(2.5);
      expect(error("driven") / error("still")).toBeGreaterThan(1.2);
    }
    expect(scaleError(at("volts-dc", "hand"), 5, 0)).toBe(scaleError(at("volts-dc", "still"), 5, 0));
  });

  it("grows with the size of the last digit typed, and a scale goes both ways", () => {
    expect(scaleError(at("ohms", "still"), 100, 100)).toBeGreaterThan(2 * scaleError(at("ohms", "still"), 100, 0));
    for (const value of [-3, 0, 0.002, 12])
      expect(fromScale("volts-dc", toScale("volts-dc", value))).toBeCloseTo(value, 9);
  });

  it("shows over limit for what a hand meter cannot read, and only there", () => {
    expect(overLimitChance("ohms", Infinity)).toBeGreaterThan(0.99);
    expect(overLimitChance("ohms", 100)).toBeLessThan(0.01);
    expect(overLimitChance("ohms", 4e8)).toBeGreaterThan(0.9);
    expect(overLimitChance("volts-dc", 12)).toBe(0);
    expect(overLimitChance("volts-dc", Infinity)).toBe(1);
  });
});
