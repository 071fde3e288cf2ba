import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { frequencyHz, overallDiameterMm, parseTyre, rollingCircumferenceM, speedKmh } from "./tyre";

// Overall diameters after UNECE R30, D = d + 2H, worked by hand.
describe("a tyre", () => {
  it.each([
    ["205/55R16", 631.9],
    ["205/55 R16 91V", 631.9],
    ["175/65R14", 583.1],
    ["195/70R15C", 654.0],
    ["225/45ZR17", 634.3],
    ["LT 245/75R16", 773.9],
    ["p215/60r16", 664.4],
    ["205 55 16", 631.9],
    ["205/55RF17 95Y", 657.3],
    ["T125/70D16", 581.4],
    // 31 inches over all, whatever its ratio.
    ["31x10.50R15 LT", 787.4],
    // A van's full profile: 82 series (ETRTO, from memory).
    ["195R14C", 675.4],
  ])("%s stands %s mm high", (text, mm) => {
    expect(overallDiameterMm(parseTyre(text)!)).toBeCloseTo(mm, 1);
  });

  it.each(["", "205", "205/55", "205/55R99", "999/55R16", "tall", "16R205/55"])("“%s” is none", (text) => {
    expect(parseTyre(text)).toBeNull();
  });

  it("speed and frequency are each other's inverse, and both go with the ring's count and the tyre", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 300, noNaN: true }), fc.integer({ min: 8, max: 120 }), (kmh, pulses) => {
        const round = rollingCircumferenceM(parseTyre("205/55R16")!);
        const hertz = frequencyHz(kmh, pulses, round);
        expect(speedKmh(hertz, pulses, round)).toBeCloseTo(kmh, 9);
        expect(frequencyHz(2 * kmh, pulses, round)).toBeCloseTo(2 * hertz, 9);
        expect(frequencyHz(kmh, 2 * pulses, round)).toBeCloseTo(2 * hertz, 9);
      }),
    );
  });

  it("a 2 % smaller tyre reads 2 % fast at its corner", () => {
    const [large, small] = ["205/55R16", "195/55R16"].map((text) => rollingCircumferenceM(parseTyre(text)!));
    const shown = speedKmh(frequencyHz(50, 48, small!), 48, large!);
    expect(shown / 50).toBeCloseTo(large! / small!, 9);
    expect(shown / 50).toBeGreaterThan(1.01);
  });
});
