import { median } from "../units/median";

/** A mains hum that rides on a recording: V(t) = Σ aₖ·cos(2πk·f·t) + bₖ·sin(2πk·f·t). */
export interface Hum {
  hz: number;
  /** Amplitude of its first harmonic, volts. */
  peakV: number;
}

/** Mains of the world; a grid keeps to them within a quarter of a hertz (common practice, no source). */
const MAINS_HZ = [50, 60];
const GRID_HZ = 0.25;
const HARMONICS = 3;
/** The recording is looked at in so many parts: a hum is the same in all of them, a wheel never is. */
const PARTS = 8;
const SHORTEST_S = 0.5;
const JUDGED = 24_000;
/** It stands out of what the parts differ by, so many standard errors. */
const OVER_ERROR = 6;
/** Less than this part of the range is not worth taking out. */
const OF_RANGE = 0.006;
/** What makes up this part of the recording's power is the signal itself, a bench turning at one even speed. */
const MOST_POWER = 0.6;

/**
 * Takes a mains hum out of a recording: a wave of one frequency and one phase from end to end, which no wheel keeps.
 * Amplitude and phase are the middle of eight parts, each by Fourier's sum under a Hann window, so that a wheel that
 * passes through the frequency in one of them does not count.
 * @returns null where there is none
 */
export function withoutHum(samples: Float32Array, sampleS: number): { samples: Float32Array; hum: Hum } | null {
  if (samples.length * sampleS < SHORTEST_S || samples.length < 64 * PARTS) return null;
  // A wave faster than half the sampling is not held in it.
  if (2 * MAINS_HZ[1]! * HARMONICS * sampleS > 1) return null;
  const parts = partsOf(samples);
  const first = MAINS_HZ.flatMap((hz) => gridAround(hz, samples.length * sampleS))
    .map((hz) => ({ hz, wave: waveAt(parts, 2 * Math.PI * hz * sampleS) }))
    .reduce((best, one) => (one.wave.size > best.wave.size ? one : best));
  const { range, power } = spread(parts);
  const stands = ({ size, error }: Wave) => size > OVER_ERROR * error && 2 * size > OF_RANGE * range;
  if (!stands(first.wave) || first.wave.size ** 2 / 2 > MOST_POWER * power) return null;
  const waves = Array.from({ length: HARMONICS }, (_, k) => {
    const step = 2 * Math.PI * first.hz * sampleS * (k + 1);
    return { step, wave: k === 0 ? first.wave : waveAt(parts, step) };
  }).filter(({ wave }) => stands(wave));
  return { samples: without(samples, waves), hum: { hz: first.hz, peakV: first.wave.size } };
}

interface Part {
  at: Float64Array;
  value: Float64Array;
  window: Float64Array;
}

function partsOf(samples: Float32Array): Part[] {
  const length = Math.floor(samples.length / PARTS);
  const count = Math.min(length, Math.floor(JUDGED / PARTS));
  return Array.from({ length: PARTS }, (_, part) => {
    const at = Float64Array.from({ length: count }, (__, k) => part * length + Math.floor((k * length) / count));
    const window = Float64Array.from({ length: count }, (__, k) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (k + 0.5)) / count));
    const mean = at.reduce((sum, i, k) => sum + window[k]! * samples[i]!, 0) / window.reduce((sum, one) => sum + one, 0);
    return { at, window, value: at.map((i) => samples[i]! - mean) };
  });
}

/** A recording of T seconds tells frequencies 1/T apart: four times as close leaves nothing between them. */
function gridAround(hz: number, lengthS: number): number[] {
  const step = 0.25 / lengthS;
  const each = Math.min(12, Math.floor(GRID_HZ / step));
  return Array.from({ length: 2 * each + 1 }, (_, k) => hz + (k - each) * step);
}

interface Wave {
  cos: number;
  sin: number;
  size: number;
  error: number;
}

/** The wave of one frequency in the middle of all parts. @param step radians from sample to sample */
function waveAt(parts: readonly Part[], step: number): Wave {
  const each = parts.map(({ at, value, window }) => {
    let [a, b, sum] = [0, 0, 0];
    for (let k = 0; k < at.length; k++) {
      a += window[k]! * value[k]! * Math.cos(step * at[k]!);
      b += window[k]! * value[k]! * Math.sin(step * at[k]!);
      sum += window[k]!;
    }
    return { cos: (2 * a) / sum, sin: (2 * b) / sum };
  });
  const [cos, sin] = [median(each.map((one) => one.cos)), median(each.map((one) => one.sin))];
  // 1.2533·σ/√n is the standard error of a median; σ from the middle of how far the parts are off it.
  const off = median(each.map((one) => Math.hypot(one.cos - cos, one.sin - sin)));
  return { cos, sin, size: Math.hypot(cos, sin), error: (1.2533 * off) / Math.sqrt(parts.length) };
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
