import { StateReader, type Outlook } from "../observation/reader";
import { answersFor } from "../checks/answers";
import { byState, hookupKey, type Hookup } from "../checks/hookup";
import { seenShare } from "../observation/seen-share";
import { toScale } from "../observation/scale";
import { dimensionsOf, type Dimension } from "../car/dimensions";
import { leansOn } from "../observation/leans-on";
import type { Whereabouts } from "../car/whereabouts";
import { carAt, freshen, type Candidates, type Group } from "./candidates";

/**
 * What candidates would read in one hook-up, the forecast of row `r` kept at `r / stride`. Numbers have `slots`
 * alternatives each: `LEVELS` while the fault is there, and as many while it is away.
 */
export type ForecastTable =
  | { kind: "numbers"; hookup: Hookup; slots: number; values: Float64Array; chances: Float64Array }
  | { kind: "words"; hookup: Hookup; words: readonly string[]; chances: Float64Array };

/** A level, the other one, and what an averaging meter shows between them; all again while the fault is away. */
export const LEVELS = 3;
const NEVER = -1;
/** Length of a difference quotient's step, in scores: long enough to see past a knee beside the car. */
const STEP = 0.4;
/** Planning looks at every so-many-th candidate: what a check may show needs no more. */
export const PLANNING_STRIDE = 6;

/**
 * Forecasts for a line-up, made when first wanted and kept; hook-ups in one state share the solves.
 * @param stride 1 forecasts every candidate, 3 every third; group sizes are multiples of it
 */
export class Forecasts {
  private readonly candidates: Candidates;
  private readonly stride: number;
  private readonly tables = new Map<string, ForecastTable>();
  private readonly readers: {
    reader: StateReader;
    tables: ForecastTable[];
    made: Int32Array;
    gradients: Map<string, Float64Array>[];
    gradientsMade: Int32Array;
  }[] = [];
  private readonly moves: Int32Array;

  constructor(candidates: Candidates, stride = 1) {
    this.candidates = candidates;
    this.stride = stride;
    this.moves = new Int32Array(candidates.groups.length);
  }

  /**
   * The tables of these hook-ups, in order; a group that has moved since is forecast anew if it still matters.
   * @param matters told the group, the hook-ups asked for, and whether an older forecast of it is at hand
   */
  want(
    hookups: readonly Hookup[],
    matters: (group: number, shelf: readonly Hookup[], older: boolean) => boolean,
  ): ForecastTable[] {
    const wanted = new Set(hookups.map(hookupKey));
    const missing = hookups.filter((hookup) => !this.tables.has(hookupKey(hookup)));
    for (const sharing of byState(missing)) this.read(sharing);
    for (const shelf of this.readers) {
      const asked = shelf.tables.flatMap(({ hookup }) => (wanted.has(hookupKey(hookup)) ? [hookup] : []));
      if (asked.length === 0) continue;
      this.candidates.groups.forEach((group, g) => {
        if (
          shelf.made[g] === this.moves[g] ||
          (!matters(g, asked, shelf.made[g] !== NEVER) && (shelf.made[g] !== NEVER || this.stride > 1))
        )
          return;
        freshen(this.candidates, group, g);
        fill(shelf.reader, shelf.tables, this.candidates, group, this.stride);
        shelf.made[g] = this.moves[g]!;
      });
    }
    return hookups.map((hookup) => this.tables.get(hookupKey(hookup))!);
  }

  /** Says that a group's candidates have moved. */
  moved(group: number): void {
    this.moves[group]! += 1;
  }

