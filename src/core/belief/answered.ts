import { stateKey } from "../circuit/state";
import { hookupKey, isLook, type Hookup } from "../checks/hookup";
import { others } from "../checks/looks/others";
import { readsTheSame, turnsWheel } from "../checks/turns-wheel";
import type { Observation } from "../observation/observation";
import { secondLook, seenAlike } from "../observation/second-look";
import type { Observed } from "../observation/typed-value";
import type { ForecastTable } from "./forecasts";
import { levelMet, standing, type StoodAt } from "./standing-wheel";

/** What each hook-up was answered with so far, and how the wheel was left: both change what it will read the next time. */
export class Answered {
  private readonly answers = new Map<string, Observed["value"][]>();
  /** The last recording in each state of the car, wherever its probe stood. */
  private readonly recordings = new Map<string, string>();
  /** Which of its two levels the sensor was left at by the last reading on a standing wheel; unknown once it was turned. */
  stoodAt: StoodAt = null;

  /** @param several codes name other corners: the scan tool was looked at before */
  constructor(private readonly several = false) {}

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
    if (hookup.instrument === "scope" && value.kind === "word") this.recordings.set(stateKey(hookup.state), value.word);
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
    if (last?.kind === "word") return lookedAgain(table, last.word, 0);
    if (this.several && isLook(table.hookup, others.id)) return lookedAgain(table, SEVERAL, 0);
    // The same signal recorded at another place errs alike, where nothing on the way could change it.
    const recorded =
      table.hookup.instrument === "scope" ? this.recordings.get(stateKey(table.hookup.state)) : undefined;
    return recorded === undefined ? table : lookedAgain(table, recorded, SAME_SIGNAL);
  }
}

/** A car that shows at this place what was recorded at another with at least so much chance shows the same signal (engineering judgement). */
const SAME_SIGNAL = 0.2;

/** Forecasts of a look had before. @param least chance of the answer under which a car is left as it is */
function lookedAgain(table: WordTable, word: string, least: number): WordTable {
  const at = table.words.indexOf(word);
  const size = table.words.length;
  const alike = seenAlike(table.hookup);
  const chances = table.chances.slice();
  for (let start = 0; start < chances.length; start += size)
    if (chances[start + at]! >= least)
      chances.set(secondLook([...chances.subarray(start, start + size)], at, alike), start);
  return { ...table, chances };
}

/** What codes of several corners say of the other corners. */
const SEVERAL: (typeof others.answers.list)[number]["word"] = "several";

type WordTable = Extract<ForecastTable, { kind: "words" }>;
