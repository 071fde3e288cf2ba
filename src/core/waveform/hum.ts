import { median } from "../units/median";
import { isWheel } from "./motion";
import { findPulses } from "./pulses";
import { signalShape } from "./signal";

/** A mains hum that rides on a recording: V(t) = Σ aₖ·cos(2πk·f·t) + bₖ·sin(2πk·f·t). */
export interface Hum {
  hz: number;
  /** Amplitude of its first harmonic, volts. */
  peakV: number;
}

/** Mains of the world; a grid keeps to them within a quarter of a hertz (common practice, no source). */
export const MAINS_HZ = [50, 60];
const GRID_HZ = 0.25;
const HARMONICS = 3;
/** The recording is looked at in parts of some cycles: a hum is the same in all of them, a wheel never is. */
const MOST_PARTS = 24;
const SHORTEST_PART_S = 0.12;
const FEWEST_PARTS = 5;
const JUDGED = 24_000;
/** It stands out of what the parts differ by, so many standard errors. */
const OVER_ERROR = 6;
/** Less than this part of the range is not worth taking out. */
const OF_RANGE = 0.006;
/** What makes up this part of the recording's power is the signal itself, a bench turning at one even speed. */
const MOST_POWER = 0.6;
/** A part in which the wave is so much of the power is quiet otherwise: the wheel stands. */
const QUIET = 0.6;
const FEWEST_QUIET = 4;
/** And there smaller than the signal elsewhere. */
const OF_SIGNAL = 0.35;

/**
 * Takes a mains hum out of a recording: a wave of one frequency and one phase from end to end, which no wheel keeps.
 * Amplitude and phase are those of all parts together, each by Fourier's sum under a Hann window.
 * @returns null where there is none
 */
export function withoutHum(samples: Float32Array, sampleS: number): { samples: Float32Array; hum: Hum } | null {
  const lengthS = samples.length * sampleS;
  const count = Math.min(MOST_PARTS, Math.floor(lengthS / SHORTEST_PART_S));
  if (count < FEWEST_PARTS || samples.length < 64 * count) return null;
  // A wave faster than half the sampling is not held in it.
  if (2 * MAINS_HZ[1]! * HARMONICS * sampleS > 1) return null;
  const parts = partsOf(samples, count);
  const { range, power } = spread(parts);
  const step = (hz: number) => 2 * Math.PI * hz * sampleS;
  const best = (grid: readonly number[]) =>
    grid
      .map((hz) => ({ hz, wave: waveAt(parts, step(hz)) }))
      .reduce((one, other) => (other.wave.size > one.wave.size ? other : one));
  const stands = ({ size, error }: Wave) => size > OVER_ERROR * error && 2 * size > OF_RANGE * range;
  const near = best(MAINS_HZ.flatMap((hz) => gridAround(hz, lengthS)));
  const first = best(finelyAround(near.hz, lengthS));
  if (!stands(first.wave)) return null;
  // A wheel driven at just that speed makes most of the power; a hum alone does so only where the wheel stands.
  const still = parts.filter((part) => shareAt(part, step(first.hz)) > QUIET).length >= FEWEST_QUIET;
  const isSmall = 2 * first.wave.size < OF_SIGNAL * range;
  if (first.wave.size ** 2 / 2 > MOST_POWER * power && !(still && isSmall)) return null;
  const own = first.wave.size ** 2 / 2;
  if (parts.some(({ power: all }) => all < HOLDS_IT * own)) return null;
  const waves = Array.from({ length: HARMONICS }, (_, k) => ({
    step: step(first.hz) * (k + 1),
    wave: k === 0 ? first.wave : waveAt(parts, step(first.hz) * (k + 1)),
  })).filter(({ wave }) => stands(wave));
  const rest = without(samples, waves);
  if (!isSmall && !turnsElsewhere(rest, sampleS, first.hz)) return null;
  return { samples: rest, hum: { hz: first.hz, peakV: first.wave.size } };
}

/** Whether what is left turns at a pace of its own: where it keeps the hum's, the wheel was driven at it and there is no hum. */
function turnsElsewhere(rest: Float32Array, sampleS: number, hz: number): boolean {
  const pulses = findPulses(rest, signalShape(rest));
  const period = median(pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at));
  return isWheel(pulses) && Math.abs(Math.log(period * sampleS * hz)) > OWN_PACE;
}

const OWN_PACE = 0.15;

/** A hum is there from end to end: where a part holds less power than it has, a wheel turned near its frequency elsewhere. */
const HOLDS_IT = 0.85;

interface Part {
  /** Its first sample, and samples from one value to the next. */
  from: number;
  stride: number;
  value: Float64Array;
  /** Mean square of its values. */
  power: number;
  window: Float64Array;
}

