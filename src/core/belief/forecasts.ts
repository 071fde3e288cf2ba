import { StateReader, type Outlook } from "../observation/reader";
import { answersFor } from "../checks/answers";
import { byState, hookupKey, type Hookup } from "../checks/hookup";
import { scaleError, toScale } from "../observation/scale";
import { indexOfDimensions, type Dimension } from "../car/dimensions";
import { leansOn } from "../observation/leans-on";
import type { Whereabouts } from "../car/whereabouts";
import { carAt, freshen, type Candidates, type Group } from "./candidates";
import { cameShare, isBeside } from "./recording";

/**
 * What candidates would read in one hook-up, the forecast of row `r` kept at `r / stride`. Numbers have `slots`
 * alternatives each: `LEVELS` while the fault is there, and as many while it is away.
 */
export type ForecastTable =
  | {
      kind: "numbers";
      hookup: Hookup;
      slots: number;
      values: Float64Array;
      /** The same on the scale readings are compared on, and the error of a reading there. */
      onScale: Float64Array;
      errors: Float64Array;
      chances: Float64Array;
    }
  | {
      kind: "words";
      hookup: Hookup;
      words: readonly string[];
      chances: Float64Array;
      /** The part of each chance that comes of the fault while it is there. */
      there: Float64Array;
    };

/** A level, the other one, and what an averaging meter shows between them; all again while the fault is away. */
export const LEVELS = 3;
/** Which of them is the mean of a turning wheel. */
const MEAN = 2;
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
  private readonly shelved = new Map<string, Shelved>();
  private readonly shelves: Shelved[][] = [];
  private readonly moves: Int32Array;

  constructor(candidates: Candidates, stride = 1) {
    this.candidates = candidates;
    this.stride = stride;
    this.moves = new Int32Array(candidates.groups.length);
  }

  /**
   * The tables of these hook-ups, in order; a group that has moved since is forecast anew if it still matters.
   * @param matters told the group, the hook-up, and whether an older forecast of it is at hand
   */
  want(
    hookups: readonly Hookup[],
    matters: (group: number, hookup: Hookup, older: boolean) => boolean,
  ): ForecastTable[] {
    for (const sharing of byState(hookups.filter((hookup) => !this.shelf(hookup)))) this.shelve(sharing);
    const wanted = new Set(hookups.map((hookup) => this.shelf(hookup)!));
    const isDue = (one: Shelved, g: number): boolean => {
      const older = one.made[g] !== NEVER;
      if (one.made[g] === this.moves[g]) return false;
      return matters(g, one.table.hookup, older) || (!older && this.stride === 1);
    };
    for (const shelf of this.shelves) {
      const asked = shelf.filter((one) => wanted.has(one));
      if (asked.length === 0) continue;
      this.candidates.groups.forEach((group, g) => {
        const due = asked.filter((one) => isDue(one, g));
        if (due.length === 0) return;
        freshen(this.candidates, group, this.stride);
        fill(due, this.candidates, group, this.stride);
        for (const one of due) one.made[g] = this.moves[g]!;
      });
    }
    return hookups.map((hookup) => this.shelf(hookup)!.table);
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
    const one = this.shelf(hookup)!;
    if (one.gradientsMade[g] !== one.made[g]) {
      one.gradients[g] = new Map();
      one.gradientsMade[g] = one.made[g]!;
    }
    const kept = one.gradients[g]!;
    if (!kept.has(row))
      kept.set(row, differenceQuotients(this.candidates, this.candidates.groups[g]!, row, one.reader, one.at, wide));
    return kept.get(row)!;
  }

  private shelf(hookup: Hookup): Shelved | undefined {
    return this.shelved.get(this.shelfKey(hookup));
  }

  private shelve(hookups: Hookup[]): void {
    const { setup, groups } = this.candidates;
    const count = this.candidates.count / this.stride;
    const slots = groups.some(({ comesAndGoes }) => comesAndGoes) ? 2 * LEVELS : LEVELS;
    const never = () => new Int32Array(groups.length).fill(NEVER);
    const reader = new StateReader(setup, hookups[0]!.state, hookups);
    const shelf = hookups.map((hookup, at): Shelved => {
      const table = emptyTable(hookup, count, slots);
      return { reader, at, table, made: never(), gradients: [], gradientsMade: never() };
    });
    this.shelves.push(shelf);
    for (const one of shelf) this.shelved.set(this.shelfKey(one.table.hookup), one);
  }

  /** What the fault did meanwhile, and what other channels recorded, make another forecast of the same hook-up. */
  private shelfKey(hookup: Hookup): string {
    const { meanwhile = "", recording } = hookup.state;
    const beside = isBeside(this.candidates, hookup) ? `@${recording}/${this.candidates.recording!.channels}` : "";
    return hookupKey(hookup) + meanwhile + beside;
  }
}

