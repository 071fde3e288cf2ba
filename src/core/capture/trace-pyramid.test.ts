import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seeded } from "../random/random";
import { lastSeconds, ownCopy } from "./last-seconds";
import { TracePyramid } from "./trace-pyramid";

const noisy = (count: number, seed: number): Float32Array => {
  const random = seeded(seed);
  return Float32Array.from({ length: count }, () => random());
};

describe("a recording drawn from its pyramid", () => {
  it("shows every spike in view, at about the points asked for, whatever the zoom", () => {
    const samples = noisy(500_000, 3);
    const sampleS = 1e-4;
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: 0.01, max: 10, noNaN: true }),
        fc.nat(499_999),
        (fromS, lengthS, spikeAt) => {
          const spiked = samples.slice();
          spiked[spikeAt] = 99;
          const view = new TracePyramid(spiked, sampleS, 0).view(fromS, fromS + lengthS, 1600);
          const inside = spikeAt * sampleS > fromS && spikeAt * sampleS < Math.min(50, fromS + lengthS);
          const peak = view.find(([, value]) => value === 99);
          if (inside) {
            expect(peak).toBeDefined();
            expect(Math.abs(peak![0] - spikeAt * sampleS)).toBeLessThan(Math.max(0.01, lengthS / 400));
          }
          expect(view.length).toBeLessThan(4800);
          expect(view.map(([time]) => time)).toEqual(view.map(([time]) => time).toSorted((a, b) => a - b));
        },
      ),
      { numRuns: 60 },
    );
  });

  it("is the samples themselves once few enough are in view, and all of it without bounds", () => {
    const samples = noisy(20_000, 5);
    const pyramid = new TracePyramid(samples, 0.001, -1);
    const near = pyramid.view(-1 + 0.5, -1 + 0.6, 1600);
    expect(near.find(([time]) => Math.abs(time - (-1 + 0.55)) < 1e-9)![1]).toBe(samples[550]);
    const whole = pyramid.view(-Infinity, Infinity, 1600);
    expect(Math.abs(whole[0]![0] + 1)).toBeLessThan(20 / 800);
    expect(Math.max(...whole.map(([, value]) => value))).toBe(Math.max(...samples));
  });
});

describe("a rolling recorder's last seconds", () => {
  const capture = {
    name: "roll",
    sampleS: 0.01,
    startS: 2,
    channels: [{ name: "a", unit: "V" as const, samples: Float32Array.from({ length: 1000 }, (_, i) => i) }],
  };

  it("hold what came before the moment, less at the start, no more than there is at the end", () => {
    const middle = lastSeconds(capture, 7, 4);
    expect(middle.startS).toBeCloseTo(3, 9);
    expect(middle.channels[0]!.samples).toHaveLength(400);
    expect(middle.channels[0]!.samples.at(-1)).toBe(499);
    expect(lastSeconds(capture, 2.5, 4).channels[0]!.samples).toHaveLength(50);
    expect(lastSeconds(capture, 99, 4).channels[0]!.samples.at(-1)).toBe(999);
    expect(lastSeconds(capture, 0, 4).channels[0]!.samples).toHaveLength(0);
  });

  it("kept, they are a copy of their own", () => {
    const kept = ownCopy(lastSeconds(capture, 7, 1));
    kept.channels[0]!.samples[0] = -1;
    expect(capture.channels[0]!.samples).not.toContain(-1);
  });
});
