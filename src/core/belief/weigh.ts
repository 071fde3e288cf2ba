import { kindOf } from "../car/dimensions";
import type { CarCondition } from "../faults/fault";
import {
  madeBefore,
  matchNumber,
  matchOverLimit,
  overLimitAgain,
  SAME_ERRORS,
  slipChance,
  slipDensity,
  slipLikelihood,
  type NumberMatch,
} from "../observation/likelihood";
import { scaleError, toScale } from "../observation/scale";
import type { Observed } from "../observation/typed-value";
import type { Candidates, Group } from "./candidates";
import type { ForecastTable, NumberTable } from "./forecasts";
import { narrowCloud, pullCandidate, reachOf, slopeThrough, type Cloud, type Slope } from "./kernel";

/** A number as it is weighed: one that was read, or one end of what was seen between. */
export interface NumberRead {
  value: number;
  resolution: number;
}

/**
 * Weighs words or OL into one group: weight ×= (1 − ε)·p(observed | forecast) + ε·p(slip).
 * @param trusted each candidate's chance that this was no slip, written at its row
 * @param again OL was read with this hook-up before
 * @param came each candidate's chance that its fault came while this was recorded, brought to what it is after the reading;
 *   null where that is not asked
 */
export function weighAtom(
  observed: Observed,
  table: ForecastTable,
  candidates: Candidates,
  { first, size }: Group,
  trusted: Float64Array,
  again = false,
  came: Float64Array | null = null,
): void {
  const slip = slipChance(observed.hookup);
  const { value } = observed;
  const at = table.kind === "words" && value.kind === "word" ? table.words.indexOf(value.word) : -1;
  for (let row = first; row < first + size; row++) {
    const slipped = slip * slipOf(observed, table, candidates.cars[row]!);
    const fits =
      table.kind === "words"
        ? at < 0
          ? 0
          : table.chances[row * table.words.length + at]!
        : overLimitAgain(matchOverLimit(table, row * table.slots), again, slip, slipped);
    const likelihood = (1 - slip) * fits + slipped;
    trusted[row] = 1 - slipped / likelihood;
    candidates.weight[row]! *= likelihood;
    if (came && at >= 0 && table.kind === "words")
      came[row] = ((1 - slip) * table.there[row * table.words.length + at]! + slipped * came[row]!) / likelihood;
  }
}

/**
 * Weighs a number into one group: a density on the reading's scale, as wide as the instrument's error joined with what
 * the candidate's cloud spans there. Candidates are then pulled toward the number read.
 *
 * @param trusted each candidate's chance that this was no slip, written at its row
 * @param gradient how one alternative of a candidate's forecast moves with its scores; null leaves the candidates where they are, for groups
 *   too unlikely to be worth it
 * @param turn how many readings came before: another draw for each
 * @param before what the same hook-up read the last time, the wheel left alone since; null where it is new
 * @param came each candidate's chance that its fault came while this was recorded, brought to what it is after the reading;
 *   null where that is not asked
 * @returns how candidates were moved, so that their forecasts must be made anew; null when none was
 */
export function weighNumber(
  observed: Observed,
  read: NumberRead,
  table: NumberTable,
  candidates: Candidates,
  group: Group,
  cloud: Cloud,
  trusted: Float64Array,
  gradient: ((row: number, slot: number) => Float64Array) | null,
  turn: number,
  before: NumberRead | null = null,
  came: Float64Array | null = null,
): Pull | null {
  const { hookup, slots } = table;
  const { first, size } = group;
  const slip = slipChance(hookup);
  const x = toScale(hookup.instrument, read.value);
  const error = scaleError(hookup, read.value, read.resolution);
  const perSlot: (Leaning | null)[] = [];
  for (let slot = 0; slot < slots; slot++) {
    const values = slotValues(table, group, slot);
    const lean = gradient && ((row: number) => slopeThrough(cloud, gradient(row, slot)));
    perSlot.push(
      values && {
        x: values,
        most: gradient && hookup.instrument === "hertz" ? mostByKind(candidates, group, values) : null,
        slopes: lean ? slopesNear(candidates, group, values, x, error, lean) : [],
      },
    );
  }
  const slot = new Int8Array(size);
  const match: NumberMatch = { likelihood: 0, there: 0, slot: -1 };
  const widths = new Float64Array(slots);
  const made = new Float64Array(slots);
  const earlierX = before && toScale(hookup.instrument, before.value);
  // What reads otherwise than before is news like any other.
  const beforeX = earlierX !== null && Math.abs(x - earlierX) < SAME_ERRORS * error ? earlierX : null;
  for (let k = 0; k < size; k++) {
    const row = first + k;
    const slipped = slip * slipOf(observed, table, candidates.cars[row]!);
    // What stands at nothing stays at nothing: a car without a signal has no neighbours with a little of one.
    for (let at = 0; at < slots; at++)
      widths[at] = table.values[row * slots + at] === 0 ? 0 : widthOf(perSlot[at], k, x);
    if (before && beforeX !== null)
      madeBefore(
        table,
        row * slots,
        {
          x: beforeX,
          resolution: before.resolution,
          slipped: slip * slipDensity(hookup, before.value, before.resolution, candidates.cars[row]!.circuit),
        },
        widths,
        made,
      );
    const again = beforeX === null ? null : { x: beforeX, made };
    matchNumber(table, row * slots, x, read.resolution, widths, match, drawn(turn, k), again);
    const likelihood = (1 - slip) * match.likelihood + slipped;
    slot[k] = match.slot;
    trusted[row] = 1 - slipped / likelihood;
    if (came) came[row] = ((1 - slip) * match.there + slipped * came[row]!) / likelihood;
    candidates.weight[row]! *= likelihood;
  }
  // Read again it tells whether the first was a slip; where the car stands it has told already.
  return gradient && beforeX === null ? pull(perSlot, slot, trusted, candidates, group, cloud, x, error) : null;
}