/** One hook-up's table, the reader it shares with others in its state, and when each group was last forecast. */
interface Shelved {
  reader: StateReader;
  /** Number of the hook-up among those the reader reads. */
  at: number;
  table: ForecastTable;
  made: Int32Array;
  gradients: Map<number, Float64Array>[];
  gradientsMade: Int32Array;
}

function emptyTable(hookup: Hookup, count: number, slots: number): ForecastTable {
  const words = answersFor(hookup)?.words;
  const size = words ? words.length : slots;
  const numbers = () => new Float64Array(count * size);
  if (words) return { kind: "words", hookup, words, chances: numbers(), there: numbers() };
  return {
    kind: "numbers",
    hookup,
    slots,
    values: numbers(),
    onScale: numbers(),
    errors: numbers(),
    chances: numbers(),
  };
}

/**
 * A reading that changes by much for one score may have jumped: a feed switches itself off, a sensor starves. Where it
 * changes so many times less the other way, the car stands beside such a step and leans as the ground on its side does.
 */
const STEEP = 1.5;
const JUMP = 3;

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
  const index = indexOfDimensions(setup.family);
  const slots = group.comesAndGoes ? 2 * LEVELS : LEVELS;
  const own = Float64Array.from(scores.subarray(row * dimensions, (row + 1) * dimensions));
  const moving = new Set<number>();
  const here = read((dimension) => {
    const d = index.get(dimension)!;
    if (wide(d) && leansOn(hookup, dimension)) moving.add(d);
  });
  const by = new Float64Array(slots * dimensions);
  for (const d of moving) {
    const inward = own[d]! > 0 ? -STEP : STEP;
    const changes = quotients(d, inward);
    const steep = changes.some((change) => Math.abs(change) > STEEP);
    const outward = steep ? quotients(d, -inward) : changes;
    changes.forEach((change, slot) => {
      const own = Math.abs(change) > JUMP * Math.abs(outward[slot]!) ? outward[slot]! : change;
      if (Number.isFinite(own)) by[slot * dimensions + d] = own;
    });
  }
  return by;

  function quotients(d: number, step: number): Float64Array {
    own[d]! += step;
    const there = read();
    own[d]! -= step;
    return there.map((x, slot) => (x - here[slot]!) / step);
  }

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

/** Forecasts a group in some of the tables that share a reader. */
function fill(due: readonly Shelved[], candidates: Candidates, group: Group, stride: number): void {
  const { reader } = due[0]!;
  const healthyHere = whileAway(group);
  for (let row = group.first; row < group.first + group.size; row += stride) {
    const place = row / stride;
    reader.take(candidates.cars[row]!);
    for (const { table, at } of due)
      write(table, place, reader.outlook(at, group.whereabouts), cameShare(candidates, table.hookup, row), 0);
    const away = candidates.healthy[row];
    if (!away) continue;
    reader.take(away);
    for (const { table, at } of due)
      write(table, place, reader.outlook(at, healthyHere), 1 - cameShare(candidates, table.hookup, row), LEVELS);
  }
}

