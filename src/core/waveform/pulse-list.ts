import type { Capture, Channel } from "../capture/capture";
import { excursions, type Excursions } from "./excursions";
import { withoutHum, type Hum } from "./hum";
import { impulses } from "./impulses";
import { levelled, standsAtLevels } from "./levelled";
import { beyondInstrument, HASH, keyOnEnd } from "./disturbances";
import { underHash } from "./hash";
import { loudStretch } from "./loud-stretch";
import { median } from "../units/median";
import { isWheel, turns } from "./motion";
import { byClearerCrossing } from "./clearer-crossing";
import { threeLevel } from "./protocol";
import { withoutPickedUp } from "./picked-up";
import { findPulses, type Pulse } from "./pulses";
import { isFastTone } from "./recording-warnings";
import { quantum, signalShape, WIDEST_STEP_V, type SignalShape } from "./signal";

/** The one pulse list of a channel, and what was taken out on the way to it: findings, raster and clock all read it. */
export interface PulseList {
  /** The recording put straight, from when the key was on. */
  recorded: Float32Array;
  /** Samples before that. */
  keyOn: number;
  startS: number;
  /** Shape of the recording as it is, before excursions and protocol are taken out. */
  plain: SignalShape;
  coded: ReturnType<typeof threeLevel>;
  away: Excursions | null;
  /** Mains hum that was taken out. */
  hum: Hum | null;
  /** RMS of bursts that were taken out, volts; 0 where there were none. */
  burstV: number;
  /** The part of the recording that was full of hash, in samples from `startS`; null where none was. */
  loud: { from: number; to: number } | null;
  /** RMS of hash that hid the signal and was taken out, volts; 0 where none was. */
  hashV: number;
  samples: Float32Array;
  shape: SignalShape;
  /** Counted in samples from `startS`. */
  pulses: Pulse[];
}

/** Finds the pulses of a channel: key-on and slow wander taken out, the protocol read, excursions set apart. */
export function pulseList(
  channel: Pick<Channel, "samples">,
  capture: Pick<Capture, "sampleS" | "startS">,
  options: { family?: string } = {},
): PulseList {
  const { sampleS } = capture;
  const asRecorded = signalShape(channel.samples);
  const bursts = impulses(channel.samples, sampleS, asRecorded.noiseV);
  const loud = bursts ? null : loudStretch(channel.samples, sampleS);
  const still = (bursts ?? loud)?.samples ?? channel.samples;
  const stillShape = still === channel.samples ? asRecorded : signalShape(still);
  const steady = standsAtLevels(still, stillShape) ? null : withoutHum(still, sampleS);
  const quiet = steady?.samples ?? still;
  const level = levelled(quiet, steady ? signalShape(quiet) : stillShape);
  // A wire that opens for moments is no wander of the whole: put straight, its third level would be gone.
  const opens = level.samples !== quiet && excursions(quiet) !== null;
  const { samples: straight, found: ready } = opens ? { samples: quiet, found: null } : level;
  const keyOn = options.family === "passive" || straight !== quiet ? 0 : keyOnEnd(quiet);
  const recorded = straight.subarray(keyOn);
  const startS = capture.startS + keyOn * sampleS;
  const gross = ready && keyOn === 0 ? ready.shape : signalShape(recorded);
  const plain = gross.kind === "noise" && isWheelsTone(recorded, gross) ? toneShape(gross) : gross;
  // Current pulses of two lengths are a two-wire sensor's.
  const coded =
    options.family === "passive" || options.family === "active-3wire"
      ? null
      : threeLevel(recorded, plain, sampleS, startS);
  const away = coded ? null : excursions(recorded);
  const samples = away?.samples ?? recorded;
  const gauged = coded?.shape ?? (away ? signalShape(samples) : plain);
  const pulses = ready && gauged === ready.shape ? ready.pulses : findPulses(samples, gauged);
  const taken = { hum: steady?.hum ?? null, burstV: (bursts ?? loud)?.rmsV ?? 0 };
  const loudPart = loud && { from: Math.max(0, loud.from - keyOn), to: Math.max(0, loud.to - keyOn) };
  const list = { recorded, keyOn, startS, plain, coded, away, hashV: 0, samples, ...taken, loud: loudPart };
  // One step of the converter, now this way and now that, is no signal; a wheel's comes evenly.
  if (gauged.kind === "two-level" && isFlicker(gauged, samples) && !isWheel(pulses))
    return { ...list, shape: asFlat(gauged), pulses: [] };
  // A wave whose periods scatter as no wheel's do is noise, however high it stands; unless a wheel turns beneath it.
  const found = gauged.kind === "two-level" || (gauged.kind === "sine" && isWheel(pulses));
  if (gauged.kind === "flat" || found || coded)
    return { ...list, shape: gauged, pulses: withoutPickedUp(byClearerCrossing(pulses, gauged), gauged, sampleS) };
  const hidden = gauged.noiseV > HASH * gauged.peakToPeakV ? underHash(samples) : null;
  if (hidden) {
    const hashV = beyondInstrument(gauged.noiseV, recorded) ? gauged.noiseV : 0;
    return { ...list, ...hidden, pulses: byClearerCrossing(hidden.pulses, hidden.shape), hashV };
  }
  const isNoise = gauged.kind === "sine" && !turns(pulses);
  if (!isNoise) return { ...list, shape: gauged, pulses };
  // Beside short pulses met seldom, as a coded sensor on a wheel that hardly turns has, the noise of its level is none.
  if (holdsRareLevel(samples, gauged)) return { ...list, shape: asFlat(gauged), pulses: [] };
  return { ...list, shape: { ...gauged, kind: "noise" }, pulses };
}