/** One of a sequence of numbers between 0 and 1 that fills it evenly (Weyl, golden ratio), another for each reading. */
function drawn(turn: number, k: number): number {
  return (0.5 + 0.618033988749895 * k + 0.414213562373095 * turn) % 1;
}

/** One slot's forecasts on the scale, and how they lean on the scores at one of them or at two. */
interface Leaning {
  x: Float64Array;
  /**
   * More than this no car of the group and of a candidate's kind reads, however straight its slope: a gap that loses no pulses
   * any more makes none besides, and what is over it was the hand that turned faster. Null where there is no such end.
   */
  most: Float64Array | null;
  /** The second, where it is not to speak for all that stand nearer to it, for those within so far of it. */
  slopes: { x: number; slope: Slope; within?: number }[];
}

/** How one candidate's forecast leans on its scores: as the nearer of those that were asked does. */
function slopeOf(leaning: Leaning | null | undefined, k: number): Slope | null {
  if (!leaning) return null;
  const [one, other] = leaning.slopes;
  if (!one) return null;
  const x = leaning.x[k]!;
  return other && Math.abs(x - other.x) < (other.within ?? Math.abs(x - one.x)) ? other.slope : one.slope;
}

/** Variance that a candidate's cloud adds on the side of the reading. */
function widthOf(leaning: Leaning | null | undefined, k: number, reading: number): number {
  const variance = slopeOf(leaning, k)?.variance ?? 0;
  if (!leaning?.most) return variance;
  const x = leaning.x[k]!;
  return reading > x ? Math.min(variance, (leaning.most[k]! - x) ** 2) : variance;
}

function mostByKind(
  { setup, scores, dimensions }: Candidates,
  { first, size }: Group,
  values: Float64Array,
): Float64Array {
  const kinds = Array.from({ length: size }, (_, k) => kindOf(setup, scores, (first + k) * dimensions));
  const most = new Map<number, number>();
  kinds.forEach((kind, k) => {
    if (values[k]! > (most.get(kind) ?? -Infinity)) most.set(kind, values[k]!);
  });
  return Float64Array.from(kinds, (kind, k) => most.get(kind) ?? values[k]!);
}

/** Forecasts farther apart than so many widths are not led from one to the other by a straight slope. */
const APART = 3;
/** A cloud so many errors wide stands beside a step. */
const STEEP_ERRORS = 4;
/** A far candidate is asked for its own slope where it carries this part of the group's weight. */
const FAR_SHARE = 0.02;

/**
 * How a slot's forecasts lean on the scores at the candidate nearest to the reading, and, where the heaviest car stands far
 * from that one, at it too: a feed that has switched itself off leans on nothing that the same short leans on while it is
 * fed. None when nothing in the group varies.
 */
function slopesNear(
  { setup, scores, dimensions, weight }: Candidates,
  { first, size }: Group,
  values: Float64Array,
  reading: number,
  error: number,
  lean: (row: number) => Slope,
): Leaning["slopes"] {
  const reach = reachOf(weight, { first, size }, values, error);
  if (reach === null) return [];
  // Of the kind of car that stands nearest as a whole: the cloud is narrowed by that slope, and another kind leans otherwise.
  const kinds = new Map<number, { nearest: number; best: number; near: number }>();
  let total = 0;
  for (let k = 0; k < size; k++) {
    if (Number.isNaN(values[k]!) || values[k] === 0) continue;
    const z = (values[k]! - reading) / reach;
    const once = 1 + z * z;
    const near = weight[first + k]! / (once * once * once);
    if (!(near > 0)) continue;
    total += weight[first + k]!;
    const kind = kindOf(setup, scores, (first + k) * dimensions);
    const one = kinds.get(kind) ?? { nearest: -1, best: 0, near: 0 };
    one.near += weight[first + k]! / once;
    if (near > one.best) [one.nearest, one.best] = [k, near];
    kinds.set(kind, one);
  }
  let [nearest, most] = [-1, 0];
  for (const one of kinds.values()) if (one.near > most) [nearest, most] = [one.nearest, one.near];
  if (nearest < 0) return [];
  const near = { x: values[nearest]!, slope: lean(first + nearest) };
  // Beside a step the slope is steep, and those that a fault leaves as they were do not lean so: their heap is asked for itself.
  const steep = near.slope.variance > (STEEP_ERRORS * error) ** 2;
  const apart = APART * (steep ? error : Math.sqrt(near.slope.variance + error * error));
  const far = heaviestApart(weight, { first, size }, values, near.x, apart, FAR_SHARE * total);
  if (far < 0) return [near];
  return [near, { x: values[far]!, slope: lean(first + far), ...(steep ? { within: apart } : {}) }];
}

