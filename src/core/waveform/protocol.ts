import { linearRegression } from "simple-statistics";
import type { SignalShape } from "./signal";
import type { Pulse } from "./pulses";
import { someSamples } from "./some-samples";

/** One message of the three-level protocol: a speed pulse and the bits after it. */
export interface Frame {
  timeS: number;
  /** Bits in the order sent; 1 where the level rises in mid-bit. */
  bits: string;
  /** Every bit had its change in the middle. */
  whole: boolean;
}

export interface ThreeLevel {
  shape: SignalShape;
  frames: Frame[];
}

/** Levels of the protocol are nominally 7, 14 and 28 mA: the middle one stands at a third of the step (from memory). */
const MIDDLE_AT = 1 / 3;
/** A wire open for longer than this part of a recording is looked at without the protocol. */
const MOST_LOST = 0.4;
/** A speed pulse of 50 µs (from memory) fills a tenth of a pole's time at motorway speed; a level in its own right fills half. */
const MOST_TOP = 0.25;
/** An open wire takes the signal from 7 mA to none, a third of the step; a coil that stood first swings as far down as up. */
const UNDER_LOWEST = 0.5;
const HARDLY_ANY = 0.002;
/** A level's own samples stand within this part of the whole step about it. */
const NEAR = 0.12;
const BITS = 9;
const BINS = 96;

/**
 * Recognises the three-level current protocol (speed pulse at the top level, then Manchester bits between the lower
 * two) and decodes it. Works on volts over the sense resistor or on current: only the ratios count.
 *
 * @returns null when the levels are not three in those ratios
 */
export function threeLevel(
  samples: Float32Array,
  shape: SignalShape,
  sampleS: number,
  startS: number,
): ThreeLevel | null {
  const some = someSamples(samples);
  // The lower level is the one it mostly stands at: while a wire is open there is something lower still.
  const lowV = fullest(some);
  const topV = highest(some);
  const step = topV - lowV;
  // Bits at full speed look like noise as a whole: then how quiet it is at its lowest level tells.
  const noiseV = shape.kind === "noise" ? spreadAt(some, lowV, NEAR * step) : shape.noiseV;
  if (step < 0.05 || step < 12 * noiseV) return null;
  const share = (from: number, to: number) => {
    let count = 0;
    for (let i = 0; i < some.length; i++) {
      const at = (some[i]! - lowV) / step;
      if (at >= from && at < to) count++;
    }
    return count / some.length;
  };
  const [low, middle, top] = [share(-NEAR, NEAR), share(MIDDLE_AT - NEAR, MIDDLE_AT + NEAR), share(0.85, 1.05)];
  const lost = share(-Infinity, -NEAR);
  if (top > MOST_TOP || share(-Infinity, -UNDER_LOWEST) > HARDLY_ANY) return null;
  if (low < 0.2 || lost > MOST_LOST || middle < 0.002 || top < 0.0005 || low + middle + top + lost < 0.9) return null;
  if (!hasModeAt(some, lowV, step)) return null;
  const middleV = lowV + MIDDLE_AT * step;
  const threshold = (middleV + topV) / 2;
  const frames: Frame[] = [];
  for (let i = 1; i < samples.length; i++) {
    if (!(samples[i - 1]! <= threshold && samples[i]! > threshold)) continue;
    let end = i;
    while (end < samples.length && samples[end]! > threshold) end++;
    frames.push(readFrame(samples, i, end, (lowV + middleV) / 2, sampleS, startS));
    i = end;
  }
  // Between two speed pulses there are bits; a wheel's own pulses, dozens of them, are a sensor's whose wire opened twice.
  const isBits = risesOver(samples, (lowV + middleV) / 2) <= (BITS + 1) * (frames.length + 1);
  return frames.length < 2 || !isBits
    ? null
    : { shape: { ...shape, kind: "two-level", lowV: middleV, highV: topV, noiseV }, frames };
}

function risesOver(samples: Float32Array, levelV: number): number {
  let rises = 0;
  for (let i = 1; i < samples.length; i++) if (samples[i - 1]! <= levelV && samples[i]! > levelV) rises++;
  return rises;
}

/** Root mean square distance from a level of what stands near it. */
function spreadAt(samples: Float32Array, levelV: number, nearV: number): number {
  let [square, count] = [0, 0];
  for (const value of samples)
    if (Math.abs(value - levelV) < nearV) {
      square += (value - levelV) ** 2;
      count++;
    }
  return Math.sqrt(square / Math.max(1, count));
}

/** A bit is two halves as long as the speed pulse; sampled in the middle of each half. */
function readFrame(
  samples: Float32Array,
  from: number,
  end: number,
  threshold: number,
  sampleS: number,
  startS: number,
): Frame {
  const half = end - from;
  let bits = "";
  let whole = true;
  for (let bit = 0; bit < BITS; bit++) {
    const first = samples[Math.round(end + (2 * bit + 0.5) * half)];
    const second = samples[Math.round(end + (2 * bit + 1.5) * half)];
    if (first === undefined || second === undefined) return { timeS: startS + from * sampleS, bits, whole: false };
    const [a, b] = [first > threshold, second > threshold];
    if (a === b) whole = false;
    bits += b ? "1" : "0";
  }
  return { timeS: startS + from * sampleS, bits, whole };
}