function asFlat(shape: SignalShape): SignalShape {
  return { ...shape, kind: "flat", lowV: shape.meanV, highV: shape.meanV };
}

/** Whether a level far outside the range is met again and again, for too few samples to count for it; a spike or two are none. */
function holdsRareLevel(samples: Float32Array, { meanV, peakToPeakV }: SignalShape): boolean {
  let [visits, isThere] = [0, false];
  for (const value of samples) {
    const wasThere = isThere;
    isThere = Math.abs(value - meanV) > FAR_OUTSIDE * peakToPeakV;
    if (isThere && !wasThere) visits++;
  }
  return visits >= AGAIN_AND_AGAIN;
}

const AGAIN_AND_AGAIN = 5;
const FAR_OUTSIDE = 6;

/** Two values a step or two of the converter apart, between which it goes to and fro; of a quiet input two far levels are so too. */
function isFlicker({ peakToPeakV, lowV, highV }: SignalShape, samples: Float32Array): boolean {
  if (peakToPeakV >= FLICKER_STEPS * quantum(samples)) return false;
  if (peakToPeakV < WIDEST_STEP_V) return true;
  const middle = (lowV + highV) / 2;
  let changes = 0;
  for (let i = 1; i < samples.length; i++) if (samples[i]! > middle !== samples[i - 1]! > middle) changes++;
  return changes > TO_AND_FRO * samples.length;
}

const FLICKER_STEPS = 2.5;
const TO_AND_FRO = 0.02;

/** A fast tone that is the wheel itself, not a pump's whine over a slow one. */
function isWheelsTone(recorded: Float32Array, gross: SignalShape): boolean {
  if (!isFastTone(recorded)) return false;
  const pulses = findPulses(recorded, toneShape(gross));
  return median(pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at)) < FAST_SAMPLES;
}

/** A tone of more samples a period than this does not look like noise from sample to sample. */
const FAST_SAMPLES = 8;

/** What looked like noise from sample to sample is the tone itself; its own noise cannot be told. */
function toneShape(gross: SignalShape): SignalShape {
  const half = gross.peakToPeakV / 2;
  return { ...gross, kind: "sine", lowV: gross.meanV - half, highV: gross.meanV + half, noiseV: 0 };
}
