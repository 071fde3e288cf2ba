import type { Evidence } from "./evidence";
import type { ForecastTable } from "./forecast";
import type { LineUp } from "./line-up";
import { overLimitChance, scaleError, toScale } from "./scale";
import { BLUNDER } from "./weigh";

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
  lineUp: LineUp,
  ids: readonly string[],
): { low: number; high: number } {
  let [low, high] = [Infinity, -Infinity];
  if (table.kind === "numbers")
    for (const id of ids)
      forEachForecast(table, lineUp, id, (x) => {
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
  lineUp: LineUp,
  id: string,
  { low, high }: { low: number; high: number },
): { bands: Band[]; overLimit: number } {
  const cells = new Float64Array(CELLS);
  let overLimit = 0;
  let total = 0;
  forEachForecast(
    table,
    lineUp,
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

/** Shares after a reading, without logging it: quick and a little blunt, good enough for a needle. */
export function previewShares(lineUp: LineUp, evidence: Evidence, table: ForecastTable): Float64Array {
  const { groups, weight } = lineUp.candidates;
  const out = Float64Array.from(groups, (group) => {
    let sum = 0;
    for (let row = group.first; row < group.first + group.size; row++)
      if (weight[row]! > 0) sum += weight[row]! * ((1 - BLUNDER) * likelihood(evidence, table, row) + BLUNDER / 14);
    return sum;
  });
  const total = out.reduce((sum, value) => sum + value, 0);
  return out.map((value) => value / total);
}

const PREVIEW_KERNEL = 0.06;

function likelihood(evidence: Evidence, table: ForecastTable, row: number): number {
  if (table.kind === "words")
    return evidence.value.kind === "word"
      ? table.chances[row * table.words.length + table.words.indexOf(evidence.value.word)]!
      : 0;
  let sum = 0;
  for (let at = row * table.slots; at < (row + 1) * table.slots; at++) {
    const chance = table.chances[at]!;
    if (chance === 0) continue;
    const value = table.values[at]!;
    const over = overLimitChance(table.hookup.instrument, value);
    if (evidence.value.kind === "over-limit") sum += chance * over;
    else if (evidence.value.kind === "number" && value !== Infinity) {
      const sigma = Math.hypot(scaleError(table.hookup, value, evidence.value.resolution), PREVIEW_KERNEL);
      const z =
        (toScale(table.hookup.instrument, evidence.value.value) - toScale(table.hookup.instrument, value)) / sigma;
      sum += (chance * (1 - over) * Math.exp(-0.5 * z * z)) / (sigma * 2.5066);
    }
  }
  return sum;
}

function forEachForecast(
  table: Numbers,
  lineUp: LineUp,
  id: string,
  each: (x: number, weight: number, value: number) => void,
  over?: (weight: number) => void,
): void {
  const group = lineUp.candidates.groups[lineUp.groupIndex(id)]!;
  let total = 0;
  for (let row = group.first; row < group.first + group.size; row++) total += lineUp.candidates.weight[row]!;
  for (let row = group.first; row < group.first + group.size; row++) {
    const weight = lineUp.candidates.weight[row]!;
    if (weight < 1e-4 * (total / group.size)) continue;
    for (let at = row * table.slots; at < (row + 1) * table.slots; at++) {
      if (table.chances[at] === 0) continue;
      if (table.values[at] === Infinity) over?.(weight * table.chances[at]!);
      else each(toScale(table.hookup.instrument, table.values[at]!), weight * table.chances[at]!, table.values[at]!);
    }
  }
}