/** A true middle level is a heap of samples, not the flank of edges. */
function hasModeAt(samples: Float32Array, least: number, step: number): boolean {
  const counts = new Float64Array(BINS);
  for (const value of samples)
    counts[Math.min(BINS - 1, Math.max(0, Math.floor(((value - least) / step) * BINS)))]! += 1;
  const around = (at: number) => {
    let best = 0;
    for (let bin = Math.floor((at - 0.06) * BINS); bin <= (at + 0.06) * BINS; bin++)
      best = Math.max(best, counts[bin] ?? 0);
    return best;
  };
  return around(MIDDLE_AT) > 3 * around(0.62) + 4;
}

/** Middle of the fullest of as many bins. */
function fullest(samples: Float32Array): number {
  let [least, most] = [Infinity, -Infinity];
  for (const value of samples) {
    if (value < least) least = value;
    if (value > most) most = value;
  }
  const width = (most - least) / BINS || 1;
  const counts = new Float64Array(BINS);
  const sums = new Float64Array(BINS);
  for (const value of samples) {
    const bin = Math.min(BINS - 1, Math.floor((value - least) / width));
    counts[bin]! += 1;
    sums[bin]! += value;
  }
  const bin = counts.indexOf(Math.max(...counts));
  return sums[bin]! / counts[bin]!;
}

function highest(samples: Float32Array): number {
  const every = Math.max(1, Math.floor(samples.length / 50_000));
  const sorted = samples.filter((_, i) => i % every === 0).sort();
  return sorted[sorted.length - 1 - Math.floor(sorted.length * 0.0004)]!;
}

/** One class of pulse width of a width-coded sensor. */
export interface WidthClass {
  us: number;
  count: number;
}

const SAME_WIDTH = 0.18;
/** A coded width varies less than this part of what its share of the period does. */
const STILL = 0.6;
const MOST_CLASSES = 6;
/** Coded pulses of 45 to 360 µs (from memory) fill less of a pole at any pace of a hand. */
const PLAIN_DUTY = 0.22;
/**
 * A plain sensor whose field just reaches its threshold is high for the share d where a wave's crest stands over cos(πd):
 * at a tenth that is 5 % under the crest, which is what poles differ by, so that it would have lost some (the spacing law).
 */
const SHORT_DUTY = 0.1;

/**
 * Recognises pulse-width coding: pulses keep one of a few fixed widths however fast the wheel turns. A plain sensor's
 * width goes with the period.
 *
 * @returns the widths, commonest first; null for a plain signal
 */
export function widthCoding(pulses: readonly Pulse[], periods: Float64Array, sampleS: number): WidthClass[] | null {
  const widths = [...periods].flatMap((period, i) =>
    Number.isFinite(pulses[i]!.duty) ? [{ width: period * pulses[i]!.duty, period, duty: pulses[i]!.duty }] : [],
  );
  if (widths.length < 20) return null;
  const duties = widths.map(({ duty }) => duty).sort((a, b) => a - b);
  const duty = duties[duties.length >> 1]!;
  // At an even pace width and share stand still both; what is this short is no plain sensor's that still gives every pole.
  const isShort = duty < SHORT_DUTY || duty > 1 - SHORT_DUTY;
  if ((spreadOf(duties) < 0.2 && !isShort) || goesWithPeriod(widths)) return null;
  const classes: { sum: number; count: number }[] = [];
  for (const { width } of widths) {
    const fit = classes.find(({ sum, count }) => Math.abs(width / (sum / count) - 1) < SAME_WIDTH);
    if (fit) {
      fit.sum += width;
      fit.count++;
    } else classes.push({ sum: width, count: 1 });
  }
  const large = classes.filter(({ count }) => count >= 0.03 * widths.length);
  const held = large.reduce((sum, { count }) => sum + count, 0);
  if (large.length > MOST_CLASSES || held < 0.93 * widths.length) return null;
  // One width that fills a fair part of the period is a plain sensor's at an even speed, its gap too large.
  if (large.length === 1 && duty > PLAIN_DUTY && duty < 1 - PLAIN_DUTY) return null;
  // Against its class: a coded width stands still while its share of the period moves; a plain one does the reverse.
  const usual = widths.map(({ width }) => {
    const own = classes.find(({ sum, count }) => Math.abs(width / (sum / count) - 1) < SAME_WIDTH);
    return own ? width / (own.sum / own.count) : 1;
  });
  const still = spreadOf(usual.toSorted((a, b) => a - b));
  const moving = spreadOf(usual.map((one, i) => one / widths[i]!.period).sort((a, b) => a - b));
  if (still > STILL * moving && !isShort) return null;
  return large
    .map(({ sum, count }) => ({ us: (1e6 * sampleS * sum) / count, count }))
    .sort((a, b) => b.count - a.count);
}

/** Whether a pulse is the longer, the longer its period: by the slope of the one's logarithm over the other's. */
function goesWithPeriod(widths: readonly { width: number; period: number }[]): boolean {
  const slope = linearRegression(
    widths.map(({ width, period }) => [Math.log(period), Math.log(Math.max(width, 1e-9))]),
  ).m;
  return slope > HALF_WAY && spreadOf(widths.map(({ period }) => period).sort((a, b) => a - b)) > MUCH_MOTION;
}

/** A coded width does not go with the period at all (slope 0), a plain one goes wholly (slope 1). */
const HALF_WAY = 0.5;
/** Periods that hardly change say nothing of it. */
const MUCH_MOTION = 0.3;

/** Range of the middle nine tenths of sorted values over their middle. */
function spreadOf(sorted: readonly number[]): number {
  const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))]!;
  return (at(0.95) - at(0.05)) / at(0.5);
}
