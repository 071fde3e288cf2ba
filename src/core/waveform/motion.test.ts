/** The most common capture of the trade: press record, spin the wheel, stop. Recordings of a world that shares no code with ours. */
import { describe, expect, it } from "vitest";
import { recording, type Defect } from "../../../bench/outside/recordings";
import { analyseCapture } from "./analyse";
import { motionOf } from "./motion";
import { ringRaster } from "./raster";

const INNOCENT = new Set(["key-on-transient", "probe-spike"]);
function judged(seed: number, want: Parameters<typeof recording>[1]) {
  const made = recording(seed, want);
  const capture = { name: "outside", sampleS: made.sampleS, startS: 0, channels: made.channels };
  const analysed = analyseCapture(capture, { family: made.sensor, pulses: made.poles });
  const codes = analysed.flatMap(({ findings }) => findings.map(({ code }) => code as string));
  return { made, capture, analysed, codes, faults: codes.filter((code) => !INNOCENT.has(code)) };
}

describe("a hand spin from rest to rest", () => {
  it.each(["rest-to-rest", "regripped"] as const)("%s and healthy, is called healthy", (motion) => {
    const runs = Array.from({ length: 6 }, (_, n) => judged(300 + n, { defect: "clean", motion }));
    const wrong = runs.filter(({ faults }) => faults.length > 0);
    expect(wrong.length, wrong.map(({ made, faults }) => `${made.sensor}: ${faults}`).join("; ")).toBeLessThanOrEqual(
      1,
    );
    expect(runs.some(({ codes }) => codes.includes("random-dropout"))).toBe(false);
  });

  it("a chunk gone is still found in it, and a loose wire too", () => {
    for (const defect of ["missing-pulses", "random-dropout"] as const satisfies readonly Defect[]) {
      const runs = Array.from({ length: 5 }, (_, n) => judged(500 + n, { defect, motion: "regripped" }));
      expect(runs.filter(({ codes }) => codes.includes(defect)).length, defect).toBeGreaterThanOrEqual(4);
    }
  });

  it("what the raster says of it: standstill, jerk and stop are set aside, and nothing is marked lost", () => {
    const { capture, made } = judged(303, { defect: "clean", motion: "rest-to-rest", sensor: "active-2wire" });
    const raster = ringRaster(capture, 0, made.poles)!;
    expect(raster.aside.some(Boolean)).toBe(true);
    expect(raster.missing.some(Boolean)).toBe(false);
  });
});

describe("one cause, one finding", () => {
  it("what is lost with the supply is no loose signal wire besides", () => {
    for (let n = 0; n < 5; n++) {
      const { codes } = judged(700 + n, { defect: "supply-dip", motion: "driven", sensor: "active-3wire" });
      expect(codes).toContain("supply-dip");
      expect(codes).not.toContain("random-dropout");
    }
  });

  it("noise of a coil at rest is noise, however high it stands", () => {
    for (let n = 0; n < 5; n++) {
      const { faults } = judged(800 + n, { defect: "noise-at-rest", sensor: "passive" });
      expect(faults).toEqual(["noise-at-rest"]);
    }
  });
});

describe("the motion behind a pulse list", () => {
  const periodsFrom = (speedOf: (pole: number) => number, poles: number) =>
    Float64Array.from({ length: poles }, (_, i) => 1 / speedOf(i));

  it("under any steady torque, from rest or to rest, v² is straight over the angle and nothing is lost", () => {
    const starting = periodsFrom((pole) => Math.sqrt(0.5 + pole), 60);
    const stopping = periodsFrom((pole) => Math.sqrt(60.5 - pole), 60);
    for (const periods of [starting, stopping]) expect(Math.max(...motionOf(periods).poles)).toBe(1);
  });

  it("a period as long as several that both sides agree on is that many poles", () => {
    for (const lost of [1, 2, 5]) {
      const periods = periodsFrom((pole) => 10 + 0.01 * pole, 60);
      periods[30]! *= 1 + lost;
      expect([...motionOf(periods).poles].filter((poles) => poles > 1)).toEqual([1 + lost]);
    }
  });

  it("a pause of any length between slowing and starting says nothing", () => {
    const periods = Float64Array.from([
      ...periodsFrom((pole) => Math.sqrt(30.5 - pole), 30),
      40,
      ...periodsFrom((pole) => Math.sqrt(0.5 + pole), 30),
    ]);
    const { poles, aside } = motionOf(periods);
    expect(Math.max(...poles)).toBe(1);
    expect(aside[30]).toBe(1);
  });
});
