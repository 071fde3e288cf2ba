import { describe, expect, it } from "vitest";
import { parseSettings, usualSettings } from "./settings";

describe("settings as stored", () => {
  it("nothing stored, no JSON, or something else altogether give the usual ones", () => {
    for (const text of [null, "", "{", "[]", "7", '"dark"', '{"units":{"speed":"furlongs"}}'])
      expect(parseSettings(text)).toEqual(usualSettings);
  });

  it("what an earlier version stored is kept, and what it did not know is as usual", () => {
    const stored = { units: { speed: "mph", length: "in", torque: "lb·ft", temperature: "°F" } };
    const read = parseSettings(JSON.stringify(stored));
    expect(read.units).toEqual(stored.units);
    expect(read.look).toEqual({ theme: "light", contrast: "usual" });
    expect(read.policy).toEqual({ approach: "information", pierce: false });
  });

  it("is light by default, for glare, and takes the look that was chosen", () => {
    expect(usualSettings.look).toEqual({ theme: "light", contrast: "usual" });
    expect(parseSettings('{"look":{"theme":"dark","contrast":"high"}}').look).toEqual({
      theme: "dark",
      contrast: "high",
    });
  });

  it("shares and rates out of their range are not taken", () => {
    const { estimate } = usualSettings;
    expect(parseSettings(JSON.stringify({ estimate: { ...estimate, taxPct: 140 } }))).toEqual(usualSettings);
    expect(parseSettings(JSON.stringify({ estimate: { ...estimate, taxPct: 19 } })).estimate.taxPct).toBe(19);
  });
});
