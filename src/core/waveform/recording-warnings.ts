import { msgid, ngettext, t } from "../words/words";
import type { Holes } from "../capture/capture";
import type { Hum } from "./hum";
import { FEWEST_SAMPLES_A_PULSE } from "./pulses";
import { quantum, type SignalShape } from "./signal";
import { someSamples } from "./some-samples";

/** This share of samples on one and the same outermost value is a flat top, not a peak. */
const CLIPPED_SHARE = 0.02;

/** Nobody records so many pulses of a wheel that takes a minute a turn; and 300 km/h gives some 2,000 a second. */
const FEWEST_TO_TIME = 50;
const SLOWEST_HZ = 0.7;
const FASTEST_HZ = 6000;

/** Fewer samples a pulse, and what is counted may be another wave that the sampling makes of it. */
const FEWEST_TO_COUNT = 3.5;

/** Whether pulses came so fast for the sampling that their number cannot be trusted. */
export function isAliased(periods: Float64Array): boolean {
  const usual = periods.toSorted()[periods.length >> 1] ?? Infinity;
  return periods.length >= 4 && usual < FEWEST_TO_COUNT;
}

/** That a file had holes in its times, and what of it was taken. */
export function holeWarnings(holes: Holes | undefined): string[] {
  if (!holes) return [];
  const { count, longestS, leftOutS } = holes;
  const found = ngettext(msgid`${count} hole`, `${count} holes`, count);
  return [
    t`The file's times have ${found}, up to ${seconds(longestS)} long. Only the longest stretch without one is read; ${seconds(leftOutS)} are left out.`,
  ];
}

function seconds(value: number): string {
  return `${Number(value.toPrecision(2))} s`;
}

/** What is wrong with the recording rather than with the car: too few samples a pulse, tops cut off, mains hum. */
export function recordingWarnings(
  { hum }: { hum: Hum | null },
  clipped: boolean,
  periods: Float64Array,
  speed: { max: number } | null,
  sampleS: number,
): string[] {
  const list: string[] = [];
  const usual = periods.toSorted()[periods.length >> 1] ?? Infinity;
  if (periods.length >= 4 && usual < FEWEST_SAMPLES_A_PULSE) {
    const goodFor = speed ? (speed.max * usual) / FEWEST_SAMPLES_A_PULSE : null;
    list.push(
      t`Only ${usual.toFixed(1)} samples a pulse at ${(1 / sampleS / 1000).toPrecision(3)} kS/s: teeth can be missed.${goodFor ? t` This rate is good up to about ${goodFor.toFixed(0)} km/h.` : ""} Record faster or turn slower.`,
    );
  }
  const hertz = 1 / (usual * sampleS);
  if (periods.length >= FEWEST_TO_TIME && (hertz < SLOWEST_HZ || hertz > FASTEST_HZ))
    list.push(
      t`${Number(hertz.toPrecision(2))} pulses a second is no wheel's pace: is the time in another unit? Write it in the header, as in “time (ms)”.`,
    );
  if (clipped)
    list.push(
      t`The tops are cut off flat: the input was over its range. Choose a larger range; heights here mean nothing.`,
    );
  if (hum)
    list.push(
      t`Mains hum of ${Math.round(1000 * hum.peakV)} mV at ${hum.hz.toFixed(0)} Hz was taken out before judging. Keep leads short and away from mains cables.`,
    );
  return list;
}

/** A wheel turned once a second gives some 50 pulses: slower recordings show it as noise, or as another wave; 500 a second is the least that is met. */
export const SLOWEST_RATE = 400;

/** Whether what looks like noise, or like another wave, may be a wheel that was sampled too seldom. A level that stands is one at any rate. */
export function isTooSlow({ kind }: SignalShape, sampleS: number): boolean {
  return kind !== "flat" && 1 / sampleS < SLOWEST_RATE;
}

/** What else keeps it from being judged: sampled too slowly, an end in full turn, poles passed one by one. */
export function undecidedWarnings(isSlow: boolean, endS: number | null, toggles: number, sampleS: number): string[] {
  if (isSlow)
    return [
      t`${Number((1 / sampleS).toPrecision(2))} samples a second are too few: a turning wheel looks like noise, or like another wave. Record 2000 a second or more.`,
    ];
  if (endS !== null)
    return [
      t`The signal ends ${endS.toFixed(1)} s in as no wheel stops, and does not come back: probe off, plug off, or the fault itself. Record it again.`,
    ];
  if (toggles > 0)
    return [
      t`The signal steps between its own two levels ${toggles === 1 ? t`once` : ngettext(msgid`${toggles} time`, `${toggles} times`, toggles)}: the sensor answers. Turn the wheel three turns in one go to see the ring.`,
    ];
  return [];
}

/** Whether a wave's tops are cut off flat: its heights then say nothing of its size. */
export function isClipped(recorded: Float32Array, noiseV: number): boolean {
  const samples = someSamples(recorded);
  let [least, most] = [Infinity, -Infinity];
  for (const value of samples) {
    if (value < least) least = value;
    if (value > most) most = value;
  }
  if (!(most > least)) return false;
  const within = (near: number) => {
    let [low, high] = [0, 0];
    for (const value of samples) {
      if (value - least < near) low++;
      if (most - value < near) high++;
    }
    return Math.max(low, high) / samples.length;
  };
  const range = most - least;
  const noisyTop = Math.max(NOISY_TOP * range, TOP_OF_NOISE * noiseV);
  // The crest of a wave is so near its top for so much of the time; with a converter of a few steps it is one of them.
  const crest = Math.acos(Math.max(-1, 1 - (2 * noisyTop) / range)) / Math.PI;
  const isFlat = quantum(samples) < noisyTop / 3 && within(noisyTop) > CREST_AND_MORE * crest;
  return within(1e-4 * range) > CLIPPED_SHARE || isFlat;
}

/** A flat top with the instrument's noise on it is within so much of the greatest value: a part of the range, or of the noise. */
const NOISY_TOP = 0.015;
const TOP_OF_NOISE = 7;
const CREST_AND_MORE = 1.5;

const LONGEST_LAG = 60;
/** A tone repeats itself this well; noise does not. */
const TONE = 0.7;

/**
 * A steady tone so fast for its sampling that it looks like noise from sample to sample: told by how well the recording
 * repeats itself (autocorrelation of its first part).
 */
export function isFastTone(samples: Float32Array): boolean {
  const some = samples.subarray(0, 4096);
  const mean = some.reduce((sum, value) => sum + value, 0) / Math.max(1, some.length);
  let power = 0;
  for (const value of some) power += (value - mean) ** 2;
  if (!(power > 0)) return false;
  // A slow signal under hash stays like itself from sample to sample; a tone first turns against itself, then comes again.
  let turned = false;
  for (let lag = 1; lag <= Math.min(LONGEST_LAG, some.length >> 2); lag++) {
    let sum = 0;
    for (let i = 0; i + lag < some.length; i++) sum += (some[i]! - mean) * (some[i + lag]! - mean);
    const alike = (sum / power) * (some.length / (some.length - lag));
    if (alike < 0) turned = true;
    if (turned && alike > TONE) return true;
  }
  return false;
}
