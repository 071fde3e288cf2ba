import type { Observed } from "../observation/typed-value";
import type { Candidates } from "./candidates";
import { endForecast, inSlotsOf, type End, type Forecasts, type ForecastTable, type NumberTable } from "./forecasts";
import type { Cloud } from "./kernel";
import type { Localisation } from "./localisation";
import { weighAtom, weighNumber, type NumberRead, type Pull } from "./weigh";

/** Where the weighing is done: on the belief itself, or on a copy that is thrown away. */
export interface Bench {
  candidates: Candidates;
  clouds: readonly Cloud[];
  forecasts: Forecasts;
  localisation: Localisation;
  /** The hook-up's forecasts as they are now. */
  tableNow(): ForecastTable;
  /** Told that a group's candidates have moved. */
  moved(g: number): void;
}

/** What is known of the moment of an observation. */
export interface Moment {
  /** Shares before it. */
  shares: Float64Array;
  readBefore: Observed["value"] | null;
  /** How many observations came before. */
  turn: number;
}

/** What an observation did. */
export interface WeighedIn {
  /** Each candidate's chance that it was no slip. */
  trusted: Float64Array;
  pulls: (Pull | null)[] | null;
  table: ForecastTable;
}

/** Weighs one observation into every group; weights are left as they come, not yet brought back to 1. */
export function weighIn(observed: Observed, bench: Bench, moment: Moment): WeighedIn {
  const { candidates } = bench;
  const { value, hookup } = observed;
  const trusted = new Float64Array(candidates.count);
  const { readBefore } = moment;
  let table = bench.tableNow();
  let pulls: (Pull | null)[] | null = null;
  if (value.kind === "number" && table.kind === "numbers") {
    const earlier = readBefore?.kind === "number" ? readBefore : null;
    pulls = weighNumbers(observed, value, bench, moment, trusted, table, table, earlier);
  } else if (value.kind === "range" && table.kind === "numbers") {
    const end = (which: End, plain: NumberTable) => {
      const read = { value: which === "low" ? value.low : value.high, resolution: value.resolution };
      weighNumbers(observed, read, bench, moment, trusted, endForecast(plain, which), plain);
    };
    end("low", table);
    const first = trusted.slice();
    table = bench.tableNow();
    end("high", table as NumberTable);
    for (let row = 0; row < trusted.length; row++) trusted[row]! *= first[row]!;
  } else
    for (const group of candidates.groups)
      weighAtom(observed, table, candidates, group, trusted, readBefore?.kind === "over-limit");
  pool(bench.localisation.untouched(hookup), candidates, moment.shares);
  return { trusted, pulls, table };
}

/** @param numbers the forecasts of what was read @param plain those it was made of, where it is one end of a range */
function weighNumbers(
  observed: Observed,
  read: NumberRead,
  { candidates, clouds, forecasts, localisation, moved }: Bench,
  { shares, turn }: Moment,
  trusted: Float64Array,
  numbers: NumberTable,
  plain: NumberTable,
  earlier: NumberRead | null = null,
): (Pull | null)[] {
  const { hookup } = observed;
  const { dimensions } = candidates;
  const untouched = localisation.untouched(hookup);
  const lead = localisation.lead(hookup, shares);
  const ofLead: Float64Array[] = [];
  const weigh = (g: number): Pull | null => {
    const cloud = clouds[g]!;
    const wide = (d: number) => cloud.covariance[d * dimensions + d]! > NARROW;
    // Cars whose fault cannot change the reading lean on their tolerances alike: one of them is asked for all.
    const asLead = g !== lead && untouched[g] === 1;
    const gradient = (row: number, slot: number): Float64Array => {
      if (asLead && ofLead[slot]) return ofLead[slot];
      const all = inSlotsOf(forecasts.gradient(hookup, g, row, wide), row, plain, numbers, dimensions);
      const by = all.slice(slot * dimensions, (slot + 1) * dimensions);
      if (g === lead) ofLead[slot] = by;
      return by;
    };
    const pull = weighNumber(
      observed,
      read,
      numbers,
      candidates,
      candidates.groups[g]!,
      cloud,
      trusted,
      shares[g]! > FINE_SHARE ? gradient : null,
      turn,
      earlier,
    );
    if (pull) moved(g);
    return pull;
  };
  const first = lead >= 0 ? weigh(lead) : null;
  return candidates.groups.map((_, g) => (g === lead ? first : weigh(g)));
}

/** Groups below this share are weighed without being pulled toward the reading. */
const FINE_SHARE = 2e-4;
/** Dimensions in which a cloud has less variance than this have no width worth asking for. */
const NARROW = 1e-5;

/**
 * Faults that cannot change this reading share one likelihood, the mean over all of them by share: what each
 * group's own few candidates happen to say of it is noise.
 */
function pool(untouched: Uint8Array, { groups, weight }: Candidates, before: Float64Array): void {
  const after = groups.map(({ first, size }) => {
    let share = 0;
    for (let row = first; row < first + size; row++) share += weight[row]!;
    return share;
  });
  let [held, left] = [0, 0];
  for (let g = 0; g < groups.length; g++)
    if (untouched[g]) {
      held += before[g]!;
      left += after[g]!;
    }
  if (!(held > 0)) return;
  groups.forEach(({ first, size }, g) => {
    if (!untouched[g] || !(after[g]! > 0)) return;
    const factor = ((left / held) * before[g]!) / after[g]!;
    for (let row = first; row < first + size; row++) weight[row]! *= factor;
  });
}