  /**
   * How one candidate's forecasts of a hook-up move with each of its scores, on the reading's scale: by[slot * dimensions + d],
   * by difference quotients. Kept until the group moves. The hook-up must have been wanted before.
   * @param wide whether the clouds have any width along a score
   */
  gradient(hookup: Hookup, g: number, row: number, wide: (dimension: number) => boolean): Float64Array {
    const key = hookupKey(hookup);
    const shelf = this.readers.find(({ tables }) => tables.some((table) => hookupKey(table.hookup) === key))!;
    const at = shelf.tables.findIndex((table) => hookupKey(table.hookup) === key);
    if (shelf.gradientsMade[g] !== shelf.made[g]) {
      shelf.gradients[g] = new Map();
      shelf.gradientsMade[g] = shelf.made[g]!;
    }
    const kept = shelf.gradients[g]!;
    const name = `${at}:${row}`;
    if (!kept.has(name))
      kept.set(name, differenceQuotients(this.candidates, this.candidates.groups[g]!, row, shelf.reader, at, wide));
    return kept.get(name)!;
  }

  private read(hookups: Hookup[]): void {
    const { setup, groups } = this.candidates;
    const count = this.candidates.count / this.stride;
    const slots = groups.some(({ comesAndGoes }) => comesAndGoes) ? 2 * LEVELS : LEVELS;
    const tables = hookups.map((hookup): ForecastTable => {
      const words = answersFor(hookup)?.words;
      if (words) return { kind: "words", hookup, words, chances: new Float64Array(count * words.length) };
      return {
        kind: "numbers",
        hookup,
        slots,
        values: new Float64Array(count * slots),
        chances: new Float64Array(count * slots),
      };
    });
    const reader = new StateReader(setup, hookups[0]!.state, hookups);
    this.readers.push({
      reader,
      tables,
      made: new Int32Array(groups.length).fill(NEVER),
      gradients: [],
      gradientsMade: new Int32Array(groups.length).fill(NEVER),
    });
    hookups.forEach((hookup, i) => this.tables.set(hookupKey(hookup), tables[i]!));
  }
}

function differenceQuotients(
  candidates: Candidates,
  group: Group,
  row: number,
  reader: StateReader,
  at: number,
  wide: (dimension: number) => boolean,
): Float64Array {
  const { dimensions, scores, setup } = candidates;
  const hookup = reader.hookups[at]!;
  const index = new Map(dimensionsOf(setup.family, true).map((dimension, d) => [dimension, d]));
  const slots = group.comesAndGoes ? 2 * LEVELS : LEVELS;
  const own = Float64Array.from(scores.subarray(row * dimensions, (row + 1) * dimensions));
  const moving = new Set<number>();
  const here = read((dimension) => {
    const d = index.get(dimension)!;
    if (wide(d) && leansOn(hookup, dimension)) moving.add(d);
  });
  const by = new Float64Array(slots * dimensions);
  for (const d of moving) {
    const step = own[d]! > 0 ? -STEP : STEP;
    own[d]! += step;
    const there = read();
    own[d]! -= step;
    for (let slot = 0; slot < slots; slot++) {
      const change = (there[slot]! - here[slot]!) / step;
      if (Number.isFinite(change)) by[slot * dimensions + d] = change;
    }
  }
  return by;

  function read(used?: (dimension: Dimension) => void): Float64Array {
    const { car, healthy } = carAt(candidates, group, own, used);
    const x = new Float64Array(slots).fill(NaN);
    [car, healthy].forEach((one, state) => {
      if (!one) return;
      reader.take(one);
      const outlook = reader.outlook(at, state === 0 ? group.whereabouts : whileAway(group));
      if (outlook.kind === "words") return;
      outlook.values.forEach((value, i) => {
        if (value !== Infinity) x[state * LEVELS + i] = toScale(hookup.instrument, value);
      });
    });
    return x;
  }
}

function whileAway({ whereabouts }: Group): Whereabouts {
  return { ...whereabouts, comesAndGoes: false };
}

