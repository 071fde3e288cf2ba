import fc from "fast-check";
import { medianSorted } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { normal, seeded } from "../random/random";
import { levelled } from "./levelled";
import { analyseCapture } from "./analyse";
import { markerWords, markerReadout, markersIn, movedMarker, movedTo, nearerMarker } from "./markers";
import { findPulses, guardV, rhythmOf, type Pulse } from "./pulses";
import { signalShape, type SignalShape } from "./signal";
import { someSamples } from "./some-samples";
import { runName, toothRuns } from "./tooth-runs";

/** A square wave with noise and a slow change of speed. */
function square(count: number, period: number, noise: number, seed: number): Float32Array {
  const random = seeded(seed);
  let phase = random();
  return Float32Array.from({ length: count }, (_, i) => {
    phase += (1 + 0.2 * Math.sin(i / 900)) / period;
    return (phase % 1 < 0.5 ? 0.84 : 1.66) + noise * normal(random);
  });
}

/** Hysteresis as a textbook has it, sample by sample, all conditions looked at each time. */
function plainPulses(samples: Float32Array, shape: SignalShape): Pulse[] {
  const middle = shape.kind === "two-level" ? (shape.lowV + shape.highV) / 2 : shape.meanV;
  const guard = guardV(shape);
  const pulses: Pulse[] = [];
  let high = samples[0]! > middle;
  let [rise, fall, crossing, least, most] = [NaN, NaN, 0, Infinity, -Infinity];
  for (let i = 1; i < samples.length; i++) {
    const [before, value] = [samples[i - 1]!, samples[i]!];
    least = Math.min(least, value);
    most = Math.max(most, value);
    if (before <= middle !== value <= middle) crossing = i - 1 + (middle - before) / (value - before);
    if (!high && value > middle + guard) {
      high = true;
      if (!Number.isNaN(rise))
        pulses.push({ at: rise, duty: (fall - rise) / (crossing - rise), heightV: most - least });
      rise = crossing;
      [fall, least, most] = [NaN, value, value];
    } else if (high && value < middle - guard) {
      high = false;
      fall = crossing;
    }
  }
  if (!Number.isNaN(rise)) pulses.push({ at: rise, duty: NaN, heightV: NaN });
  return pulses;
}

describe("pulses", () => {
  it("found in two loops by turns are those of plain hysteresis, to the last bit", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 400 }),
        fc.double({ min: 0, max: 0.12, noNaN: true }),
        fc.nat(1e6),
        (period, noise, seed) => {
          const samples = square(4000, period, noise, seed);
          const shape = signalShape(samples);
          if (shape.kind === "flat") return;
          expect(findPulses(samples, shape)).toEqual(plainPulses(samples, shape));
        },
      ),
      { numRuns: 150 },
    );
  });

  it("their usual period about each is the median a statistics package gives for the same window", () => {
    const random = seeded(8);
    let at = 0;
    const pulses = Array.from({ length: 300 }, (_, i): Pulse => {
      at += (i === 120 ? 2 : 1) * (40 + 6 * random());
      return { at, duty: 0.5, heightV: 1 };
    });
    const { periods, ratios, teeth } = rhythmOf(pulses);
    for (let i = 0; i < periods.length; i++) {
      // A loss is told by the wheel's motion, and is a whole number of pulses.
      if (i === 119) expect(ratios[i]).toBe(2);
      if (i === 119) continue;
      const from = Math.max(0, Math.min(i - 7, periods.length - 15));
      expect(ratios[i]).toBeCloseTo(
        periods[i]! / medianSorted([...periods.slice(from, from + 15)].sort((a, b) => a - b)),
        9,
      );
    }
    expect(teeth.at(-1)).toBe(300);
  });

  it("of fewer than a window's worth still have a rhythm", () => {
    for (const count of [0, 1, 2, 3, 9]) {
      const pulses = Array.from({ length: count }, (_, i): Pulse => ({ at: 10 * i, duty: 0.5, heightV: 1 }));
      const { ratios, teeth } = rhythmOf(pulses);
      expect(ratios).toHaveLength(Math.max(0, count - 1));
      for (const ratio of ratios) expect(ratio).toBe(1);
      expect(teeth).toHaveLength(Math.max(1, count));
    }
  });
});

