/** Captures made by other means than the app's own car (bench/wave-maker.ts), seeds the detectors were not tuned on. */
import { quantile } from "simple-statistics";
import { beforeAll, describe, expect, it } from "vitest";
import { makeWave, type Made } from "../../../bench/wave-maker";
import { findingSays } from "../checks/findings/findings";
import { analyseCapture, type ChannelAnalysis } from "./analyse";

const FIRST = 40_000;
const COUNT = 64;
let seen: { made: Made; one: ChannelAnalysis }[] = [];

const analysed = (made: Made) =>
  analyseCapture(
    {
      name: "made",
      sampleS: 1 / made.rate,
      startS: 0,
      channels: [{ name: "signal", unit: "V", samples: made.samples }],
    },
    { pulses: made.pulses, family: made.passive ? "passive" : "active-2wire" },
  )[0]!;

beforeAll(() => {
  seen = Array.from({ length: COUNT }, (_, i) => {
    const made = makeWave(FIRST + i);
    return { made, one: analysed(made) };
  });
}, 120_000);

describe("captures of another generator", () => {
  it("are named for what was built into them", () => {
    const right = seen.filter(({ made, one }) =>
      made.defect === "clean" ? one.findings.length === 0 : one.findings.some(({ code }) => code === made.defect),
    );
    expect(right.length / COUNT).toBeGreaterThan(0.97);
  });

  it("a clean one is called clean", () => {
    const clean = seen.filter(({ made }) => made.defect === "clean");
    expect(clean.length).toBeGreaterThan(3);
    for (const { one } of clean) expect(one.findings).toEqual([]);
  });

  it("the tooth is the one that was spoilt", () => {
    const spoilt = seen.filter(
      ({ made, one }) => made.tooth !== null && one.findings.some(({ code }) => code === made.defect),
    );
    const exact = spoilt.filter(
      ({ made, one }) => one.findings.find(({ code }) => code === made.defect)!.tooth === made.tooth,
    );
    expect(spoilt.length).toBeGreaterThan(9);
    expect(exact.length / spoilt.length).toBeGreaterThan(0.95);
  });

  it("speed is within half a per cent, in nineteen of twenty", () => {
    const errors = seen.flatMap(({ made, one }) =>
      one.speedKmh && ["clean", "probe-spike", "cracked-ring"].includes(made.defect)
        ? [Math.abs(one.speedKmh.median / made.medianKmh - 1)]
        : [],
    );
    expect(errors.length).toBeGreaterThan(10);
    expect(quantile(errors, 0.9)).toBeLessThan(0.005);
    expect(quantile(errors, 0.5)).toBeLessThan(0.002);
  });

  it("the ring's own count is found or not told, and hardly ever told wrong, least of all from a loose wire's losses", () => {
    const told = seen.filter(({ made, one }) => one.signaturePulses !== null && made.defect !== "noise-at-rest");
    const wrong = told.filter(({ made, one }) => one.signaturePulses !== made.pulses);
    expect(told.length).toBeGreaterThan(23);
    expect(wrong.length / told.length).toBeLessThan(0.04);
    const loose = seen.filter(({ made }) => made.defect === "random-dropout");
    expect(loose.length).toBeGreaterThan(3);
    const misled = loose.filter(({ made, one }) => (one.signaturePulses ?? made.pulses) !== made.pulses);
    expect(misled.length / loose.length).toBeLessThan(0.15);
  });

  it("what is found lies where it happened, inside the recording", () => {
    for (const { made, one } of seen)
      for (const finding of one.findings) {
        const { startS, endS, confidence } = finding;
        expect(startS).toBeGreaterThanOrEqual(0);
        expect(endS).toBeLessThanOrEqual(made.samples.length / made.rate + 1e-6);
        expect(startS).toBeLessThanOrEqual(endS);
        expect(confidence).toBeGreaterThan(0);
        expect(confidence).toBeLessThanOrEqual(1);
        expect(findingSays(finding)).not.toMatch(/NaN|undefined|Infinity/);
      }
  });
});