function fill(
  reader: StateReader,
  tables: ForecastTable[],
  candidates: Candidates,
  group: Group,
  stride: number,
): void {
  for (let row = group.first; row < group.first + group.size; row += stride) {
    const duty = candidates.duty[row]!;
    const place = row / stride;
    reader.take(candidates.cars[row]!);
    tables.forEach((table, at) =>
      write(table, place, reader.outlook(at, group.whereabouts), seenShare(table.hookup, duty), 0),
    );
    const away = candidates.healthy[row];
    if (!away) continue;
    reader.take(away);
    const healthyHere = whileAway(group);
    tables.forEach((table, at) =>
      write(table, place, reader.outlook(at, healthyHere), 1 - seenShare(table.hookup, duty), LEVELS),
    );
  }
}

/** Both states of a fault that comes and goes are mixed by how long each is there for this hook-up to see. */
function write(table: ForecastTable, place: number, outlook: Outlook, share: number, slot: number): void {
  if (table.kind === "words" && outlook.kind === "words") {
    const start = place * table.words.length;
    outlook.chances.forEach((chance, i) => {
      table.chances[start + i] = (slot === 0 ? 0 : table.chances[start + i]!) + share * chance;
    });
  } else if (table.kind === "numbers" && outlook.kind === "numbers") {
    const start = place * table.slots;
    if (slot === 0) table.chances.fill(0, start, start + table.slots);
    outlook.values.forEach((value, i) => {
      table.values[start + slot + i] = value;
      table.chances[start + slot + i] = share * outlook.chances[i]!;
    });
  }
}

/** How often a level is never met in ten small steps of the wheel although the sensor switches (engineering judgement). */
const LEVEL_MISSED = 0.015;
/** What is met so seldom is no level that it toggles to. */
const HARDLY = 0.07;
/** The least and the greatest of what is seen while the wheel is turned or the meter left on. */
export type End = "low" | "high";

/**
 * The forecasts of one end of what is seen between: with both levels met nearly always, and where a watch meets a fault
 * that comes and goes, between what is there and what is there without it.
 */
export function endForecast(table: ForecastTable & { kind: "numbers" }, end: End): ForecastTable & { kind: "numbers" } {
  const { hookup, slots } = table;
  const values = new Float64Array(table.values.length);
  const chances = new Float64Array(table.chances.length);
  const pick = end === "low" ? Math.min : Math.max;
  for (let start = 0; start < values.length; start += slots)
    for (let state = start; state < start + slots; state += LEVELS) {
      let [least, greatest] = [Infinity, -Infinity];
      const share = sumOf(table.chances, state, state + LEVELS);
      const until = hookup.state.watched && state === start ? start + slots : state + LEVELS;
      for (let at = state; at < until; at++) {
        const ofState = at < state + LEVELS ? share : sumOf(table.chances, state + LEVELS, until);
        if (table.chances[at]! <= HARDLY * ofState) continue;
        least = Math.min(least, table.values[at]!);
        greatest = Math.max(greatest, table.values[at]!);
      }
      if (share === 0) continue;
      const toggles = greatest > least;
      values.set([pick(least, greatest), least, greatest], state);
      chances.set([toggles ? share * (1 - 2 * LEVEL_MISSED) : share, 0, 0], state);
      if (toggles) chances.fill(share * LEVEL_MISSED, state + 1, state + LEVELS);
    }
  return { kind: "numbers", hookup, slots, values, chances };
}

function sumOf(values: Float64Array, from: number, until: number): number {
  let sum = 0;
  for (let at = from; at < until; at++) sum += values[at]!;
  return sum;
}

export type NumberTable = ForecastTable & { kind: "numbers" };

/** A gradient in the slots of a table, brought to those of another that holds the same values in another order. */
export function inSlotsOf(
  by: Float64Array,
  row: number,
  plain: NumberTable,
  asked: NumberTable,
  dimensions: number,
): Float64Array {
  if (plain === asked) return by;
  const start = row * asked.slots;
  const out = new Float64Array(by.length);
  for (let slot = 0; slot < by.length / dimensions; slot++) {
    const from = plain.values.subarray(start, start + plain.slots).indexOf(asked.values[start + slot]!);
    if (from >= 0) out.set(by.subarray(from * dimensions, (from + 1) * dimensions), slot * dimensions);
  }
  return out;
}
