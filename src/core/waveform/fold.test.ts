/** What stands out of a ring, from spins that lost count of each other, and what hash hides: made here by formula. */
import { describe, expect, it } from "vitest";
import { seeded, normal } from "../random/random";
import { underHash } from "./hash";
import { foldTogether } from "./ring-pattern";
import { rhythmOf, type Pulse } from "./pulses";

const TEETH = 48;

/** Pulses of a wheel running out, beginning at a tooth; one period a turn is longer by `step`. */
function spin(from: number, count: number, { longAt = -1, step = 0, lowAt = -1 }): Pulse[] {
  const pulses: Pulse[] = [];
  let at = 0;
  for (let i = 0; i < count; i++) {
    const tooth = (from + i) % TEETH;
    const even = 100 * Math.exp(i / 400);
    pulses.push({ at, duty: 0.5, heightV: (tooth === lowAt ? 50 : 100) / even });
    at += even * (tooth === longAt ? 1 + step : 1);
  }
  return pulses;
}

const stretch = (pulses: Pulse[]) => ({ pulses, rhythm: rhythmOf(pulses) });

describe("two spins of one ring", () => {
  it.each([0, 7, 30])(
    "a long space seen once and a half in each comes to stand at one tooth (%i teeth lost between)",
    (lost) => {
      const crack = { longAt: 20, step: 0.3 };
      const ring = foldTogether([stretch(spin(5, 80, crack)), stretch(spin(5 + lost, 70, crack))], TEETH)!;
      const stands = [...ring.periodMean].filter((one) => one > 0.15);
      expect(stands).toHaveLength(1);
      expect(stands[0]).toBeCloseTo(0.3, 1);
      expect(ring.revolutions).toBeCloseTo((79 + 69) / TEETH, 1);
    },
  );

  it("a low tooth is found the same way, though the wheel slows", () => {
    const ring = foldTogether([stretch(spin(0, 90, { lowAt: 33 })), stretch(spin(11, 60, { lowAt: 33 }))], TEETH)!;
    expect([...ring.heightMean].filter((one) => one < 0.8)).toHaveLength(1);
    expect(Math.max(...ring.heightMean)).toBeLessThan(1.1);
  });

  it("an even ring has nothing to be turned by: the longer spin stands alone", () => {
    const ring = foldTogether([stretch(spin(0, 90, {})), stretch(spin(11, 60, {}))], TEETH)!;
    expect(ring.revolutions).toBeCloseTo(89 / TEETH, 1);
  });

  it("a wheel gaining or losing speed leaves nothing in an even ring", () => {
    const { deviations } = rhythmOf(spin(0, 120, {}));
    expect(Math.max(...[...deviations].filter(Number.isFinite).map(Math.abs))).toBeLessThan(0.002);
  });
});

describe("under hash", () => {
  const noisy = (seed: number, stepV: number, period: number) => {
    const random = seeded(seed);
    return Float32Array.from({ length: 20_000 }, (_, i) => (i % period < period / 2 ? stepV : 0) + normal(random));
  };

  it.each([1, 2, 3, 4])("a square wave of twice the noise's deviation is found, pulse for pulse (seed %i)", (seed) => {
    const found = underHash(noisy(seed, 2, 100))!;
    expect(found.pulses.length).toBeGreaterThan(196);
    expect(found.pulses.length).toBeLessThan(202);
  });

  it("noise alone holds no wheel", () => {
    for (let seed = 1; seed <= 12; seed++) expect(underHash(noisy(seed, 0, 100)), String(seed)).toBeNull();
  });
});
