import type { Family } from "../circuit/setup";

/** Sound inputs take signals of a volt or so: what to put before one, and what its numbers mean in volts. */

export interface Divider {
  /** From the signal to the input, and from the input to ground, ohms. */
  seriesOhms: number;
  shuntOhms: number;
  /** What is left of the signal at most: with nothing but the resistors, for an input may load them or hardly. */
  share: number;
}

/** Preferred values of one decade (IEC 60063, series E12), tenths. */
const E12 = [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82];
/** A line input takes about a volt peak (common practice, no source). */
export const LINE_INPUT_PEAK_V = 0.9;
/**
 * Highest that may come either way: a passive sensor's volts at speed, or the battery on an active one's wires, which any
 * fault may bring (common practice, no source).
 */
export function highestPeakV(family: Family): number {
  return family === "passive" ? 20 : 15;
}

/** Loads a passive sensor of a kilohm or two by no more than a module does. */
const SERIES_OHMS = 100_000;

/**
 * Two resistors that bring a signal within what an input takes: the largest preferred shunt that still does (voltage
 * divider; any circuits text).
 * @param signalPeakV highest the signal goes either way
 * @throws RangeError for a signal no preferred value brings down
 */
export function dividerFor(signalPeakV: number, inputPeakV: number = LINE_INPUT_PEAK_V): Divider {
  const shunts = [100, 1000, 10_000].flatMap((decade) => E12.map((one) => one * decade));
  const fitting = shunts
    .map((shuntOhms) => ({ seriesOhms: SERIES_OHMS, shuntOhms, share: shuntOhms / (shuntOhms + SERIES_OHMS) }))
    .filter(({ share }) => share * signalPeakV <= inputPeakV);
  if (fitting.length === 0) throw new RangeError(`no shunt brings ${signalPeakV} V down to ${inputPeakV} V`);
  return fitting.at(-1)!;
}

/** Volts for one unit recorded, from what a meter shows of the same signal at the same time. @param unitsRms of the recording, its mean taken out */
export function voltsPerUnit(meterRmsV: number, unitsRms: number): number | null {
  return meterRmsV > 0 && unitsRms > LEAST_UNITS ? meterRmsV / unitsRms : null;
}

/** Under this a recording is the input's own noise. */
const LEAST_UNITS = 0.002;

/** RMS about the mean: what a true-RMS meter on AC shows. */
export function alternatingRms(samples: Float32Array): number {
  let [sum, squares] = [0, 0];
  for (let i = 0; i < samples.length; i++) {
    sum += samples[i]!;
    squares += samples[i]! * samples[i]!;
  }
  const mean = sum / Math.max(1, samples.length);
  return Math.sqrt(Math.max(0, squares / Math.max(1, samples.length) - mean * mean));
}

/**
 * Share of samples at either end of the converter: a signal cut off there is no measurement.
 * @param perUnit volts one unit of the converter stands for; Infinity for what has no such end
 */
export function clippedShare(samples: Float32Array, perUnit = 1): number {
  let clipped = 0;
  for (let i = 0; i < samples.length; i++) if (Math.abs(samples[i]!) >= FULL_SCALE * perUnit) clipped++;
  return clipped / Math.max(1, samples.length);
}

/** How an input is driven: the part of its range that a recording fills, and whether that is too little to stand clear of the input's own noise. */
export interface Drive {
  filled: number;
  tooLow: boolean;
}

/** @param perUnit volts one unit of the converter stands for @returns null for what has no end to its range */
export function driveOf(recordings: readonly Float32Array[], perUnit: number): Drive | null {
  if (!Number.isFinite(perUnit)) return null;
  let peak = 0;
  for (const samples of recordings)
    for (let i = 0; i < samples.length; i++) peak = Math.max(peak, Math.abs(samples[i]!));
  const filled = Math.min(1, peak / perUnit);
  return { filled, tooLow: filled < LEAST_FILLED };
}

/** A tone that fills less of a 16-bit input is drawn with some hundred steps and the hum of the leads (engineering judgement). */
const LEAST_FILLED = 0.02;

const FULL_SCALE = 0.999;
/** From this share on it is told. */
export const CLIPPED_TOLD = 0.0005;
