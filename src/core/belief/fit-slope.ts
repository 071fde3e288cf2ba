import { cholesky, reachOf, slopeThrough, type Cloud, type Rows, type Slope } from "./kernel";
import type { Particles } from "./particles";

/**
 * Fits the slope over a group's candidates, weighted toward those near the reading, by forward selection: the score
 * that explains most of what is left joins until none explains more than chance would (orthogonal matching pursuit,
 * Pati et al., Asilomar 1993). A plain fit on every score would pull on tolerances the reading says nothing about.
 *
 * @param values the group's forecasts on the reading's scale; NaN where there is none
 * @param reading what was read, on the scale @param error the instrument's error there
 * @param unexplained part of the variance left over by the fit that counts as the cloud's own
 */
export function fitSlope(
  candidates: Particles,
  group: Rows,
  cloud: Cloud,
  values: Float64Array,
  reading: number,
  error: number,
  unexplained: number,
): Slope | null {
  const weights = localWeights(candidates, group, values, reading, error);
  if (!weights) return null;
  const columns = centredColumns(candidates, group, weights);
  const norms = columns.map((column) => dot(column, column, weights));
  const left = centred(values, weights);
  const total = dot(left, left, weights);
  const effective = 1 / weights.reduce((sum, weight) => sum + weight * weight, 0);
  const chosen: number[] = [];
  let coefficients: Float64Array = new Float64Array(0);
  while (chosen.length < MOST_SCORES) {
    const unexplained = dot(left, left, weights);
    if (unexplained < 0.01 * total || unexplained < 0.04 * error * error) break;
    const best = bestColumn(columns, norms, left, weights, chosen);
    if (best.correlation * best.correlation * effective < CHANCE * unexplained) break;
    chosen.push(best.index);
    coefficients = regress(columns, chosen, centred(values, weights), weights);
    subtractFit(values, weights, columns, chosen, coefficients, left);
  }
  const { dimensions } = candidates;
  const by = new Float64Array(dimensions);
  chosen.forEach((d, i) => (by[d] = coefficients[i]!));
  const slope = slopeThrough(cloud, by);
  return { ...slope, variance: slope.variance + unexplained * dot(left, left, weights) };
}

const RIDGE = 1e-3;
const MOST_SCORES = 6;
/** A score must explain this many times what pure chance would (about 3 standard errors). */
const CHANCE = 9;

/** Reused from fit to fit: thousands of short arrays a reading would keep the collector busy. */
let scratch: Float64Array[] = [];

function centredColumns(
  { scores, dimensions }: Particles,
  { first, size }: Rows,
  weights: Float64Array,
): Float64Array[] {
  if (scratch[0]?.length !== size || scratch.length !== dimensions)
    scratch = Array.from({ length: dimensions }, () => new Float64Array(size));
  scratch.forEach((column, d) => {
    let mean = 0;
    for (let k = 0; k < size; k++) mean += weights[k]! * (column[k] = scores[(first + k) * dimensions + d]!);
    for (let k = 0; k < size; k++) column[k]! -= mean;
  });
  return scratch;
}

/** Values less their weighted mean; 0 where the weight is 0. */
function centred(values: Float64Array, weights: Float64Array): Float64Array {
  let mean = 0;
  for (let k = 0; k < values.length; k++) if (weights[k]! > 0) mean += weights[k]! * values[k]!;
  return values.map((value, k) => (weights[k]! > 0 ? value - mean : 0));
}

function dot(a: Float64Array, b: Float64Array, weights: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += weights[k]! * a[k]! * b[k]!;
  return sum;
}

/** The column most correlated with what is left; `correlation` is scaled so that its square is the variance explained. */
function bestColumn(
  columns: Float64Array[],
  norms: number[],
  left: Float64Array,
  weights: Float64Array,
  taken: number[],
): { index: number; correlation: number } {
  let best = { index: -1, correlation: 0 };
  columns.forEach((column, index) => {
    if (taken.includes(index)) return;
    const own = norms[index]!;
    if (own < 1e-9) return;
    const correlation = Math.abs(dot(column, left, weights)) / Math.sqrt(own);
    if (correlation > best.correlation) best = { index, correlation };
  });
  return best;
}

function regress(columns: Float64Array[], chosen: number[], target: Float64Array, weights: Float64Array): Float64Array {
  const n = chosen.length;
  const matrix = new Float64Array(n * n);
  const right = new Float64Array(n);
  chosen.forEach((one, i) => {
    right[i] = dot(columns[one]!, target, weights);
    chosen.forEach(
      (other, j) => (matrix[i * n + j] = dot(columns[one]!, columns[other]!, weights) + (i === j ? RIDGE : 0)),
    );
  });
  solveSymmetric(matrix, right, n);
  return right;
}

function subtractFit(
  values: Float64Array,
  weights: Float64Array,
  columns: Float64Array[],
  chosen: number[],
  coefficients: Float64Array,
  out: Float64Array,
): void {
  out.set(centred(values, weights));
  chosen.forEach((d, i) => {
    for (let k = 0; k < out.length; k++) out[k]! -= coefficients[i]! * columns[d]![k]!;
  });
}

/** Candidates near the reading count most; null when nothing in the group varies. */
function localWeights(
  { weight }: Particles,
  { first, size }: Rows,
  values: Float64Array,
  reading: number,
  error: number,
): Float64Array | null {
  const reach = reachOf(weight, { first, size }, values, error);
  if (reach === null) return null;
  const out = new Float64Array(size);
  let total = 0;
  for (let k = 0; k < size; k++) {
    if (Number.isNaN(values[k]!)) continue;
    const z = (values[k]! - reading) / reach;
    total += out[k] = weight[first + k]! / (1 + z * z);
  }
  if (!(total > 0)) return null;
  for (let k = 0; k < size; k++) out[k]! /= total;
  return out;
}

/** Solves A·x = b in place for a symmetric positive matrix given by its lower triangle. */
function solveSymmetric(matrix: Float64Array, b: Float64Array, n: number): void {
  const root = cholesky(matrix, n);
  for (let i = 0; i < n; i++) {
    let sum = b[i]!;
    for (let j = 0; j < i; j++) sum -= root[i * n + j]! * b[j]!;
    b[i] = sum / root[i * n + i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let j = i + 1; j < n; j++) sum -= root[j * n + i]! * b[j]!;
    b[i] = sum / root[i * n + i]!;
  }
}
