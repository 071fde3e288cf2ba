import { LEVELS, type ForecastTable } from "./forecasts";
import { toScale } from "../observation/scale";

/** The first (low) or second (high) level an active sensor stands at; null where nobody knows. */
export type StoodAt = 0 | 1 | null;

type NumberTable = ForecastTable & { kind: "numbers" };

/** A wheel nobody turned keeps the pole it stopped at, but for a lean on the car or a gust (engineering judgement). */
const MOVED = 0.1;
/** One level must be met so many times better than the other to count as the one it stood at. */
const TOLD = 5;

/** Forecasts of live volts on a wheel that has not been turned since: mostly the level met last, whatever the place read. */
export function standing(table: NumberTable, stoodAt: StoodAt): NumberTable {
  const { state } = table.hookup;
  if (stoodAt === null || state.wheel !== "still" || state.key !== "on") return table;
  const chances = table.chances.slice();
  for (let at = 0; at + 1 < chances.length; at += LEVELS) {
    const both = chances[at]! + chances[at + 1]!;
    if (chances[at + 1]! === 0 || chances[at]! === 0) continue;
    chances[at + stoodAt] = both * (1 - MOVED);
    chances[at + 1 - stoodAt] = both * MOVED;
  }
  return { ...table, chances };
}

/** Which level a number read on a standing wheel was, by the candidates that could show either; null where it does not tell. */
export function levelMet(table: ForecastTable, { value }: { value: number }, weight: ArrayLike<number>): StoodAt {
  if (table.kind !== "numbers" || table.hookup.state.wheel !== "still" || table.hookup.state.key !== "on") return null;
  const { hookup, slots, onScale, chances } = table;
  const x = toScale(hookup.instrument, value);
  const met: [number, number] = [0, 0];
  for (let row = 0; row < weight.length; row++) {
    const at = row * slots;
    if (weight[row] === 0 || !(chances[at]! > 0 && chances[at + 1]! > 0)) continue;
    met[Math.abs(onScale[at]! - x) <= Math.abs(onScale[at + 1]! - x) ? 0 : 1] += weight[row]!;
  }
  if (met[0] > TOLD * met[1]) return 0;
  return met[1] > TOLD * met[0] ? 1 : null;
}
