import type { NumberTable } from "../belief/forecasts";
import { fittedVariance } from "../belief/fitted-variance";
import type { Cloud } from "../belief/kernel";
import type { Hypothesis, Posterior } from "../belief/posterior";

/**
 * Width each forecast is smeared by, per slot. A candidate stands for a cloud (see kernel.ts) whose spread by common
 * tolerances is some 1.6 times that among the candidates; wide spreads come from the fault's own size, which they do
 * show. Without it a few scattered candidates would pass for knowledge.
 */
export function slotKernels(
  table: NumberTable,
  { first, size }: { first: number; size: number },
  within: Float64Array,
  stride: number,
): Float64Array {
  const kernels = new Float64Array(table.slots);
  for (let slot = 0; slot < table.slots; slot++) {
    let [sum, mean, square] = [0, 0, 0];
    for (let row = first; row < first + size; row += stride) {
      const at = (row / stride) * table.slots + slot;
      const x = table.onScale[at]!;
      if (table.chances[at] === 0 || x === Infinity) continue;
      const weight = within[row]!;
      sum += weight;
      mean += weight * x;
      square += weight * x * x;
    }
    if (sum <= 0) continue;
    const deviation = Math.sqrt(Math.max(0, square / sum - (mean / sum) ** 2));
    kernels[slot] = Math.min(WIDEST_KERNEL, CLOUD_OVER_SCATTER * deviation);
  }
  return kernels;
}

/**
 * The blur of each slot's forecasts from what the candidates stand for: dearer than `slotKernels`, and right where a
 * reading spreads by place or by a tolerance the candidates show.
 */
export function cloudKernels(
  table: NumberTable,
  { particles }: Posterior,
  group: Hypothesis,
  cloud: Cloud,
  stride: number,
): Float64Array {
  const left = (group.size / stride) ** SILVERMAN;
  return Float64Array.from({ length: table.slots }, (_, slot) => {
    const rows: number[] = [];
    const values: number[] = [];
    let [sum, mean] = [0, 0];
    for (let row = group.first; row < group.first + group.size; row += stride) {
      const at = (row / stride) * table.slots + slot;
      const x = table.onScale[at]!;
      if (table.chances[at] === 0 || x === Infinity) continue;
      rows.push(row);
      values.push(x);
      sum += particles.weight[row]!;
      mean += particles.weight[row]! * x;
    }
    if (!(sum > 0)) return 0;
    return Math.sqrt(fittedVariance(particles, rows, cloud, Float64Array.from(values), mean / sum, SMALL_ERROR, left));
  });
}

const SMALL_ERROR = 0.02;
/** Few candidates stand for many: the variance of a kernel over n of them (B. W. Silverman, Density Estimation, 1986). */
const SILVERMAN = -2 / 5;
const CLOUD_OVER_SCATTER = 1.6;
const WIDEST_KERNEL = 0.5;
