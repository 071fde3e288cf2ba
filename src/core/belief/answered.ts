import { asChannel } from "../checks/beside";
import { stateKey } from "../circuit/state";
import { hookupKey, isLook, type Hookup } from "../checks/hookup";
import { others } from "../checks/looks/others";
import { readsTheSame, turnsWheel } from "../checks/turns-wheel";
import type { Observation } from "../observation/observation";
import { BY_ERROR } from "../observation/word-chances";
import { AT_ONCE_ALIKE, secondLook, seenAlike, seenAtOnce } from "../observation/second-look";
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
    if (last?.kind === "word") return lookedAgain(table, last.word, alike);
    if (this.several && isLook(table.hookup, others.id)) return lookedAgain(table, SEVERAL, alike);
    // The same signal recorded at another place errs alike, so far as nothing on the way changes it.
    const recorded =
      table.hookup.instrument === "scope" ? this.recordings.get(stateKey(table.hookup.state)) : undefined;
    if (recorded === undefined) return table;
    const { recording } = table.hookup.state;
    const atOnce = recording !== undefined && recording === recorded.hookup.state.recording;
    // At another time the fault may come or stay away anew.
    const first = tableOf(atOnce ? recorded.hookup : asChannel(recorded.hookup, null));
    if (first.kind !== "words") return table;
    if (atOnce) return lookedAtOnce(table, first, recorded.word);
    return seenAnew(table, recorded.word, (own, at, row) =>
      seenAtOnce(own, [...first.chances.subarray(row, row + own.length)], at, alike, BY_ERROR),
    );
  }
}

/** Forecasts of a look had before. @param alike see `seenAlike` */
function lookedAgain(table: WordTable, word: string, alike: number): WordTable {
  return seenAnew(table, word, (own, at) => secondLook(own, at, alike));
}

/** Forecasts after something was called `word`. @param anew chances of a car's words, from its own and where its row begins */
function seenAnew(
  table: WordTable,
  word: string,
  anew: (own: readonly number[], at: number, row: number) => readonly number[],
): WordTable {
  const at = table.words.indexOf(word);
  const size = table.words.length;
  const chances = table.chances.slice();
  const there = table.there.slice();
  for (let row = 0; row < chances.length; row += size) {
    chances.set(anew([...table.chances.subarray(row, row + size)], at, row), row);
    for (let cell = row; cell < row + size; cell++)
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
    const withIt = seenAtOnce(own.withIt, other.withIt, at, AT_ONCE_ALIKE);
    const without = seenAtOnce(own.without, other.without, at, AT_ONCE_ALIKE);
    there.set(withIt, start);
    chances.set(
      withIt.map((chance, i) => chance + without[i]!),
      start,
    );
  }
  return { ...table, chances, there };
}

type WordTable = Extract<ForecastTable, { kind: "words" }>;
