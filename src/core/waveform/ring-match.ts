import { median } from "../units/median";
import type { RingRaster } from "./raster";

/** Whether two recordings show one ring, by the unevenness that every ring has of its own. */
export type RingMatch = "same" | "same-reversed" | "another" | "too-few-turns" | "too-even";

/** A pattern is known by what it repeats from turn to turn. */
const FEWEST_TURNS = 2;
/**
 * The best of all rotations, both ways, in standard deviations of chance (Fisher's z): chance comes to 4.7 once in some
 * three thousand pairs of 50 teeth, and to 3.4 once in thirty.
 */
const IS_SAME = 4.7;
const COULD_BE_CHANCE = 3.4;
/** So much must two recordings of one ring be expected to reach, by how well each repeats itself, before they are two rings'. */
const WOULD_SHOW = 7;

/**
 * Turns two patterns against each other until they fit best, as they ran and backwards. Each tooth is held against the few
 * around it: what is slow over the turn the hub, the hand and the speed have too, and two of those always fit.
 */
export function matchRings(one: RingRaster, other: RingRaster): RingMatch {
  if (one.columns !== other.columns) return "another";
  if (turnsOf(one) < FEWEST_TURNS || turnsOf(other) < FEWEST_TURNS) return "too-few-turns";
  const [a, b] = [patternOf(one), patternOf(other)];
  // Turned the other way the sensor sees each tooth's other flank: what lies between those is half of either neighbour.
  const flanks = a.map((own, tooth) => (own + a[(tooth + 1) % a.length]!) / 2);
  const ways = [fits(a, b), fits(flanks, [...b].reverse())] as const;
  const all = ways.flat();
  const best = Math.max(...all);
  // Neighbours share an edge, so that fewer than all teeth are independent: what is left of chance tells how many.
  const rest = all.filter((fit) => fit < best);
  const freedom = Math.max(4, rest.length / rest.reduce((sum, fit) => sum + fit * fit, 0));
  const score = (fit: number) => Math.atanh(Math.min(0.999, fit)) * Math.sqrt(freedom - 3);
  if (score(best) >= IS_SAME) return ways[0].includes(best) ? "same" : "same-reversed";
  const expected = Math.sqrt(repeats(one) * repeats(other));
  return score(expected) >= WOULD_SHOW && score(best) < COULD_BE_CHANCE ? "another" : "too-even";
}

/** Turns a recording holds, by the teeth it shows or misses. */
export function turnsOf({ rows, columns, deviation, missing }: RingRaster): number {
  let seen = 0;
  for (let i = 0; i < rows * columns; i++) if (missing[i] || !Number.isNaN(deviation[i]!)) seen++;
  return seen / columns;
}

/** Each tooth's middle over the turns, of what it differs by from those around it; 0 where it was not seen. */
function patternOf(raster: RingRaster, ofRows: (row: number) => boolean = () => true): Float64Array {
  const { rows, columns } = raster;
  const own = Float64Array.from({ length: rows * columns }, (_, i) => besideNeighbours(raster, i));
  const sizes = own.filter((value) => !Number.isNaN(value)).map(Math.abs);
  const most = sizes.length > 0 ? PULLED * median([...sizes]) : 0;
  return Float64Array.from({ length: columns }, (_, tooth) => {
    const seen = [...Array(rows).keys()]
      .filter(ofRows)
      .map((row) => own[row * columns + tooth]!)
      .filter((value) => !Number.isNaN(value));
    return seen.length > 0 ? Math.max(-most, Math.min(most, median(seen))) : 0;
  });
}

/** What stands out by more than so many times the usual is a hand's pull, or counts as if it were (judgement). */
const PULLED = 6;

/**
 * Nine neighbours' quadratic: what a wheel's speed can do in that time (A. Savitzky and M. J. E. Golay, Analytical Chemistry
 * 36(8), 1964).
 */
const SMOOTH = [-21, 14, 39, 54, 59, 54, 39, 14, -21].map((part) => part / 231);
const AROUND = 4;

function besideNeighbours({ deviation, missing, aside }: RingRaster, at: number): number {
  let smooth = 0;
  for (let k = -AROUND; k <= AROUND; k++) {
    const i = at + k;
    if (i < 0 || i >= deviation.length || missing[i] || aside[i] || Number.isNaN(deviation[i]!)) return NaN;
    smooth += SMOOTH[k + AROUND]! * deviation[i]!;
  }
  return deviation[at]! - smooth;
}

/** Correlations at every rotation. */
function fits(one: ArrayLike<number>, other: ArrayLike<number>): number[] {
  const size = (values: ArrayLike<number>) => Math.hypot(...Array.from(values));
  const scale = size(one) * size(other);
  return Array.from({ length: one.length }, (_, shift) => {
    let dot = 0;
    for (let tooth = 0; tooth < one.length; tooth++) dot += one[tooth]! * other[(tooth + shift) % one.length]!;
    return scale > 0 ? dot / scale : 0;
  });
}

/** How well a recording repeats itself: every other turn against the rest, stepped up to all (Spearman and Brown, 1910). */
function repeats(raster: RingRaster): number {
  const [fit = 0] = fits(
    patternOf(raster, (row) => row % 2 === 0),
    patternOf(raster, (row) => row % 2 === 1),
  );
  return Math.max(0, (2 * fit) / (1 + fit));
}
