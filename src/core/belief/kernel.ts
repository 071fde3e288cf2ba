import { normal, type Random } from "../random/random";
import { dimensionsOf, isDeciding } from "../car/dimensions";
import { COMMON_WIDTH, type Candidates, type Group } from "./candidates";

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

/**
 * Width of a fresh cloud along the fault's own scores: its size acts crookedly and is left to the candidates. A hundred of
 * them ask for 0.42 of their spread (B. W. Silverman, Density Estimation, 1986, 3.31); crooked as it is, a little less. At
 * 0.25 how likely a resistance was hung on the draw: its logit scattered by 0.8 over 24 draws, now by 0.5.
 */
const OWN_WIDTH = 0.35;

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

export type Rows = Pick<Group, "first" | "size">;

/** How one check's reading, on its scale, leans on the scores of a group near the value that was read. */
export interface Slope {
  /** Change of the reading per unit of each score. */
  by: Float64Array;
  /** covariance · by */
  spreadBy: Float64Array;
  /** Variance of the reading within one cloud. */
  variance: number;
}

/** A slope that is known, seen through a cloud. @param by change of the reading per unit of each score */
export function slopeThrough(cloud: Cloud, by: Float64Array): Slope {
  const spreadBy = multiply(cloud.covariance, by);
  return { by, spreadBy, variance: by.reduce((sum, one, d) => sum + one * spreadBy[d]!, 0) };
}

/**
 * How far from a reading a candidate still speaks of it, on the scale: by the error, or the spread of the group's forecasts.
 * @param values the group's forecasts; NaN where there is none
 * @param least spread under so many errors is none @returns null when nothing in the group varies
 */
export function reachOf(
  weight: ArrayLike<number>,
  { first, size }: Rows,
  values: Float64Array,
  error: number,
  least = 0,
): number | null {
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
  return spread < least * error ? null : Math.max(3 * error, 0.35 * spread);
}

/** No reading takes a candidate further than so many standard deviations of its own cloud: beyond it the slope says nothing. */
const FURTHEST = 4;

/** Pulls one candidate toward the reading. @param pull part of the innovation that is believed, 0 to 1 */
export function pullCandidate(
  candidates: Candidates,
  row: number,
  slope: Slope,
  innovation: number,
  error: number,
  pull: number,
): void {
  if (!(slope.variance > 0)) return;
  const most = FURTHEST / Math.sqrt(slope.variance);
  const gain = Math.max(-most, Math.min(most, (pull * innovation) / (slope.variance + error * error)));
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

/**
 * The lower root of a symmetric positive matrix, of which the lower triangle is read. Written here, not taken from a matrix
 * package: it runs thousands of times a reading, and ml-matrix 6 needs 1.3 times as long at 30 dimensions and 28 times at 6.
 */
export function cholesky(matrix: Float64Array, n: number): Float64Array {
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

/** A group is resampled when it matters and few of its cars carry its weight. */
const MATTERS = 0.003;
const THIN = 0.35;

/** Whether a group has become too thin to be trusted: (Σw)² / Σw² (Kish's effective count) against its size. */
export function isThin({ weight }: Pick<Candidates, "weight">, { first, size }: Group): boolean {
  let [total, squares] = [0, 0];
  for (let row = first; row < first + size; row++) {
    total += weight[row]!;
    squares += weight[row]! ** 2;
  }
  return total > MATTERS && (total * total) / squares < THIN * size;
}
