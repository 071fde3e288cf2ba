import { hookupKey, type Hookup } from "../checks/hookup";
import { readsTheSame, turnsWheel } from "../checks/turns-wheel";
import type { Observation } from "../observation/observation";
import { secondLook } from "../observation/second-look";
import type { Observed } from "../observation/typed-value";
import type { ForecastTable } from "./forecasts";
import { levelMet, standing, type StoodAt } from "./standing-wheel";

/** What each hook-up was answered with so far, and how the wheel was left: both change what it will read the next time. */
export class Answered {
  private readonly answers = new Map<string, Observed["value"][]>();
  /** Which of its two levels the sensor was left at by the last reading on a standing wheel; unknown once it was turned. */
  stoodAt: StoodAt = null;

  /** Notes an answer. @param weight of the candidates forecast in `table`, this reading weighed in */
  note({ hookup, value }: Observation, table: ForecastTable, weight: ArrayLike<number>): void {
    if (turnsWheel(hookup)) this.stoodAt = null;
    else if (value.kind === "number") this.stoodAt = levelMet(table, value, weight) ?? this.stoodAt;
    this.keep(hookup, value);
  }

  /** Takes up a log as it was noted before. */
  resume(log: readonly Observation[], stoodAt: StoodAt): void {
    for (const { hookup, value } of log) this.keep(hookup, value);
    this.stoodAt = stoodAt;
  }

  private keep(hookup: Hookup, value: Observed["value"]): void {
    const key = hookupKey(hookup);
    const known = this.answers.get(key);
    if (known) known.push(value);
    else this.answers.set(key, [value]);
  }

  /** How often a look was had, or a reading taken, with this hook-up. */
  times(hookup: Hookup): number {
    return this.answers.get(hookupKey(hookup))?.length ?? 0;
  }

  /** What this hook-up read the last time; null where it is new, watched anew, or turned the wheel. */
  readBefore(hookup: Hookup): Observed["value"] | null {
    if (hookup.state.watched || !readsTheSame(hookup)) return null;
    return this.answers.get(hookupKey(hookup))?.at(-1) ?? null;
  }

  /** Forecasts as they are after what was done before: the same look had, the wheel left where it stood. */
  changed(table: ForecastTable): ForecastTable {
    if (table.kind === "numbers") return standing(table, this.stoodAt);
    const last = this.answers.get(hookupKey(table.hookup))?.at(-1);
    if (last?.kind !== "word") return table;
    const at = table.words.indexOf(last.word);
    const chances = new Float64Array(table.chances.length);
    for (let start = 0; start < chances.length; start += table.words.length)
      chances.set(
        secondLook([...table.chances.subarray(start, start + table.words.length)], at, table.hookup.instrument),
        start,
      );
    return { ...table, chances };
  }
}
