import { stateKey } from "../circuit/state";
import { hookupKey, isLook, type Hookup } from "../checks/hookup";
import { others } from "../checks/looks/others";
import { readsTheSame, turnsWheel } from "../checks/turns-wheel";
import type { Observation } from "../observation/observation";
import { secondLook, seenAlike, seenAtOnce } from "../observation/second-look";
import type { Observed } from "../observation/typed-value";
import type { ForecastTable } from "./forecasts";
import { levelMet, standing, type StoodAt } from "./standing-wheel";

/** What each hook-up was answered with so far, and how the wheel was left: both change what it will read the next time. */
export class Answered {
  private readonly answers = new Map<string, Observed["value"][]>();
  /** The last recording in each state of the car, wherever its probe stood. */
  private readonly recordings = new Map<string, { word: string; hookup: Hookup }>();
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
    if (hookup.instrument === "scope" && value.kind === "word")
      this.recordings.set(stateKey(hookup.state), { word: value.word, hookup });
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

  /**
   * Forecasts as they are after what was done before: the same look had, the wheel left where it stood.
   * @param tableOf the forecasts of another hook-up as they are now
   */
  changed(table: ForecastTable, tableOf: (hookup: Hookup) => ForecastTable): ForecastTable {
    if (table.kind === "numbers") return standing(table, this.stoodAt);
    const last = this.answers.get(hookupKey(table.hookup))?.at(-1);
    const alike = seenAlike(table.hookup);
    if (last?.kind === "word") return lookedAgain(table, last.word, 0, alike);
    if (this.several && isLook(table.hookup, others.id)) return lookedAgain(table, SEVERAL, 0, alike);
    // The same signal recorded at another place errs alike, where nothing on the way could change it.
    const recorded =
      table.hookup.instrument === "scope" ? this.recordings.get(stateKey(table.hookup.state)) : undefined;
    if (recorded === undefined) return table;
    const { recording } = table.hookup.state;
    if (recording === undefined || recording !== recorded.hookup.state.recording)
      return lookedAgain(table, recorded.word, SAME_SIGNAL, alike);
    const first = tableOf(recorded.hookup);
    return first.kind === "words" ? lookedAtOnce(table, first, recorded.word) : table;
  }
}

/** A car that shows at this place what was recorded at another with at least so much chance shows the same signal (engineering judgement). */
const SAME_SIGNAL = 0.2;

/**
 * Forecasts of a look had before.
 * @param least chance of the answer under which a car is left as it is @param alike see `seenAlike`
 */
function lookedAgain(table: WordTable, word: string, least: number, alike: number): WordTable {
  const at = table.words.indexOf(word);
  const size = table.words.length;
  const chances = table.chances.slice();
  const there = table.there.slice();
  for (let start = 0; start < chances.length; start += size)
    if (chances[start + at]! >= least) {
      chances.set(secondLook([...chances.subarray(start, start + size)], at, alike), start);
      for (let cell = start; cell < start + size; cell++)
        if (there[cell]! > 0) there[cell]! *= chances[cell]! / table.chances[cell]!;
    }
  return { ...table, chances, there };
}

/** What codes of several corners say of the other corners. */
const SEVERAL: (typeof others.answers.list)[number]["word"] = "several";

/**
 * Forecasts of another channel of one recording, once the first was called `word`: they are looked at side by side, with the
 * fault there and without it each by itself.
 */
function lookedAtOnce(table: WordTable, first: WordTable, word: string): WordTable {
  const at = table.words.indexOf(word);
  const size = table.words.length;
  const [chances, there] = [table.chances.slice(), table.there.slice()];
  for (let start = 0; start < chances.length; start += size) {
    const of = (one: WordTable) => {
      const withIt = [...one.there.subarray(start, start + size)];
      return { withIt, without: withIt.map((chance, i) => one.chances[start + i]! - chance) };
    };
    const [own, other] = [of(table), of(first)];
    const withIt = seenAtOnce(own.withIt, other.withIt, at);
    const without = seenAtOnce(own.without, other.without, at);
    there.set(withIt, start);
    chances.set(
      withIt.map((chance, i) => chance + without[i]!),
      start,
    );
  }
  return { ...table, chances, there };
}

type WordTable = Extract<ForecastTable, { kind: "words" }>;
