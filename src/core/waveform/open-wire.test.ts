/**
 * What a coil's recording looks like while a wire is open: the mains it picks up, a contact that chatters, an input left
 * floating; and what looks like it and is none. Shapes as they are met (common practice, no source).
 */
import { describe, expect, it } from "vitest";
import { coarser } from "../capture/coarser";
import type { Capture } from "../capture/capture";
import { seeded } from "../random/random";
import { analyseCapture, type AnalyseOptions } from "./analyse";

const RATE = 10_000;
const TEETH = 48;

interface Shaft {
  seconds: number;
  /** Turns a second at a time. */
  speedAt: (t: number) => number;
  /** Width of each slot in pitches; one where nothing is said. */
  slot?: (tooth: number) => number;
  /** Height of each tooth, near one where nothing is said. */
  height?: (tooth: number) => number;
}
const idling: Shaft = { seconds: 6, speedAt: (t) => 1.1 + 0.02 * Math.sin(0.9 * t) };
const running: Shaft = { seconds: 6, speedAt: (t) => Math.max(0, 1.9 * Math.min(1, t / 0.4) - 0.25 * t) };

/** A coil over a ring of raised-cosine teeth: some volts at one turn a second. */
function coil({ seconds, speedAt, slot, height }: Shaft, random: () => number, rate = RATE): Float32Array {
  const widths = Array.from({ length: TEETH }, (_, k) => slot?.(k) ?? 1);
  const whole = widths.reduce((sum, one) => sum + one, 0);
  const edges = widths.reduce<number[]>((all, one) => [...all, all.at(-1)! + one / whole], [0]);
  const [heights, samples] = [
    widths.map((_, k) => (height?.(k) ?? 1) + 0.02 * (random() - 0.5)),
    new Float32Array(seconds * rate),
  ];
  let [turn, tooth] = [0, 0];
  for (let i = 0; i < samples.length; i++) {
    const speed = speedAt(i / rate);
    turn += speed / rate;
    const at = turn % 1;
    while (at < edges[tooth]! || at >= edges[tooth + 1]!) tooth = (tooth + 1) % TEETH;
    const phase = (2 * Math.PI * (at - edges[tooth]!)) / (edges[tooth + 1]! - edges[tooth]!);
    samples[i] =
      0.5 * heights[tooth]! * speed * (Math.sin(phase) + 0.1 * Math.sin(2 * phase)) + 0.004 * (random() - 0.5);
  }
  return samples;
}

type Moment = [fromS: number, toS: number];
/** The recording with something else in its place while the wire is open. */
function opened(samples: Float32Array, moments: readonly Moment[], open: (t: number) => number, rate = RATE) {
  return samples.map((value, i) =>
    moments.some(([from, to]) => i >= from * rate && i < to * rate) ? open(i / rate) : value,
  );
}
const hum = (hz: number, volts: number) => (t: number) =>
  volts * (Math.sin(2 * Math.PI * hz * t) + 0.2 * Math.sin(6 * Math.PI * hz * t + 1));

const capture = (samples: Float32Array, rate = RATE): Capture => ({
  name: "made",
  sampleS: 1 / rate,
  startS: 0,
  channels: [{ name: "signal", unit: "V", samples }],
});
const analysed = (samples: Float32Array, options: AnalyseOptions = {}) =>
  analyseCapture(capture(samples), { family: "passive", ...options })[0]!;
const told = (samples: Float32Array, options?: AnalyseOptions) =>
  analysed(samples, options).findings.map(({ code }) => code as string);

