import { describe, expect, it } from "vitest";
import { moduleEye } from "./module-eye";

const sensor = { rmsV: 0.65, speedKmh: 8.04672, nominalGapMm: 0.4, gapMm: 0.4, pitchMm: 6.5, thresholdV: 0.15 };

// v_drop = v_ref·(V_threshold / V_ref), worked by hand: 8.05 km/h × 0.15 V / (0.65 V·√2) = 1.31 km/h.
describe("the module's eye", () => {
  it("a good gap is lost too late to matter, a rusted one early enough to release a brake", () => {
    expect(moduleEye(sensor).dropOutKmh).toBeCloseTo(1.313, 2);
    expect(moduleEye(sensor).falseRelease).toBe(false);
    const rusted = moduleEye({ ...sensor, gapMm: 2 });
    expect(rusted.dropOutKmh).toBeCloseTo(1.313 * Math.exp((2 * Math.PI * 1.6) / 6.5), 2);
    expect(rusted.falseRelease).toBe(true);
  });

  it("what the module sees is the wheel above the threshold and nothing below", () => {
    const { stop, dropOutKmh } = moduleEye({ ...sensor, gapMm: 1.8 });
    for (const { trueKmh, seenKmh } of stop) expect(seenKmh).toBe(trueKmh > dropOutKmh ? trueKmh : 0);
    expect(stop[0]!.trueKmh).toBe(25);
    expect(stop.at(-1)!.trueKmh).toBe(0);
  });
});
