import { cholesky, reachOf, type Cloud } from "./kernel";
import type { Particles } from "./particles";

/**
 * Variance of a reading within one cloud, by the slope fitted over some of a group's candidates, those near the reading
 * weighing most. By forward selection: the score that explains most of what is left joins until none explains more than
 * chance would (orthogonal matching pursuit, Pati et al., Asilomar 1993). A plain fit on every score would pull on
 * tolerances the reading says nothing about.
 *
 * @param rows the candidates that forecast a number @param values their forecasts on the reading's scale
 * @param reading what was read, on the scale @param error the instrument's error there
 * @param unexplained part of the variance left over by the fit that counts as the cloud's own
 * @returns 0 when nothing among them varies
 */
export function fittedVariance(
  candidates: Particles,
  rows: ArrayLike<number>,
  cloud: Cloud,
  values: Float64Array,
  reading: number,
  error: number,
  unexplained: number,
): number {
  const weights = localWeights(candidates, rows, values, reading, error);
  if (!weights) return 0;
  const { dimensions } = candidates;
  const columns = centredColumns(candidates, rows, weights);
  const norms = Float64Array.from({ length: dimensions }, (_, d) => dot(columns[d]!, columns[d]!, weights));
  const target = centred(values, weights);
  const left = target.slice();
  const total = dot(left, left, weights);
  const effective = 1 / weights.reduce((sum, weight) => sum + weight * weight, 0);
  const chosen: number[] = [];
  let coefficients: Float64Array = new Float64Array(0);
  let open = total;
  while (chosen.length < MOST_SCORES) {
    if (open < 0.01 * total || open < 0.04 * error * error) break;
    const best = bestColumn(columns, norms, left, weights, chosen);
    if (best.correlation * best.correlation * effective < CHANCE * open) break;
    chosen.push(best.index);
    coefficients = regress(columns, chosen, target, weights);
    subtractFit(target, columns, chosen, coefficients, left);
    open = dot(left, left, weights);
  }
  let variance = unexplained * open;
  chosen.forEach((d, i) =>
    chosen.forEach((e, j) => (variance += coefficients[i]! * coefficients[j]! * cloud.covariance[d * dimensions + e]!)),
  );
  return variance;
}

const RIDGE = 1e-3;
const MOST_SCORES = 6;
/** A score must explain this many times what pure chance would (about 3 standard errors). */
const CHANCE = 9;

/** The scores of some candidates, a column a score, each less its weighted mean. */
function centredColumns(
  { scores, dimensions }: Particles,
  rows: ArrayLike<number>,
  weights: Float64Array,
): Float64Array[] {
  const all = new Float64Array(dimensions * rows.length);
  return Array.from({ length: dimensions }, (_, d) => {
    const column = all.subarray(d * rows.length, (d + 1) * rows.length);
    let mean = 0;
    for (let k = 0; k < rows.length; k++) mean += weights[k]! * (column[k] = scores[rows[k]! * dimensions + d]!);
    for (let k = 0; k < rows.length; k++) column[k]! -= mean;
    return column;
  });
}

/** Values less their weighted mean. */
function centred(values: Float64Array, weights: Float64Array): Float64Array {
  let mean = 0;
  for (let k = 0; k < values.length; k++) mean += weights[k]! * values[k]!;
  return values.map((value) => value - mean);
}

function dot(a: Float64Array, b: Float64Array, weights: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += weights[k]! * a[k]! * b[k]!;
  return sum;
}

/** The column most correlated with what is left; `correlation` is scaled so that its square is the variance explained. */
function bestColumn(
  columns: readonly Float64Array[],
  norms: ArrayLike<number>,
  left: Float64Array,
  weights: Float64Array,
  taken: readonly number[],
): { index: number; correlation: number } {
  let best = { index: -1, correlation: 0 };
  columns.forEach((column, index) => {
    const own = norms[index]!;
    if (own < 1e-9 || taken.includes(index)) return;
    const correlation = Math.abs(dot(column, left, weights)) / Math.sqrt(own);
    if (correlation > best.correlation) best = { index, correlation };
  });
  return best;
}

function regress(
  columns: readonly Float64Array[],
  chosen: readonly number[],
  target: Float64Array,
  weights: Float64Array,
): Float64Array {
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
  target: Float64Array,
  columns: readonly Float64Array[],
  chosen: readonly number[],
  coefficients: Float64Array,
  out: Float64Array,
): void {
  out.set(target);
  chosen.forEach((d, i) => {
    for (let k = 0; k < out.length; k++) out[k]! -= coefficients[i]! * columns[d]![k]!;
  });
}

/** Forecasts spread over less than this part of the error need no fit. */
const HARDLY_VARIES = 0.1;

/** Candidates near the reading count most; null when nothing among them varies. */
function localWeights(
  { weight }: Particles,
  rows: ArrayLike<number>,
  values: Float64Array,
  reading: number,
  error: number,
): Float64Array | null {
  const own = values.map((_, k) => weight[rows[k]!]!);
  const reach = reachOf(own, { first: 0, size: values.length }, values, error, HARDLY_VARIES);
  if (reach === null) return null;
  let total = 0;
  for (let k = 0; k < own.length; k++) {
    const z = (values[k]! - reading) / reach;
    total += own[k]! /= 1 + z * z;
  }
  return total > 0 ? own.map((one) => one / total) : null;
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
