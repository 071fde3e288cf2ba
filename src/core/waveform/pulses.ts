import type { SignalShape } from "./signal";

/** One pulse of a turning wheel. */
export interface Pulse {
  /** Time of its rising crossing in samples, with fraction. */
  at: number;
  /** Share of the time to the next pulse spent high. */
  duty: number;
  /** Largest value less smallest value within the pulse, volts. */
  heightV: number;
}

/** Pulses shorter than this many samples cannot be told apart safely. */
export const FEWEST_SAMPLES_A_PULSE = 6;

/** How far past the middle a signal must go to count: a share of two levels' distance, or clear of the noise. */
export function guardV({ kind, lowV, highV, noiseV }: SignalShape): number {
  const span = highV - lowV;
  return kind === "two-level" ? 0.2 * span : Math.max(4.5 * noiseV, 0.05 * span);
}

/** Rising crossings of the middle level with hysteresis from the signal's own levels; edges are interpolated between samples. */
export function findPulses(samples: Float32Array, shape: SignalShape): Pulse[] {
  if (shape.kind === "flat") return [];
  const middle = shape.kind === "two-level" ? (shape.lowV + shape.highV) / 2 : shape.meanV;
  const guard = guardV(shape);
  const pulses: Pulse[] = [];
  let high = samples[0]! > middle;
  let [rise, fall, least, most] = [NaN, NaN, Infinity, -Infinity];
  let crossing = 0;
  for (let i = 1; i < samples.length; i++) {
    const value = samples[i]!;
    if (value < least) least = value;
    if (value > most) most = value;
    if (samples[i - 1]! <= middle !== value <= middle)
      crossing = i - 1 + (middle - samples[i - 1]!) / (value - samples[i - 1]!);
    if (!high && value > middle + guard) {
      high = true;
      if (!Number.isNaN(rise))
        pulses.push({
          at: rise,
          duty: Number.isNaN(fall) ? NaN : (fall - rise) / (crossing - rise),
          heightV: most - least,
        });
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

/** A pulse list with the speed trend taken out. */
export interface Rhythm {
  /** Samples from each pulse to the next. */
  periods: Float64Array;
  /** Each period over the usual one around it: 1 = even, 2 = one pulse missing. */
  ratios: Float64Array;
  /** Which tooth each pulse is, missing ones counted. */
  teeth: Int32Array;
}

const HALF_WINDOW = 7;
/** From here on a period holds a missing pulse rather than an odd one. */
const MISSING_RATIO = 1.62;

/** Periods against their running median: speed changes go, single odd teeth stay. */
export function rhythmOf(pulses: readonly Pulse[]): Rhythm {
  const count = Math.max(0, pulses.length - 1);
  const periods = Float64Array.from({ length: count }, (_, i) => pulses[i + 1]!.at - pulses[i]!.at);
  const ratios = new Float64Array(count);
  const teeth = new Int32Array(count + 1);
  const window: number[] = [];
  for (let i = 0; i < count; i++) {
    const from = Math.max(0, Math.min(i - HALF_WINDOW, count - 2 * HALF_WINDOW - 1));
    window.length = 0;
    for (let j = from; j < Math.min(count, from + 2 * HALF_WINDOW + 1); j++) window.push(periods[j]!);
    window.sort((a, b) => a - b);
    ratios[i] = periods[i]! / window[window.length >> 1]!;
    teeth[i + 1] = teeth[i]! + (ratios[i]! > MISSING_RATIO ? Math.round(ratios[i]!) : 1);
  }
  return { periods, ratios, teeth };
}

export function isMissing(ratio: number): boolean {
  return ratio > MISSING_RATIO;
}
