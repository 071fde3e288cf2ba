import { underHash } from "./hash";
import { isWheel } from "./motion";
import { findPulses } from "./pulses";
import { quantum, signalShape } from "./signal";
import { someSamples } from "./some-samples";

/** Stretches in which the level goes where neither of the signal's own levels is. */
export interface Excursions {
  /** The recording with those stretches held at the signal's low level: lost pulses, as a module hears it. */
  samples: Float32Array;
  /** Middle of where the level goes meanwhile, volts. */
  levelV: number;
  /** Over both of the signal's own levels, or under both. */
  isOver: boolean;
  share: number;
}

const BINS = 160;
/** The empty stretch between signal and excursions is at least this part of the whole range. */
const EMPTY = 0.3;
const LEAST_SHARE = 0.003;
const MOST_SHARE = 0.42;
/** What stands quite still may be gone for longer than it is there. */
const MOST_SHARE_STANDING = 0.85;
/** The signal beside an excursion is at least this part of the whole range. */
const LEAST_SIGNAL = 0.02;
/** And stands clear of its own noise. */
const OVER_NOISE = 8;
/** And more than a few steps of the converter. */
const OVER_STEPS = 3.5;
/** A quiet recording of a few far values shows no smaller step than between them. */
const WIDEST_STEPS_V = 0.3;

/**
 * Sets apart what an open or shorted wire makes of a signal for moments: a level far outside the two (or the wave) it
 * has otherwise, so that the wide jump does not hide the signal. A plain square wave has no such thing: either of its
 * levels alone does not switch.
 *
 * @returns null when all of the recording is one signal
 */
export function excursions(samples: Float32Array): Excursions | null {
  const some = someSamples(samples);
  const whole = signalShape(samples);
  const wheel = whole.kind === "two-level" && isWheel(findPulses(samples, whole));
  for (const split of emptyStretches(some).flatMap(bothSides)) {
    const isOutside = (value: number) => value > split.at === split.above;
    const share = shareOf(some, isOutside);
    if (share < LEAST_SHARE || share > MOST_SHARE_STANDING) continue;
    // Two levels between which the whole turns evenly are the signal's own, however seldom one is met.
    if (wheel && (isOutside(whole.lowV) || isOutside(whole.highV))) continue;
    if ((split.isMost || share > MOST_SHARE) && signalShape(some.filter(isOutside)).kind !== "flat") continue;
    const inside = samples.filter((value) => !isOutside(value));
    const shape = signalShape(inside);
    if (shape.kind !== "two-level" && shape.kind !== "sine") continue;
    // One level alone is no signal, though a coarse converter shows it as two codes.
    const least = Math.max(
      LEAST_SIGNAL * split.span,
      OVER_NOISE * shape.noiseV,
      Math.min(OVER_STEPS * quantum(samples), WIDEST_STEPS_V),
    );
    if (shape.highV - shape.lowV < least) continue;
    // What is left must turn: noise over a level a wheel stands at is no signal, and one level of two is no excursion.
    if (!isWheel(findPulses(inside, shape)) && !underHash(inside)) continue;
    const outside = samples.filter(isOutside).sort();
    return {
      samples: samples.map((value) => (isOutside(value) ? shape.lowV : value)),
      levelV: outside[outside.length >> 1]!,
      isOver: split.above,
      share,
    };
  }
  return null;
}

/** First the rarer side of an empty stretch as what was gone, then the other. */
function bothSides<T extends { above: boolean }>(split: T): (T & { isMost: boolean })[] {
  return [
    { ...split, isMost: false },
    { ...split, above: !split.above, isMost: true },
  ];
}

function shareOf(samples: Float32Array, counts: (value: number) => boolean): number {
  let count = 0;
  for (let i = 0; i < samples.length; i++) if (counts(samples[i]!)) count++;
  return count / samples.length;
}

/** The wide empty stretches of the amplitude histogram, and on which side of each fewer samples lie. */
function emptyStretches(samples: Float32Array): { at: number; above: boolean; span: number }[] {
  let [least, most] = [Infinity, -Infinity];
  for (const value of samples) {
    if (value < least) least = value;
    if (value > most) most = value;
  }
  const width = (most - least) / BINS;
  if (!(width > 0)) return [];
  const counts = new Float64Array(BINS);
  for (const value of samples) counts[Math.min(BINS - 1, Math.floor((value - least) / width))]! += 1;
  // Edges are caught in between now and then: a few samples do not fill a bin.
  const few = 2e-4 * samples.length;
  const found: { at: number; above: boolean; span: number }[] = [];
  let below = 0;
  for (let from = 0; from < BINS; from++) {
    let to = from;
    while (to < BINS && counts[to]! <= few) to++;
    if (to - from >= EMPTY * BINS)
      found.push({ at: least + ((from + to) / 2) * width, above: below > samples.length / 2, span: most - least });
    for (let bin = from; bin < Math.max(to, from + 1); bin++) below += counts[bin]!;
    from = Math.max(from, to - 1);
  }
  return found;
}
