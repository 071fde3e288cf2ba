import { someSamples, someSecondDifferences } from "./some-samples";

export type SignalKind = "two-level" | "sine" | "pulse-width" | "three-level" | "flat" | "noise";

/** The gross shape of a channel. */
export interface SignalShape {
  kind: SignalKind;
  lowV: number;
  highV: number;
  meanV: number;
  peakToPeakV: number;
  /** RMS of the sample-to-sample noise, volts. */
  noiseV: number;
}

/** What an output is pulled up to: 5 V less a tenth (from memory). */
export const LEAST_PULL_UP_V = 4.4;

const BINS = 128;
/** Range and noise need no more samples than this. */
const JUDGED = 20_000;
/** A square wave spends this share of its samples near one of its two levels; a sine about half. */
const TWO_LEVEL_SHARE = 0.78;
const NEAR_LEVEL = 0.16;

/** Finds levels and kind of a channel from its amplitude histogram and its sample-to-sample noise. */
export function signalShape(recorded: Float32Array): SignalShape {
  const [least, most] = trimmedRange(recorded);
  const span = most - least;
  const noiseV = differenceNoise(recorded);
  const samples = someSamples(recorded);
  let sum = 0;
  for (let i = 0; i < samples.length; i++) sum += samples[i]!;
  const mean = sum / samples.length;
  const base = { meanV: mean, peakToPeakV: span, noiseV };
  if (span < Math.max(7 * noiseV, 0.004)) {
    const loud = noiseV > Math.max(LOUD_V, 1.5 * quantum(recorded), OF_LEVEL * Math.abs(mean));
    return { kind: loud ? "noise" : "flat", lowV: mean, highV: mean, ...base };
  }
  const { low, high } = twoModes(samples, least, most);
  let near = 0;
  for (let i = 0; i < samples.length; i++)
    if (Math.abs(samples[i]! - low) < NEAR_LEVEL * span || Math.abs(samples[i]! - high) < NEAR_LEVEL * span) near++;
  if (near / samples.length > TWO_LEVEL_SHARE && high - low > 0.5 * span && high - low > 5 * noiseV)
    return { kind: "two-level", lowV: low, highV: high, ...base };
  return { kind: noiseV > 0.22 * span ? "noise" : "sine", lowV: least, highV: most, ...base };
}

/** A quiet input shows a few millivolts; a leaking coil or an open ground many times that (judgement). */
const LOUD_V = 0.02;
/** An instrument's own noise goes with the range it is set to, which holds at least the level it stands at (judgement). */
const OF_LEVEL = 0.015;

/** One step of eight bits over 40 V: a quiet recording of two far values shows no smaller one. */
export const WIDEST_STEP_V = 0.2;

/** Smallest step between samples: what the converter can tell apart. */
export function quantum(samples: Float32Array): number {
  let least = Infinity;
  for (let i = 1; i < Math.min(samples.length, 20_000); i++) {
    const step = Math.abs(samples[i]! - samples[i - 1]!);
    if (step > 1e-7 && step < least) least = step;
  }
  return least === Infinity ? 0 : Math.min(least, WIDEST_STEP_V);
}

/** Range without the outermost 0.2 % on each side, so that one spike does not set it. */
function trimmedRange(samples: Float32Array): [number, number] {
  const some = someSamples(samples, JUDGED).slice();
  some.sort();
  const cut = Math.floor(some.length * 0.002);
  return [some[cut]!, some[some.length - 1 - cut]!];
}

/** The fuller halves' modes: where the lower and the upper half of the range have most samples. */
function twoModes(samples: Float32Array, least: number, most: number): { low: number; high: number } {
  const counts = new Float64Array(BINS);
  const width = (most - least) / BINS || 1;
  for (let i = 0; i < samples.length; i++)
    counts[Math.min(BINS - 1, Math.max(0, Math.floor((samples[i]! - least) / width)))]! += 1;
  const mode = (from: number, to: number) => {
    let best = from;
    for (let bin = from; bin < to; bin++) if (smooth(counts, bin) > smooth(counts, best)) best = bin;
    let [sum, at] = [0, 0];
    for (let bin = Math.max(from, best - 3); bin <= Math.min(to - 1, best + 3); bin++) {
      sum += counts[bin]!;
      at += counts[bin]! * (bin + 0.5);
    }
    return least + (at / sum) * width;
  };
  return { low: mode(0, BINS / 2), high: mode(BINS / 2, BINS) };
}

function smooth(counts: Float64Array, bin: number): number {
  return (counts[bin - 1] ?? 0) + counts[bin]! + (counts[bin + 1] ?? 0);
}

function differenceNoise(samples: Float32Array): number {
  return noiseByBends(someSecondDifferences(samples, JUDGED));
}

/** RMS noise from the sizes of second differences, median-based so that edges do not count: σ = median|d²| / (0.6745·√6). */
export function noiseByBends(sizes: Float64Array): number {
  sizes.sort();
  return (sizes[sizes.length >> 1] ?? 0) / (0.6745 * Math.sqrt(6));
}
