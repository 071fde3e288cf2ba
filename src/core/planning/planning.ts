import type { Posterior } from "../belief/posterior";

/** Groups below this share cannot change the answer and are left out of the sums. */
export const NEGLIGIBLE_SHARE = 1e-3;

/** The candidates that planning forecasts, and how much each stands for. */
export interface Planning {
  posterior: Posterior;
  /** Of the hypotheses: as they are, or as they would be without the reading a verdict hangs on. */
  shares: Float64Array;
  /** Every so-many-th candidate is forecast. */
  stride: number;
  /** Weights of the candidates forecast, summing to 1 in each group (see `subsetWeights`). */
  within: Float64Array;
}

/** Weights of every `stride`-th candidate, summing to 1 within each group. */
export function subsetWeights({ hypotheses, particles }: Posterior, stride: number): Float64Array {
  const { weight, count } = particles;
  const within = new Float64Array(count);
  for (const { first, size } of hypotheses) {
    let sum = 0;
    for (let row = first; row < first + size; row += stride) sum += weight[row]!;
    for (let row = first; row < first + size; row += stride) within[row] = sum > 0 ? weight[row]! / sum : 0;
  }
  return within;
}
