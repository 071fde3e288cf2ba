import { describe, expect, it } from "vitest";
import { fromLocal, inUnits, isBare, localUnit, meantIn, toLocal, type UnitChoice } from "./local-units";

const metric: UnitChoice = { speed: "km/h", length: "mm", torque: "N·m", temperature: "°C" };
const other: UnitChoice = { speed: "mph", length: "in", torque: "lb·ft", temperature: "°F" };

// Factors of NIST SP 811: 1 mile 1.609344 km, 1 inch 25.4 mm, 1 lbf·ft 1.3558179483 N·m.
describe("a sentence in the units chosen", () => {
  it.each([
    ["stop gently from 20 km/h", "stop gently from 12 mph"],
    ["8.05 km/h", "5.00 mph"],
    ["5.8–8.0 km/h", "3.6–5.0 mph"],
    ["sees 6 → 0 km/h in no time", "sees 4 → 0 mph in no time"],
    ["gap 0.51 mm", "gap 0.0201 in"],
    ["5,8 bis 8,0 km/h, Spalt 0,51 mm", "3,6 bis 5,0 mph, Spalt 0,0201 in"],
    ["0.5 mm² wire, 119 N·m", "0.5 mm² wire, 88 lb·ft"],
    ["coil at 100 °C, 11.2 V", "coil at 212 °F, 11.2 V"],
  ])("%s → %s", (text, expected) => {
    expect(inUnits(text, other)).toBe(expected);
    expect(inUnits(text, metric)).toBe(text);
  });

  it("a bare number of a gauge is in the unit chosen, one with its own unit stands, other quantities are left alone", () => {
    expect(meantIn("0.02", "mm", other)).toBe("0.02 in");
    expect(meantIn(" 0,02 ", "mm", other)).toBe("0,02 in");
    expect(meantIn("0.5 mm", "mm", other)).toBe("0.5 mm");
    expect(meantIn("0.5", "mm", metric)).toBe("0.5");
    expect(meantIn("11.2", "V", other)).toBe("11.2");
    expect([localUnit("mm", other), localUnit("km/h", other), localUnit("V", other)]).toEqual(["in", "mph", "V"]);
    expect(toLocal(16.09344, "km/h", other)).toBeCloseTo(10, 9);
    expect(toLocal(16, "km/h", metric)).toBe(16);
  });

  it("a typed speed is in the unit chosen", () => {
    expect(fromLocal(5, "km/h", other)).toBeCloseTo(8.04672, 9);
    expect(fromLocal(5, "km/h", metric)).toBe(5);
  });
});

describe("a number typed so far", () => {
  it.each([
    ["", true],
    ["0.21", true],
    ["-0,2", true],
    ["0.21n", false],
    ["953mV", false],
    ["OL", false],
  ])("%j has no unit yet: %s", (typed, bare) => {
    expect(isBare(typed)).toBe(bare);
  });
});