describe("a wire that opens", () => {
  const moments: Moment[] = [
    [2.1, 2.28],
    [3.5, 3.62],
  ];

  it.each([
    [50, 0.03],
    [50, 0.15],
    [60, 0.2],
  ])("loses pulses, though %d Hz of the mains stand in their place (%d V)", (hz, volts) => {
    const random = seeded(11 + hz);
    for (const shaft of [idling, running]) {
      const samples = opened(coil(shaft, random), moments, hum(hz, volts));
      const found = analysed(samples, { pulses: TEETH }).findings;
      expect(found.map(({ code }) => code)).toEqual(["random-dropout"]);
      // From one pulse beside the first to the other.
      expect(found[0]!.startS).toBeCloseTo(2.1, 1);
      expect(found[0]!.endS).toBeCloseTo(2.28, 1);
    }
  });

  it("and is heard through a sound input of six times the rate by every sixth sample as well", () => {
    const random = seeded(21);
    const samples = opened(coil(idling, random, 48_000), moments, hum(50, 0.05), 48_000);
    const [fine] = analyseCapture(capture(samples, 48_000), { pulses: TEETH });
    const [coarse] = analyseCapture(coarser(capture(samples, 48_000)), { pulses: TEETH });
    expect(coarse!.findings.map(({ code }) => code)).toEqual(["random-dropout"]);
    expect(fine!.findings.map(({ code }) => code)).toEqual(["random-dropout"]);
    expect(coarse!.findings[0]!.startS).toBeCloseTo(fine!.findings[0]!.startS, 2);
    expect(coarse!.pulses).toBe(fine!.pulses);
  });

  it("within a tooth loses no pulse, and is told by its two jumps", () => {
    const random = seeded(31);
    const chatter: Moment[] = Array.from({ length: 9 }, (_, k) => [3 + 0.011 * k, 3.004 + 0.011 * k]);
    const [one] = analysed(
      opened(coil(idling, random), chatter, () => 0.002),
      { pulses: TEETH },
    ).findings;
    expect(one).toMatchObject({ code: "random-dropout", facts: { times: 1, pulses: 0, within: true } });
    expect(one!.startS).toBeGreaterThan(2.99);
    expect(one!.endS).toBeLessThan(3.11);
  });

  it("takes an active sensor's level up to the battery at the supply side: no three-level protocol, no slipped probe", () => {
    const random = seeded(41);
    const levels = Float32Array.from(
      coil(idling, random),
      (volts) => (volts > 0 ? 11.2 : 10.5) + 0.01 * (random() - 0.5),
    );
    const samples = opened(levels, [[1, 1.35], ...moments], () => 13.2);
    expect(told(samples, { family: "active-2wire", pulses: TEETH })).toEqual(["random-dropout"]);
  });
});

describe("no wire that opens", () => {
  const braked = (t: number) => 1.1 - 0.95 * Math.max(0, Math.min(1, (t - 3) / 0.1, (3.8 - t) / 0.15));
  it.each<[string, Shaft, (value: number, i: number) => number]>([
    ["outward spikes of ignition", idling, (value, i) => (i % 1900 < 3 ? value + 1.5 : value)],
    ["a tooth hardly there", { ...idling, height: (k) => (k === 7 ? 0.2 : 1) }, (value) => value],
    ["a coarse converter", idling, (value) => Math.round(value / 0.13) * 0.13],
    ["a wheel braked and let go", { seconds: 8, speedAt: braked }, (value) => value],
  ])("is %s", (_what, shaft, seen) => {
    const found = told(coil(shaft, seeded(51)).map(seen), { pulses: TEETH });
    expect(found).not.toContain("random-dropout");
    expect(found).not.toContain("missing-pulses");
  });

  it("nor is the stair of a fast wave on a converter of few steps hash", () => {
    const pushed: Shaft = { seconds: 8, speedAt: (t) => 1.1 + 0.5 * Math.sin(9 * t) };
    const samples = coil(pushed, seeded(52)).map((value) => Math.round(value / 0.3) * 0.3);
    expect(told(samples, { pulses: TEETH })).not.toContain("interference");
  });
});

describe("a ring that is turned a little at a time", () => {
  it("is counted by all its turnings together, each too short to tell", () => {
    const random = seeded(61);
    // Two turns and a half, a stop, and again.
    const speedAt = (t: number) => (t % 3 < 2.3 ? 1.1 * Math.min(1, (t % 3) / 0.2, (2.3 - (t % 3)) / 0.2) : 0);
    const cracked: Shaft = { seconds: 36, speedAt, slot: (k) => (k === 20 ? 1.35 : 1) };
    const one = analysed(coil(cracked, random));
    expect(one.signaturePulses).toBe(TEETH);
    expect(one.findings.map(({ code }) => code)).toContain("cracked-ring");
  });
});
