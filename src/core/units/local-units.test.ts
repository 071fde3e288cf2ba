import { describe, expect, it } from "vitest";
import { inUnits, typedKmh, type UnitChoice } from "./local-units";

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
    ["0.5 mm² wire, 119 N·m", "0.5 mm² wire, 88 lb·ft"],
    ["coil at 100 °C, 11.2 V", "coil at 212 °F, 11.2 V"],
  ])("%s → %s", (text, expected) => {
    expect(inUnits(text, other)).toBe(expected);
    expect(inUnits(text, metric)).toBe(text);
  });

  it("a typed speed is in the unit chosen", () => {
    expect(typedKmh(5, other)).toBeCloseTo(8.04672, 9);
    expect(typedKmh(5, metric)).toBe(5);
  });
});
