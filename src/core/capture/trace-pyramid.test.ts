import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seeded } from "../random/random";
import { columnsOf } from "./columns";
import { lastSeconds, ownCopy } from "./last-seconds";
import { Rolling } from "./rolling";
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

describe("a trace as it is drawn while it rolls", () => {
  it("holds every sample in its column, each reaching to where the one before it ended", () => {
    const value = fc.float({ min: -5, max: 5, noNaN: true });
    fc.assert(
      fc.property(
        fc.float32Array({ minLength: 1, maxLength: 400 }),
        fc.integer({ min: 1, max: 60 }),
        value,
        (raw, count, at) => {
          const samples = raw.map((one) => (Number.isFinite(one) ? one : at));
          const { least, greatest } = columnsOf(samples, count);
          samples.forEach((one, i) => {
            const column = [...least.keys()].find((k) => Math.floor(((k + 1) * samples.length) / count) > i)!;
            expect(least[column]! <= one && one <= greatest[column]!).toBe(true);
          });
          const known = [...least.keys()].filter((k) => !Number.isNaN(least[k]!));
          known.slice(1).forEach((k, n) => {
            expect(least[k]! <= greatest[known[n]!]! && least[known[n]!]! <= greatest[k]!).toBe(true);
          });
        },
      ),
    );
  });

  it("is the same from what a rolling recording keeps for it as from the samples, whatever has given way", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 1, maxLength: 12 }), (blocks) => {
        const rolling = new Rolling(["a", "b"], 0.001, 2);
        let at = 0;
        for (const size of blocks) {
          const piece = Float32Array.from({ length: size }, () => 1 + Math.sin(at++ / 7) * Math.cos(at / 61));
          rolling.lay([piece, piece.map((one) => -one)]);
        }
        const [last, drawn] = [rolling.last(2, "x")!, rolling.columns(2, 10, 3)];
        if (!drawn) return void expect(at).toBeLessThan(32);
        // Whole pieces of 32 samples are drawn: what is newer or older than the last whole one is not yet.
        const from = Math.ceil(Math.round(last.startS / 0.001) / 32) * 32;
        last.channels.forEach(({ samples }, channel) => {
          const whole = [...samples].slice(
            from - Math.round(last.startS / 0.001),
            Math.floor(at / 32) * 32 - Math.round(last.startS / 0.001),
          );
          if (whole.length === 0) return;
          const { least, greatest } = drawn.channels[channel]!;
          const known = (all: Float32Array) => [...all].filter((one) => !Number.isNaN(one));
          expect(Math.min(...known(least))).toBeCloseTo(3 * Math.min(...whole), 4);
          expect(Math.max(...known(greatest))).toBeCloseTo(3 * Math.max(...whole), 4);
        });
      }),
    );
  });
});
