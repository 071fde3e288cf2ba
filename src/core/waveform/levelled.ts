import { median } from "../units/median";
import { findPulses, type Pulse } from "./pulses";
import { signalShape, type SignalShape } from "./signal";
import { someSamples } from "./some-samples";

/** The middle of the signal must wander by this part of its step before it is put straight. */
const WANDER = 0.1;
/** A stretch this many pulses long shows both levels. */
const PULSES_A_STRETCH = 3;
/** A stretch whose step differs more than this from the usual one holds a gap or a spike and says nothing of drift. */
const USUAL_STEP = [0.65, 1.45] as const;

/** Stretches looked at first: wander is slow, so that some tell whether there is any. */
const STRETCHES = 400;

/** A recording put straight; where it was straight already, with the shape and pulses found on the way. */
export interface Levelled {
  samples: Float32Array;
  found: { shape: SignalShape; pulses: Pulse[] } | null;
}

/**
 * Takes out the slow wander that AC coupling puts under a signal (its mean is pulled to zero after every change of
 * duty). Levels are followed stretch by stretch; steady signals are returned as they are.
 * @param shape of the samples, where it is known already
 */
export function levelled(samples: Float32Array, shape = signalShape(samples)): Levelled {
  const pulses = findPulses(samples, shape);
  const straight = { samples, found: { shape, pulses } };
  if (pulses.length < 12 || standsAtLevels(samples, shape)) return straight;
  const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
  const usual = periods.toSorted((a, b) => a - b)[periods.length >> 1]!;
  const length = Math.max(16, Math.round(PULSES_A_STRETCH * usual));
  const count = Math.floor(samples.length / length);
  if (count < 6) return straight;
  const apart = Math.floor(count / STRETCHES);
  const isWave = shape.kind === "sine";
  if (apart > 1 && !followed(samples, length, Math.floor(count / apart), apart, isWave)) return straight;
  const road = followed(samples, length, count, 1, isWave);
  if (!road) return straight;
  const { good, middles, home } = road;
  const out = new Float32Array(samples.length);
  let next = 0;
  for (let i = 0; i < samples.length; i++) {
    const place = i / length - 0.5;
    while (next < good.length - 1 && good[next]! < place) next++;
    const [a, b] = [good[Math.max(0, next - 1)]!, good[next]!];
    const along = b > a ? Math.max(0, Math.min(1, (place - a) / (b - a))) : 0;
    out[i] = samples[i]! - (middles[a]! + along * (middles[b]! - middles[a]!)) + home;
  }
  return { samples: out, found: null };
}

/** Samples this near a level, as a share of the step, and so many of them: what AC coupling does not leave. */
const NEAR_LEVEL = 0.1;
const STANDING = 0.93;

/** Whether a two-level signal keeps to its two levels throughout: nothing wanders then, however long it stands at one. */
export function standsAtLevels(samples: Float32Array, { kind, lowV, highV }: SignalShape): boolean {
  if (kind !== "two-level") return false;
  const some = someSamples(samples);
  const reach = NEAR_LEVEL * (highV - lowV);
  let near = 0;
  for (const value of some) if (Math.abs(value - lowV) < reach || Math.abs(value - highV) < reach) near++;
  return near > STANDING * some.length;
}

/** So many stretches on either side say where a wave's middle is. */
const AMONG = 2;

/**
 * The middle of every `apart`-th stretch, those fit to judge by, and where they mostly are; null when nothing wanders.
 * @param isWave a coil's: its swing beside a gap in the ring is one-sided for a stretch or two, and no wander
 */
function followed(samples: Float32Array, length: number, count: number, apart: number, isWave: boolean) {
  const middles = new Float64Array(count);
  const steps = new Float64Array(count);
  for (let k = 0; k < count; k++) {
    let [least, most] = [Infinity, -Infinity];
    for (let i = k * apart * length; i < (k * apart + 1) * length; i++) {
      const value = samples[i]!;
      if (value < least) least = value;
      if (value > most) most = value;
    }
    middles[k] = (least + most) / 2;
    steps[k] = most - least;
  }
  const step = steps.toSorted()[count >> 1]!;
  const good = [...middles.keys()].filter((k) => steps[k]! > USUAL_STEP[0] * step && steps[k]! < USUAL_STEP[1] * step);
  if (good.length < 6) return null;
  if (isWave) {
    const own = good.map((k) => middles[k]!);
    good.forEach((k, i) => (middles[k] = median(own.slice(Math.max(0, i - AMONG), i + AMONG + 1))));
  }
  const sorted = good.map((k) => middles[k]!).sort((a, b) => a - b);
  if (sorted.at(-1)! - sorted[0]! < WANDER * step) return null;
  return { good, middles, home: sorted[sorted.length >> 1]! };
}