describe("a long recording judged by some of its samples", () => {
  it("has the levels of the whole, even where a fixed stride would fall into step with the signal", () => {
    const count = 2_000_000;
    const period = count / 200_000;
    const samples = Float32Array.from({ length: count }, (_, i) => (i % period < period / 2 ? 0.84 : 1.66));
    const some = someSamples(samples);
    expect(some).toHaveLength(200_000);
    const high = some.filter((value) => value > 1).length / some.length;
    expect(high).toBeGreaterThan(0.48);
    expect(high).toBeLessThan(0.52);
    const shape = signalShape(samples);
    expect(shape.kind).toBe("two-level");
    expect(shape.lowV).toBeCloseTo(0.84, 2);
    expect(shape.highV).toBeCloseTo(1.66, 2);
    expect(someSamples(samples.subarray(0, 1000))).toHaveLength(1000);
  });

  it("is put straight when it wanders, however long, and left alone when it does not", () => {
    const steady = square(900_000, 220, 0.01, 4);
    expect(levelled(steady).samples).toBe(steady);
    expect(levelled(steady).found!.pulses.length).toBeGreaterThan(4000);
    const wandering = steady.map((value, i) => value + 0.5 * Math.sin(i / 90_000));
    const { samples, found } = levelled(wandering);
    expect(found).toBeNull();
    const shape = signalShape(samples);
    expect(shape.highV - shape.lowV).toBeCloseTo(0.82, 1);
    expect(signalShape(wandering).kind).not.toBe("two-level");
    expect(shape.kind).toBe("two-level");
  });
});

describe("two markers on a trace", () => {
  // 205/55R16: D = 16·25.4 + 2·0.55·205 = 631.9 mm, 3.05·D = 1.927 m; 48 pulses; 55.7 Hz is 8.05 km/h (UNECE R30, ETRTO).
  const sampleS = 1e-4;
  const samples = Float32Array.from({ length: 20_000 }, (_, i) => ((55.7 * i * sampleS) % 1 < 0.5 ? 0.8 : 1.6));
  const trace = { sampleS, startS: 0.5 };
  const [analysed] = analyseCapture({ name: "even", ...trace, channels: [{ name: "signal", unit: "V", samples }] });
  const times = analysed!.pulseTimesS;

  it("read time, frequency, whole pulses, speed and levels between them", () => {
    const read = markerReadout({ samples }, trace, times, { aS: 0.6, bS: 1.6 }, 48, "205/55R16");
    expect(read.deltaS).toBeCloseTo(1, 9);
    expect(read.hertz).toBeCloseTo(1, 9);
    expect(read.pulses).toBeGreaterThanOrEqual(54);
    expect(read.meanHertz).toBeCloseTo(55.7, 1);
    expect(read.speedKmh).toBeCloseTo(8.05, 1);
    expect([0.8, 1.6]).toContain(Number(read.aV.toFixed(4)));
    const said = markerWords(read, "V");
    expect(said[0]).toBe("Δt 1000.00 ms");
    expect(said.join(" · ")).toMatch(/1\/Δt 1\.0 Hz · 5\d pulses at 55\.7 Hz · 8\.[01] km\/h · Δ /);
  });

  it("read backwards too, and nothing of speed where the count is unknown or no pulse lies between", () => {
    const back = markerReadout({ samples }, trace, times, { aS: 1.6, bS: 0.6 }, null, "205/55R16");
    expect(back.deltaS).toBeCloseTo(-1, 9);
    expect(back.speedKmh).toBeNull();
    expect(back.meanHertz).toBeCloseTo(55.7, 1);
    const near = markerReadout({ samples }, trace, times, { aS: 0.7, bS: 0.7 }, 48, "205/55R16");
    expect([near.hertz, near.meanHertz, near.speedKmh, near.pulses]).toEqual([null, null, null, 0]);
  });

  it("start within the view, move by shares of it, and stay on the recording", () => {
    const markers = markersIn([1, 4]);
    expect(markers).toEqual({ aS: 2, bS: 3 });
    expect(movedMarker(markers, "bS", 0.1, [1, 4], [0, 10]).bS).toBeCloseTo(3.3, 9);
    expect(movedMarker(markers, "aS", -5, [1, 4], [0, 10]).aS).toBe(0);
    expect(movedTo(markers, "bS", 99, [0, 10]).bS).toBe(10);
    expect([nearerMarker(markers, 2.1), nearerMarker(markers, 2.9)]).toEqual(["aS", "bS"]);
  });
});

it("teeth side by side are one run, those apart are named each", () => {
  const names = (teeth: number[]) => toothRuns(teeth).map(runName);
  expect(names([])).toEqual([]);
  expect(names([9])).toEqual(["9"]);
  expect(names([9, 10, 11])).toEqual(["9–11"]);
  expect(names([9, 25])).toEqual(["9", "25"]);
  expect(names([3, 4, 17, 30, 31])).toEqual(["3–4", "17", "30–31"]);
});