/** Both states of a fault that comes and goes are mixed by how long each is there for this hook-up to see. */
function write(table: ForecastTable, place: number, outlook: Outlook, share: number, slot: number): void {
  if (table.kind === "words" && outlook.kind === "words") {
    const start = place * table.words.length;
    outlook.chances.forEach((chance, i) => {
      if (slot === 0) table.there[start + i] = share * chance;
      table.chances[start + i] = (slot === 0 ? 0 : table.chances[start + i]!) + share * chance;
    });
  } else if (table.kind === "numbers" && outlook.kind === "numbers") {
    const start = place * table.slots;
    if (slot === 0) table.chances.fill(0, start, start + table.slots);
    outlook.values.forEach((value, i) => {
      setValue(table, start + slot + i, value);
      table.chances[start + slot + i] = share * outlook.chances[i]!;
    });
  }
}

function setValue(table: NumberTable, at: number, value: number): void {
  table.values[at] = value;
  table.onScale[at] = value === Infinity ? Infinity : toScale(table.hookup.instrument, value);
  table.errors[at] = value === Infinity ? 0 : scaleError(table.hookup, value, 0);
}

/** So many small steps a level is looked for when a wheel is turned by hand (engineering judgement). */
const STEPS = 7;
/** What is met so seldom is no level that it toggles to. */
const HARDLY = 0.07;
/** What a meter that holds least and greatest shows of a turning wheel: both levels, or half or none of the way to them from the mean. */
const HELD = [0.6, 0.2, 0.2] as const;
/** The least and the greatest of what is seen while the wheel is turned or the meter left on. */
export type End = "low" | "high";

/**
 * The forecasts of one end of what is seen between: with both levels met nearly always, and where a watch meets a fault
 * that comes and goes, between what is there and what is there without it.
 * @param rows from which place in the table until which; the rest is left as it was
 */
export function endForecast(
  table: NumberTable,
  end: End,
  rows: Iterable<readonly [from: number, until: number]> = [[0, table.values.length]],
): NumberTable {
  const { hookup, slots } = table;
  const values = table.values.slice();
  const chances = new Float64Array(table.chances.length);
  const out: NumberTable = { ...table, values, onScale: table.onScale.slice(), errors: table.errors.slice(), chances };
  for (const [from, until] of rows) for (let start = from; start < until; start += slots) ends(start);
  return out;

  function ends(start: number): void {
    for (let state = start; state < start + slots; state += LEVELS) {
      const share = sumOf(table.chances, state, state + LEVELS);
      if (share === 0) continue;
      const until = hookup.state.watched && state === start ? start + slots : state + LEVELS;
      let [least, greatest, ofLeast, ofGreatest] = [Infinity, -Infinity, 0, 0];
      for (let at = state; at < until; at++) {
        const ofState = at < state + LEVELS ? share : sumOf(table.chances, state + LEVELS, until);
        if (table.chances[at]! <= HARDLY * ofState) continue;
        const chance = table.chances[at]! / ofState;
        if (table.values[at]! < least) [least, ofLeast] = [table.values[at]!, chance];
        if (table.values[at]! > greatest) [greatest, ofGreatest] = [table.values[at]!, chance];
      }
      const mean = table.values[state + MEAN]!;
      if (table.chances[state + MEAN]! > share / 2) {
        // The wheel turns: a slow meter shows the mean, one that holds both ends the levels.
        const levels = table.values.subarray(state, state + MEAN);
        const far = end === "low" ? Math.min(...levels) : Math.max(...levels);
        [far, (far + mean) / 2, mean].forEach((value, i) => {
          setValue(out, state + i, value);
          chances[state + i] = share * HELD[i]!;
        });
        continue;
      }
      const toggles = greatest > least;
      const missed = toggles ? (1 - Math.min(ofLeast, ofGreatest)) ** STEPS : 0;
      setValue(out, state, end === "low" ? least : greatest);
      chances[state] = share * (1 - missed);
      if (!toggles) continue;
      setValue(out, state + 1, least);
      setValue(out, state + 2, greatest);
      chances.fill((share * missed) / 2, state + 1, state + LEVELS);
    }
  }
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
