import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { analyseCapture } from "../waveform/analyse";
import { isUsable } from "../waveform/usable";
import { fitsWav } from "./capture";
import { captureToCsv, parseCaptureCsv } from "./csv";
import type { Capture } from "./capture";
import { Rolling } from "./rolling";
import { alternatingRms, clippedShare, dividerFor, driveOf, LINE_INPUT_PEAK_V, voltsPerUnit } from "./sound-scale";

describe("what to put before a sound input", () => {
  // Voltage divider, any circuits text: 100 kΩ over 10 kΩ leaves 1/11.
  it("leaves of the signal what the divider formula gives, and never more than the input takes", () => {
    for (const peakV of [1, 3, 9, 20, 60]) {
      const { seriesOhms, shuntOhms, share } = dividerFor(peakV);
      expect(share).toBeCloseTo(1 / (1 + seriesOhms / shuntOhms), 12);
      expect(share * peakV).toBeLessThanOrEqual(LINE_INPUT_PEAK_V);
    }
    expect(dividerFor(9.9).shuntOhms).toBe(10_000);
    expect(() => dividerFor(1e5)).toThrow(RangeError);
  });

  it("a sine of 1.2 V RMS recorded at 0.3 of full scale is 4 V a unit times √2; noise calibrates nothing", () => {
    const sine = Float32Array.from({ length: 48_000 }, (_, i) => 0.3 * Math.sin((2 * Math.PI * 120 * i) / 48_000));
    expect(voltsPerUnit(1.2, alternatingRms(sine))! / (1.2 / (0.3 / Math.SQRT2))).toBeCloseTo(1, 6);
    expect(voltsPerUnit(1.2, 0.0001)).toBeNull();
    expect(clippedShare(Float32Array.of(0, 1, -1, 0.5))).toBe(0.5);
    expect(driveOf([sine], 1)!.filled).toBeCloseTo(0.3, 3);
    expect(driveOf([sine], 20)).toEqual({ filled: expect.closeTo(0.015, 4), tooLow: true });
    expect(driveOf([sine], Infinity)).toBeNull();
  });
});

describe("a rolling recording", () => {
  it("holds the last of what was laid in, whatever the blocks (property, against a plain list)", () => {
    fc.assert(
      fc.property(
        fc.array(fc.float32Array({ maxLength: 30, noNaN: true }), { maxLength: 12 }),
        fc.integer({ min: 1, max: 40 }),
        (blocks, asked) => {
          const rolling = new Rolling(["a", "b"], 0.001, 0.025);
          const all: number[] = [];
          for (const block of blocks) {
            rolling.lay([block, block.map((value) => -value)]);
            all.push(...block);
          }
          const last = rolling.last(asked / 1000, "r");
          if (all.length === 0) expect(last).toBeNull();
          else {
            const kept = all.slice(-Math.min(asked, 25));
            expect([...last!.channels[0]!.samples]).toEqual(kept);
            expect([...last!.channels[1]!.samples].map((value) => 0 - value)).toEqual(kept.map((value) => value + 0));
            expect(last!.startS).toBeCloseTo((all.length - kept.length) / 1000, 9);
          }
        },
      ),
    );
  });
});

describe("a computer too busy to listen", () => {
  const RATE = 48_000;
  const options = { family: "passive", pulses: 44, tyre: "205/55R16" } as const;
  const sine = (seconds: number) =>
    Float32Array.from(
      { length: seconds * RATE },
      (_, i) => 0.4 * Math.sin((2 * Math.PI * 120 * i) / RATE) + 1e-4 * Math.sin(i * i),
    );
  const laid = (samples: Float32Array) => {
    const rolling = new Rolling(["signal"], 1 / RATE, 30);
    for (let at = 0; at < samples.length; at += 1024) rolling.lay([samples.subarray(at, at + 1024)]);
    return rolling;
  };

  it("leaves a hole no wire made: the longest whole stretch is kept, and how much is gone is told", () => {
    const samples = sine(10).fill(0, 2.5 * RATE, 2.52 * RATE);
    const rolling = laid(samples);
    const kept = rolling.last(20, "sound")!;
    expect(rolling.lostS).toBeCloseTo(0.02, 3);
    expect(kept.startS).toBeCloseTo(2.52, 3);
    const codes = (capture: Capture) => analyseCapture(capture, options)[0]!.findings.map(({ code }) => code);
    expect(codes({ ...kept, channels: kept.channels.map((one) => ({ ...one, samples })) })).toContain("random-dropout");
    expect(codes(kept)).not.toContain("random-dropout");
  });

  it("is not told from an input that is still", () => {
    const rolling = laid(sine(6).fill(0, 2 * RATE, 3 * RATE));
    expect(rolling.lostS).toBe(0);
    expect(rolling.last(20, "sound")!.channels[0]!.samples.length).toBe(6 * RATE);
  });
});

describe("an input that was never calibrated", () => {
  it("is judged by its times alone: a small sine is no weak sensor", () => {
    const samples = Float32Array.from({ length: 96_000 }, (_, i) => 0.02 * Math.sin((2 * Math.PI * 120 * i) / 48_000));
    const capture = (scale?: "unknown") => ({
      name: "sound",
      sampleS: 1 / 48_000,
      startS: 0,
      channels: [{ name: "signal", unit: "V" as const, ...(scale ? { scale } : {}), samples }],
    });
    const options = { family: "passive", pulses: 44, tyre: "205/55R16" } as const;
    const codes = (one: ReturnType<typeof capture>) =>
      analyseCapture(one, options)[0]!.findings.map(({ code }) => code);
    expect(codes(capture())).toContain("low-amplitude");
    expect(codes(capture("unknown"))).toEqual([]);
    const [uncalibrated] = analyseCapture(capture("unknown"), options);
    expect(uncalibrated!.warnings.join()).toMatch(/Not calibrated/);
    expect(isUsable(uncalibrated!)).toBe(false);
    expect(isUsable(analyseCapture(capture(), options)[0]!)).toBe(true);
    // Nor does it turn into volts by way of a file.
    const back = parseCaptureCsv(captureToCsv(capture("unknown")), "f");
    expect(back.channels[0]).toMatchObject({ name: "signal", scale: "unknown" });
    expect(parseCaptureCsv(captureToCsv(capture()), "f").channels[0]!.scale).toBeUndefined();
    expect([fitsWav(capture()), fitsWav(capture("unknown"))]).toEqual([true, false]);
  });
});
