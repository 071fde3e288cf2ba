import { median } from "../units/median";
import { motionOf, type Motion, type Stretch } from "./motion";
import type { SignalShape } from "./signal";

/** One pulse of a turning wheel. */
export interface Pulse {
  /** Time of its rising crossing in samples, with fraction; of a coil, of whichever crossing shows its ring more clearly. */
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
  const [up, down] = [middle + guardV(shape), middle - guardV(shape)];
  const pulses: Pulse[] = [];
  const length = samples.length;
  let [rise, fall, least, most, crossing] = [NaN, NaN, Infinity, -Infinity, 0];
  let high = samples[0]! > middle;
  let before = samples[0]!;
  // Two loops by turns: while low only the least and the way up matter, while high only the greatest and the way down.
  for (let i = 1; i < length;) {
    if (high) {
      for (; i < length; i++) {
        const value = samples[i]!;
        if (value > most) most = value;
        if (value <= middle) {
          if (before > middle) crossing = i - 1 + (middle - before) / (value - before);
          if (value < down) {
            high = false;
            fall = crossing;
            if (value < least) least = value;
            before = value;
            i++;
            break;
          }
        }
        before = value;
      }
    } else {
      for (; i < length; i++) {
        const value = samples[i]!;
        if (value < least) least = value;
        if (value > middle) {
          if (before <= middle) crossing = i - 1 + (middle - before) / (value - before);
          if (value > up) {
            high = true;
            if (!Number.isNaN(rise))
              pulses.push({
                at: rise,
                duty: Number.isNaN(fall) ? NaN : (fall - rise) / (crossing - rise),
                heightV: Math.max(most, value) - least,
              });
            rise = crossing;
            [fall, least, most] = [NaN, value, value];
            before = value;
            i++;
            break;
          }
        }
        before = value;
      }
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
  /** Each period against as many before it as after it, less 1; NaN where one side has too few to tell. */
  deviations: Float64Array;
  /** Which tooth each pulse is, missing ones counted. */
  teeth: Int32Array;
  motion: Motion;
}

const HALF_WINDOW = 7;
/** From here on a period holds a missing pulse rather than an odd one. */
const MISSING_RATIO = 1.62;

/** Periods against their running median: speed changes go, single odd teeth stay; losses by the wheel's motion. */
export function rhythmOf(pulses: readonly Pulse[]): Rhythm {
  const count = Math.max(0, pulses.length - 1);
  const periods = Float64Array.from({ length: count }, (_, i) => pulses[i + 1]!.at - pulses[i]!.at);
  const ratios = new Float64Array(count);
  const teeth = new Int32Array(count + 1);
  const width = Math.min(count, 2 * HALF_WINDOW + 1);
  const motion = motionOf(periods);
  for (const i of widened(periods, motion)) motion.poles[i] = 1;
  const window = new SortedWindow(periods, width);
  for (let i = 0; i < count; i++) {
    const usual = window.middleFrom(Math.max(0, Math.min(i - HALF_WINDOW, count - width)));
    // Where pulses were lost the motion says how many; what is set aside says nothing.
    const ratio = motion.aside[i] ? 1 : Math.min(periods[i]! / usual, MISSING_RATIO);
    ratios[i] = motion.poles[i]! > 1 ? motion.poles[i]! : ratio;
    teeth[i + 1] = teeth[i]! + motion.poles[i]!;
  }
  return { periods, ratios, deviations: fromNeighbours(periods, ratios, motion), teeth, motion };
}

/**
 * Periods longer than one pole and shorter than two, by as much each time: no pole is missing there, a ring has opened at a
 * crack.
 */
function widened(periods: Float64Array, { poles, aside }: Motion): number[] {
  const long = [...poles.keys()].filter((i) => poles[i] === 2);
  if (long.length < FEWEST_WIDENED) return [];
  const usable = (i: number) => i >= 0 && i < periods.length && poles[i] === 1 && aside[i] === 0;
  const ratios = long.map((i) => {
    const [before, after] = ([-1, 1] as const).map((away) =>
      [1, 2, 3].map((far) => i + away * far).flatMap((at) => (usable(at) ? [periods[at]!] : [])),
    );
    return before!.length && after!.length ? periods[i]! / Math.sqrt(median(before!) * median(after!)) : NaN;
  });
  const known = ratios.filter(Number.isFinite);
  const usual = median(known);
  const alike = known.filter((ratio) => Math.abs(ratio - usual) < ALIKE);
  return known.length >= FEWEST_WIDENED && usual < WHOLE_PITCH && alike.length > MOSTLY * long.length ? long : [];
}

const FEWEST_WIDENED = 3;
/** A pole that is missing leaves two pitches; what is well short of them is one that is wide. */
const WHOLE_PITCH = 1.8;
const ALIKE = 0.08;
const MOSTLY = 0.8;

/** So many periods on either side say what one should be. */
const NEIGHBOURS = 5;
const FEWEST_NEIGHBOURS = 2;

/**
 * Each period's deviation from what as many before it as after it lead to expect: the geometric mean of their middles, so
 * that a wheel gaining or losing speed leaves nothing. NaN where one side has too few.
 */
function fromNeighbours(periods: Float64Array, ratios: Float64Array, { aside }: Motion): Float64Array {
  const usable = (i: number) => i >= 0 && i < periods.length && !aside[i] && !isMissing(ratios[i]!);
  return periods.map((period, i) => {
    const before: number[] = [];
    const after: number[] = [];
    for (let away = 1; away <= NEIGHBOURS && usable(i - away) && usable(i + away); away++) {
      before.push(periods[i - away]!);
      after.push(periods[i + away]!);
    }
    return before.length < FEWEST_NEIGHBOURS ? NaN : period / Math.sqrt(median(before) * median(after)) - 1;
  });
}

export function isMissing(ratio: number): boolean {
  return ratio > MISSING_RATIO;
}

/** The middle of a window that moves on one by one: the value that leaves is taken out and the new one put in its place. */
class SortedWindow {
  private readonly values: Float64Array;
  private readonly sorted: Float64Array;
  private from = 0;

  constructor(values: Float64Array, width: number) {
    this.values = values;
    this.sorted = values.slice(0, width).sort();
  }

  middleFrom(from: number): number {
    for (; this.from < from; this.from++)
      this.exchange(this.values[this.from]!, this.values[this.from + this.sorted.length]!);
    return this.sorted[this.sorted.length >> 1]!;
  }

  private exchange(leaving: number, coming: number): void {
    const { sorted } = this;
    let at = sorted.indexOf(leaving);
    for (; at + 1 < sorted.length && sorted[at + 1]! < coming; at++) sorted[at] = sorted[at + 1]!;
    for (; at > 0 && sorted[at - 1]! > coming; at--) sorted[at] = sorted[at - 1]!;
    sorted[at] = coming;
  }
}

/**
 * The same rhythm, counted on through a push. What a ring has lost comes by once a turn, now and then while the hand grips,
 * when the period alone does not say how many poles it held: one whole turn from another loss it was the same one again.
 */
export function countedThroughPushes(rhythm: Rhythm, pulsesPerRevolution: number): Rhythm {
  const { periods, ratios, motion } = rhythm;
  const losses = [...ratios.keys()].filter((i) => motion.poles[i]! > 1 && isMissing(ratios[i]!));
  if (losses.length === 0) return rhythm;
  const lost = median(losses.map((i) => motion.poles[i]!)) - 1;
  const turn = pulsesPerRevolution - lost;
  const isLoss = new Set(losses);
  const again = [...periods.keys()].filter((i) => motion.aside[i] && (isLoss.has(i - turn) || isLoss.has(i + turn)));
  if (again.length === 0) return rhythm;
  const poles = motion.poles.slice();
  const counted = ratios.slice();
  // Where the place has come round for sure, what it hid under a push is that loss as well, and no grip of the hand.
  const isSure = losses.some((i) => isLoss.has(i - turn));
  for (const i of again) {
    poles[i] = lost + 1;
    if (isSure) counted[i] = lost + 1;
  }
  const teeth = new Int32Array(periods.length + 1);
  for (let i = 0; i < periods.length; i++) teeth[i + 1] = teeth[i]! + poles[i]!;
  return { ...rhythm, ratios: counted, teeth, motion: { ...motion, poles } };
}

/** The part of a rhythm over a stretch of pulses, its teeth counted from the stretch's first. */
export function partOf({ periods, ratios, deviations, teeth, motion }: Rhythm, [from, to]: Stretch): Rhythm {
  return {
    periods: periods.slice(from, to),
    ratios: ratios.slice(from, to),
    deviations: deviations.slice(from, to),
    teeth: teeth.slice(from, to + 1).map((tooth) => tooth - teeth[from]!),
    motion: { poles: motion.poles.slice(from, to), aside: motion.aside.slice(from, to) },
  };
}
