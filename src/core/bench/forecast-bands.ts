import type { ForecastTable } from "../belief/forecasts";
import type { Posterior } from "../belief/posterior";
import { overLimitChance, scaleError, toScale } from "../observation/scale";

/** A stretch of the axis (0 to 1) where a suspect's readings would lie, with the chance that they do. */
export interface Band {
  from: number;
  to: number;
  chance: number;
}

type Numbers = ForecastTable & { kind: "numbers" };
const CELLS = 60;
/** A cell counts into a band when it holds at least this chance. */
const VISIBLE = 0.008;

/** Range on the scale that holds what these suspects would read, with a margin. */
export function subsetRange(
  table: ForecastTable,
  posterior: Posterior,
  ids: readonly string[],
): { low: number; high: number } {
  let [low, high] = [Infinity, -Infinity];
  if (table.kind === "numbers")
    for (const id of ids)
      forEachForecast(table, posterior, id, (x) => {
        if (x < low) low = x;
        if (x > high) high = x;
      });
  if (low > high) return { low: 0, high: 1 };
  const margin = 0.06 * (high - low) + 0.15;
  return { low: low - margin, high: high + margin };
}

/** Where one suspect's readings would lie. */
export function bandsOf(
  table: Numbers,
  posterior: Posterior,
  id: string,
  { low, high }: { low: number; high: number },
): { bands: Band[]; overLimit: number } {
  const cells = new Float64Array(CELLS);
  let overLimit = 0;
  let total = 0;
  forEachForecast(
    table,
    posterior,
    id,
    (x, weight, value) => {
      total += weight;
      const over = overLimitChance(table.hookup.instrument, value);
      overLimit += weight * over;
      const sigma = Math.max(0.012, scaleError(table.hookup, value, 0) / (high - low));
      const centre = (x - low) / (high - low);
      for (
        let cell = Math.max(0, Math.floor((centre - 2 * sigma) * CELLS));
        cell <= Math.min(CELLS - 1, Math.floor((centre + 2 * sigma) * CELLS));
        cell++
      )
        cells[cell]! += (weight * (1 - over)) / (4 * sigma * CELLS);
    },
    (weight) => {
      total += weight;
      overLimit += weight;
    },
  );
  const bands: Band[] = [];
  for (let cell = 0; cell < CELLS; cell++) {
    const chance = total > 0 ? cells[cell]! / total : 0;
    if (chance < VISIBLE) continue;
    const last = bands.at(-1);
    if (last && Math.abs(last.to - cell / CELLS) < 1e-9) {
      last.to = (cell + 1) / CELLS;
      last.chance += chance;
    } else bands.push({ from: cell / CELLS, to: (cell + 1) / CELLS, chance });
  }
  return { bands, overLimit: total > 0 ? overLimit / total : 0 };
}

function forEachForecast(
  table: Numbers,
  posterior: Posterior,
  id: string,
  each: (x: number, weight: number, value: number) => void,
  over?: (weight: number) => void,
): void {
  const group = posterior.hypotheses[posterior.indexOf(id)]!;
  let total = 0;
  for (let row = group.first; row < group.first + group.size; row++) total += posterior.particles.weight[row]!;
  for (let row = group.first; row < group.first + group.size; row++) {
    const weight = posterior.particles.weight[row]!;
    if (weight < 1e-4 * (total / group.size)) continue;
    for (let at = row * table.slots; at < (row + 1) * table.slots; at++) {
      if (table.chances[at] === 0) continue;
      if (table.values[at] === Infinity) over?.(weight * table.chances[at]!);
      else each(toScale(table.hookup.instrument, table.values[at]!), weight * table.chances[at]!, table.values[at]!);
    }
  }
}
