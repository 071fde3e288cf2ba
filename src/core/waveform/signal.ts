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

const BINS = 128;
/** A square wave spends this share of its samples near one of its two levels; a sine about half. */
const TWO_LEVEL_SHARE = 0.78;
const NEAR_LEVEL = 0.16;

/** Finds levels and kind of a channel from its amplitude histogram and its sample-to-sample noise. */
export function signalShape(samples: Float32Array): SignalShape {
  const [least, most] = trimmedRange(samples);
  const span = most - least;
  const noiseV = differenceNoise(samples);
  let mean = 0;
  for (const value of samples) mean += value / samples.length;
  const base = { meanV: mean, peakToPeakV: span, noiseV };
  if (span < Math.max(7 * noiseV, 0.004)) {
    const loud = noiseV > Math.max(LOUD_V, 1.5 * quantum(samples));
    return { kind: loud ? "noise" : "flat", lowV: mean, highV: mean, ...base };
  }
  const { low, high } = twoModes(samples, least, most);
  let near = 0;
  for (const value of samples)
    if (Math.abs(value - low) < NEAR_LEVEL * span || Math.abs(value - high) < NEAR_LEVEL * span) near++;
  if (near / samples.length > TWO_LEVEL_SHARE && high - low > 0.5 * span && high - low > 5 * noiseV)
    return { kind: "two-level", lowV: low, highV: high, ...base };
  return { kind: noiseV > 0.22 * span ? "noise" : "sine", lowV: least, highV: most, ...base };
}

/** A quiet input shows a few millivolts; a leaking coil or an open ground many times that (judgement). */
const LOUD_V = 0.02;

/** Smallest step between samples: what the converter can tell apart. */
function quantum(samples: Float32Array): number {
  let least = Infinity;
  for (let i = 1; i < Math.min(samples.length, 20_000); i++) {
    const step = Math.abs(samples[i]! - samples[i - 1]!);
    if (step > 1e-7 && step < least) least = step;
  }
  return least === Infinity ? 0 : least;
}

/** Range without the outermost 0.2 % on each side, so that one spike does not set it. */
function trimmedRange(samples: Float32Array): [number, number] {
  const step = Math.max(1, Math.floor(samples.length / 20_000));
  const some = new Float32Array(Math.ceil(samples.length / step));
  for (let i = 0; i < some.length; i++) some[i] = samples[i * step]!;
  some.sort();
  const cut = Math.floor(some.length * 0.002);
  return [some[cut]!, some[some.length - 1 - cut]!];
}

/** The fuller halves' modes: where the lower and the upper half of the range have most samples. */
function twoModes(samples: Float32Array, least: number, most: number): { low: number; high: number } {
  const counts = new Float64Array(BINS);
  const width = (most - least) / BINS || 1;
  for (const value of samples) counts[Math.min(BINS - 1, Math.max(0, Math.floor((value - least) / width)))]! += 1;
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

/** Noise from second differences, median-based so that edges do not count: σ = median|d²| / (0.6745·√6). */
function differenceNoise(samples: Float32Array): number {
  const step = Math.max(1, Math.floor(samples.length / 20_000));
  const differences: number[] = [];
  for (let i = 1; i + 1 < samples.length; i += step)
    differences.push(Math.abs(samples[i - 1]! - 2 * samples[i]! + samples[i + 1]!));
  differences.sort((a, b) => a - b);
  return (differences[differences.length >> 1] ?? 0) / (0.6745 * Math.sqrt(6));
}