function partsOf(samples: Float32Array, parts: number): Part[] {
  const length = Math.floor(samples.length / parts);
  const stride = Math.max(1, Math.ceil((length * parts) / JUDGED));
  const count = Math.floor(length / stride);
  return Array.from({ length: parts }, (_, part) => {
    const from = part * length;
    const window = Float64Array.from(
      { length: count },
      (__, k) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (k + 0.5)) / count),
    );
    const mean =
      window.reduce((sum, weight, k) => sum + weight * samples[from + k * stride]!, 0) /
      window.reduce((sum, one) => sum + one, 0);
    const value = window.map((_weight, k) => samples[from + k * stride]! - mean);
    return { from, stride, window, value, power: value.reduce((sum, one) => sum + one * one, 0) / count };
  });
}

/** A recording of T seconds tells frequencies 1/T apart: four times as close leaves nothing between them. */
const OF_RESOLUTION = 0.25;

function gridAround(hz: number, lengthS: number): number[] {
  const step = OF_RESOLUTION / lengthS;
  const each = Math.min(12, Math.floor(GRID_HZ / step));
  return Array.from({ length: 2 * each + 1 }, (_, k) => hz + (k - each) * step);
}

/** Between its neighbours on the grid, eight times as close. */
function finelyAround(hz: number, lengthS: number): number[] {
  return Array.from({ length: 15 }, (_, k) => hz + ((k - 7) * OF_RESOLUTION) / 8 / lengthS);
}

interface Wave {
  cos: number;
  sin: number;
  size: number;
  error: number;
}

/**
 * The wave of one frequency in all parts, each weighed by how little else it holds, so that those in which the wheel stands
 * or hardly turns count most (iteratively reweighted least squares). What else a part holds is told with the wave of all
 * taken out, not its own: a wheel that passes through the frequency there is no hum. @param step radians from sample to sample
 */
function waveAt(parts: readonly Part[], step: number): Wave {
  const each = parts.map((part) => ({ ...waveIn(part, step), power: part.power }));
  let [cos, sin, error] = [0, 0, Infinity];
  for (let again = 0; again < ROUNDS; again++) {
    const weights = each.map((one) => {
      const rest = one.power - one.cos * cos - one.sin * sin + (cos ** 2 + sin ** 2) / 2;
      return 1 / (Math.max(0, rest) + LEAST_REST * one.power + 1e-12);
    });
    const all = weights.reduce((sum, one) => sum + one, 0);
    const mean = (of: (one: (typeof each)[number]) => number) =>
      each.reduce((sum, one, k) => sum + weights[k]! * of(one), 0) / all;
    [cos, sin] = [mean((one) => one.cos), mean((one) => one.sin)];
    const off = each.reduce((sum, one, k) => sum + weights[k]! ** 2 * ((one.cos - cos) ** 2 + (one.sin - sin) ** 2), 0);
    error = Math.sqrt(off) / all;
  }
  return { cos, sin, size: Math.hypot(cos, sin), error };
}

const ROUNDS = 4;
/** No part is all hum. */
const LEAST_REST = 0.02;

/** Fourier's sum by a pointer that is turned on from value to value: a turn is four products where a sine is dozens. */
function waveIn({ from, stride, value, window }: Part, step: number): { cos: number; sin: number } {
  const [turnCos, turnSin] = [Math.cos(step * stride), Math.sin(step * stride)];
  let [cos, sin] = [Math.cos(step * from), Math.sin(step * from)];
  let [a, b, sum] = [0, 0, 0];
  for (let k = 0; k < value.length; k++) {
    const weighed = window[k]! * value[k]!;
    a += weighed * cos;
    b += weighed * sin;
    sum += window[k]!;
    const before = cos;
    cos = cos * turnCos - sin * turnSin;
    sin = sin * turnCos + before * turnSin;
  }
  return { cos: (2 * a) / sum, sin: (2 * b) / sum };
}

/** What part of a part's power the wave is. */
function shareAt(part: Part, step: number): number {
  const { cos, sin } = waveIn(part, step);
  return part.power > 0 ? (cos * cos + sin * sin) / 2 / part.power : 0;
}

function spread(parts: readonly Part[]): { range: number; power: number } {
  let [least, most, square, count] = [Infinity, -Infinity, 0, 0];
  for (const { value } of parts)
    for (const one of value) {
      least = Math.min(least, one);
      most = Math.max(most, one);
      square += one * one;
      count++;
    }
  return { range: most - least, power: square / Math.max(1, count) };
}

function without(samples: Float32Array, waves: readonly { step: number; wave: Wave }[]): Float32Array {
  const out = samples.slice();
  for (const { step, wave } of waves)
    for (let i = 0; i < out.length; i++) out[i]! -= wave.cos * Math.cos(step * i) + wave.sin * Math.sin(step * i);
  return out;
}
