import { normal, type Random } from "../random/random";
import { dimensionsOf, isDeciding } from "../car/dimensions";
import { COMMON_WIDTH, type Candidates, type Group } from "./candidates";
import type { Particles } from "./particles";

/**
 * A candidate stands for its neighbours too: it is the middle of a small Gaussian cloud in the space of its
 * scores. All clouds of a group share one covariance. Seen through a check, a cloud is as wide as the check's slope
 * makes it; a reading pulls each candidate toward what was read and narrows the cloud along that slope.
 *
 * This is the kernel (Gaussian-mixture) form of the ensemble Kalman filter: J. L. Anderson and S. L. Anderson,
 * Monthly Weather Review 127 (1999) 2741–2758; A. S. Stordal et al., Computational Geosciences 15 (2011) 293–305.
 */
export interface Cloud {
  /** covariance[i * dimensions + j] of the scores. */
  covariance: Float64Array;
}

/** Width of a fresh cloud along the fault's own scores: its size acts crookedly and is left to the candidates. */
const OWN_WIDTH = 0.25;
/** How much of the curvature left over by a straight fit widens the cloud's view. */
const CURVATURE = 0.04;
const RIDGE = 1e-3;

export function freshCloud({ setup, dimensions, common }: Candidates): Cloud {
  const covariance = new Float64Array(dimensions * dimensions);
  dimensionsOf(setup.family, true)
    .slice(0, dimensions)
    .forEach((dimension, i) => {
      const width = isDeciding(dimension) ? 0 : i < common ? COMMON_WIDTH : OWN_WIDTH;
      covariance[i * dimensions + i] = width ** 2;
    });
  return { covariance };
}

type Rows = Pick<Group, "first" | "size">;

/** How one check's reading, on its scale, leans on the scores of a group near the value that was read. */
export interface Slope {
  /** Change of the reading per unit of each score. */
  by: Float64Array;
  /** covariance · by */
  spreadBy: Float64Array;
  /** Variance of the reading within one cloud. */
  variance: number;
}

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
  unexplained = CURVATURE,
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
  const spreadBy = multiply(cloud.covariance, by);
  let through = 0;
  for (let i = 0; i < dimensions; i++) through += by[i]! * spreadBy[i]!;
  return { by, spreadBy, variance: through + unexplained * dot(left, left, weights) };
}

/** A slope that is known, seen through a cloud. @param by change of the reading per unit of each score */
export function slopeThrough(cloud: Cloud, by: Float64Array): Slope {
  const spreadBy = multiply(cloud.covariance, by);
  return { by, spreadBy, variance: by.reduce((sum, one, d) => sum + one * spreadBy[d]!, 0) };
}

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

/** Pulls one candidate toward the reading. @param pull part of the innovation that is believed, 0 to 1 */
export function pullCandidate(
  candidates: Candidates,
  row: number,
  slope: Slope,
  innovation: number,
  error: number,
  pull: number,
): void {
  const gain = (pull * innovation) / (slope.variance + error * error);
  const { dimensions } = candidates;
  for (let d = 0; d < dimensions; d++) {
    const at = row * dimensions + d;
    candidates.scores[at]! += slope.spreadBy[d]! * gain;
  }
}

/** Narrows a group's cloud along a slope after a reading believed to the degree `trust`. */
export function narrowCloud(cloud: Cloud, slope: Slope, error: number, trust: number): void {
  const scale = trust / (slope.variance + error * error);
  const dimensions = slope.by.length;
  for (let i = 0; i < dimensions; i++)
    for (let j = 0; j < dimensions; j++)
      cloud.covariance[i * dimensions + j]! -= scale * slope.spreadBy[i]! * slope.spreadBy[j]!;
}

/**
 * Resamples a thin group by weight (systematic resampling), each copy scattered within its cloud.
 * @returns for each new row of the group, the row it was copied from
 */
export function resample(
  { scores, weight, dimensions }: Candidates,
  { first, size }: Group,
  cloud: Cloud,
  random: Random,
): Int32Array {
  let total = 0;
  for (let row = first; row < first + size; row++) total += weight[row]!;
  const before = scores.slice(first * dimensions, (first + size) * dimensions);
  const parents = new Int32Array(size);
  const root = cholesky(cloud.covariance, dimensions);
  const z = new Float64Array(dimensions);
  let parent = 0;
  let passed = weight[first]!;
  const offset = random();
  for (let k = 0; k < size; k++) {
    const target = ((k + offset) / size) * total;
    while (passed < target && parent < size - 1) passed += weight[first + ++parent]!;
    const repeated = k > 0 && parents[k - 1] === first + parent;
    parents[k] = first + parent;
    for (let d = 0; d < dimensions; d++) z[d] = repeated ? SCATTER * normal(random) : 0;
    for (let i = 0; i < dimensions; i++) {
      let shift = 0;
      for (let j = 0; j <= i; j++) shift += root[i * dimensions + j]! * z[j]!;
      scores[(first + k) * dimensions + i] = before[parent * dimensions + i]! + shift;
    }
  }
  for (let row = first; row < first + size; row++) weight[row] = total / size;
  return parents;
}

/** Copies are scattered by this part of the cloud's own width. */
const SCATTER = 0.3;

/** Candidates near the reading count most; null when nothing in the group varies. */
function localWeights(
  { weight }: Particles,
  { first, size }: Rows,
  values: Float64Array,
  reading: number,
  error: number,
): Float64Array | null {
  let [sum, mean, square] = [0, 0, 0];
  for (let k = 0; k < size; k++) {
    if (Number.isNaN(values[k]!)) continue;
    const w = weight[first + k]!;
    sum += w;
    mean += w * values[k]!;
    square += w * values[k]! ** 2;
  }
  if (sum <= 0) return null;
  mean /= sum;
  const spread = Math.sqrt(Math.max(0, square / sum - mean * mean));
  if (spread < 0.1 * error) return null;
  const reach = Math.max(3 * error, 0.35 * spread);
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

function cholesky(matrix: Float64Array, n: number): Float64Array {
  const root = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= root[i * n + k]! * root[j * n + k]!;
      root[i * n + j] = i === j ? Math.sqrt(Math.max(sum, 1e-12)) : sum / root[j * n + j]!;
    }
  return root;
}

function multiply(matrix: Float64Array, vector: Float64Array): Float64Array {
  const n = vector.length;
  return Float64Array.from(vector, (_, i) => {
    let sum = 0;
    for (let j = 0; j < n; j++) sum += matrix[i * n + j]! * vector[j]!;
    return sum;
  });
}