/**
 * The heaviest candidate of where most of the weight away from a value stands together: a car that a fault leaves as it was
 * stands with many others, one on a slope stands alone. @returns −1 where none stands so far off, or hardly anything does
 */
function heaviestApart(
  weight: ArrayLike<number>,
  { first, size }: Pick<Group, "first" | "size">,
  values: Float64Array,
  from: number,
  apart: number,
  least: number,
): number {
  const heaps = new Map<number, { weight: number; row: number }>();
  for (let k = 0; k < size; k++) {
    const off = values[k]! - from;
    if (!(Math.abs(off) > apart)) continue;
    const w = weight[first + k]!;
    const at = Math.round(off / apart);
    const heap = heaps.get(at);
    if (!heap) heaps.set(at, { weight: w, row: k });
    else {
      heap.weight += w;
      if (w > weight[first + heap.row]!) heap.row = k;
    }
  }
  let best = { weight: least, row: -1 };
  for (const heap of heaps.values()) if (heap.weight > best.weight) best = heap;
  return best.row;
}

function slipOf(observed: Observed, table: ForecastTable, { circuit }: CarCondition): number {
  return slipLikelihood(observed, table.kind === "words" ? table.words.length : 1, circuit);
}

/** How the candidates of a group were moved toward a number: which alternative each went by, and where to. */
export interface Pull {
  slot: Int8Array;
  target: Float64Array;
  /** Each candidate's own; null where it was left alone. */
  slopes: (Slope | null)[];
}

/**
 * A slope is straight and the circuit is not: once the pulled cars are forecast anew, this takes out what is left
 * between forecast and target (one Gauss–Newton step).
 */
export function settleGroup(
  table: ForecastTable,
  candidates: Candidates,
  group: Group,
  { slot, target, slopes }: Pull,
): void {
  if (table.kind !== "numbers") return;
  for (let k = 0; k < group.size; k++) {
    const slope = slopes[k];
    if (!slope || slope.variance <= 0) continue;
    const value = table.values[(group.first + k) * table.slots + slot[k]!]!;
    if (value === Infinity) continue;
    const left = Math.max(-0.5, Math.min(0.5, target[k]! - toScale(table.hookup.instrument, value)));
    pullCandidate(candidates, group.first + k, slope, left, 0, 1);
  }
}

/** A candidate that believes a reading less than this is left where it is. */
const LEAST_TRUST = 0.05;
/** Clouds are narrowed by a little less than the reading would have it, so that no group ever stands for one car alone. */
const NARROWED = 0.95;

/** Moves each candidate toward the reading as far as it is believed, and narrows the cloud by the slope most used. */
function pull(
  perSlot: (Leaning | null)[],
  slot: Int8Array,
  trusted: Float64Array,
  candidates: Candidates,
  group: Group,
  cloud: Cloud,
  reading: number,
  error: number,
): Pull | null {
  const used = new Map<Slope, number>();
  const slopes: (Slope | null)[] = [];
  const target = new Float64Array(group.size);
  let [total, believed] = [0, 0];
  for (let k = 0; k < group.size; k++) {
    const row = group.first + k;
    total += candidates.weight[row]!;
    slopes.push(null);
    if (slot[k]! < 0) continue;
    const trust = trusted[row]!;
    believed += candidates.weight[row]! * trust;
    const { x, most } = perSlot[slot[k]!]!;
    const toward = Math.min(reading, most?.[k] ?? Infinity);
    const slope = slopeOf(perSlot[slot[k]!], k);
    if (slope) used.set(slope, (used.get(slope) ?? 0) + candidates.weight[row]! * trust);
    if (!slope || x[k] === 0 || trust < LEAST_TRUST) {
      slot[k] = -1;
      continue;
    }
    slopes[k] = slope;
    pullCandidate(candidates, row, slope, toward - x[k]!, error, trust);
    target[k] = x[k]! + (trust * slope.variance * (toward - x[k]!)) / (slope.variance + error * error);
  }
  const [lead] = [...used].toSorted(([, one], [, other]) => other - one);
  if (!lead || total === 0) return null;
  narrowCloud(cloud, lead[0], error, NARROWED * (believed / total));
  return { slot, target, slopes };
}

/** One slot's forecasts on the scale for a group; null when the slot is unused. */
function slotValues(table: NumberTable, { first, size }: Group, slot: number): Float64Array | null {
  let any = false;
  const x = new Float64Array(size).fill(NaN);
  for (let k = 0; k < size; k++) {
    const at = (first + k) * table.slots + slot;
    if (table.chances[at] === 0 || table.values[at] === Infinity) continue;
    any = true;
    x[k] = table.onScale[at]!;
  }
  return any ? x : null;
}
