import { kindOf } from "../car/dimensions";
import type { Observed } from "../observation/typed-value";
import { sharesOf, type Candidates } from "./candidates";
import {
  endForecast,
  inSlotsOf,
  LEVELS,
  type End,
  type Forecasts,
  type ForecastTable,
  type NumberTable,
} from "./forecasts";
import type { Cloud } from "./kernel";
import type { Localisation } from "./localisation";
import { weighMeanwhile } from "./meanwhile";
import { bothSigns, cameBefore } from "./recording";
import { scaleError, toScale } from "../observation/scale";
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
  /** For each group, 1 where one of them was a reading that its fault can change. */
  touched: Uint8Array;
}

/** What an observation did. */
export interface WeighedIn {
  /** Each candidate's chance that it was no slip. */
  trusted: Float64Array;
  pulls: (Pull | null)[] | null;
  table: ForecastTable;
  /** What all weights together were multiplied by for what the fault did meanwhile. */
  meanwhile: number;
  /** Each candidate's chance that its fault came while this was recorded; null where the recording has no name. */
  came: Float64Array | null;
}

/** Weighs one observation into every group; weights are left as they come, not yet brought back to 1. */
export function weighIn(observed: Observed, bench: Bench, moment: Moment): WeighedIn {
  const { candidates } = bench;
  const { value, hookup } = observed;
  const trusted = new Float64Array(candidates.count);
  const meanwhile = weighMeanwhile(hookup, candidates);
  const came = cameBefore(candidates, hookup);
  const { readBefore } = moment;
  let table = bench.tableNow();
  let pulls: (Pull | null)[] | null = null;
  if (value.kind === "number" && table.kind === "numbers") {
    const earlier = readBefore?.kind === "number" ? readBefore : null;
    pulls = weighNumbers(observed, value, bench, moment, trusted, came, table, table, earlier);
  } else if (value.kind === "range" && table.kind === "numbers") {
    const before = came?.slice();
    const ofHigh = came?.slice() ?? null;
    const end = (which: End, plain: NumberTable, cameOf: Float64Array | null) => {
      const read = { value: which === "low" ? value.low : value.high, resolution: value.resolution };
      weighNumbers(observed, read, bench, moment, trusted, cameOf, endForecast(plain, which), plain);
    };
    end("low", table, came);
    const first = trusted.slice();
    table = bench.tableNow();
    end("high", table as NumberTable, ofHigh);
    for (let row = 0; row < trusted.length; row++) {
      trusted[row]! *= first[row]!;
      if (came) came[row] = bothSigns(before![row]!, came[row]!, ofHigh![row]!);
    }
  } else {
    const before = sharesOf(candidates);
    for (const group of candidates.groups)
      weighAtom(observed, table, candidates, group, trusted, readBefore?.kind === "over-limit", came);
    pool(bench.localisation.untouched(hookup), moment.touched, candidates, before, evenly);
  }
  return { trusted, pulls, table, meanwhile, came };
}

/** @param numbers the forecasts of what was read @param plain those it was made of, where it is one end of a range */
function weighNumbers(
  observed: Observed,
  read: NumberRead,
  bench: Bench,
  { shares, turn, touched }: Moment,
  trusted: Float64Array,
  came: Float64Array | null,
  numbers: NumberTable,
  plain: NumberTable,
  earlier: NumberRead | null = null,
): (Pull | null)[] {
  const { candidates, clouds, forecasts, localisation, moved } = bench;
  const { hookup } = observed;
  const { dimensions } = candidates;
  const was = candidates.weight.slice();
  // An end of a range is another alternative in one group than in the next: only what cannot change it at all is alike there.
  const same = numbers === plain ? localisation.sameValues(hookup) : localisation.untouched(hookup);
  const lead = localisation.lead(hookup, shares);
  // By alternative: at the car nearest to the reading, then at the heaviest far from that, as they are asked for.
  const ofLead: { kind: number; by: Float64Array }[][] = [];
  const weigh = (g: number): Pull | null => {
    const cloud = clouds[g]!;
    const wide = (d: number) => cloud.covariance[d * dimensions + d]! > NARROW;
    // Cars whose fault cannot change the numbers lean on their tolerances alike: one of them is asked for all.
    const asLead = g !== lead && same[g] === 1;
    const asked: number[] = [];
    const gradient = (row: number, slot: number): Float64Array => {
      const nth = (asked[slot] = (asked[slot] ?? -1) + 1);
      const kind = kindOf(candidates.setup, candidates.scores, row * dimensions);
      const known = asLead ? ofLead[slot]?.[nth] : undefined;
      if (known?.kind === kind) return known.by;
      const all = inSlotsOf(forecasts.gradient(hookup, g, row, wide), row, plain, numbers, dimensions);
      const by = all.slice(slot * dimensions, (slot + 1) * dimensions);
      if (g === lead) (ofLead[slot] ??= []).push({ kind, by });
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
      came,
    );
    if (pull) moved(g);
    return pull;
  };
  const first = lead >= 0 ? weigh(lead) : null;
  const pulls = candidates.groups.map((_, g) => (g === lead ? first : weigh(g)));
  const before = sharesOf(candidates, was);
  pool(same, touched, candidates, before, bySlot(same, read, numbers, candidates, was, before, trusted));
  return pulls;
}

/** Groups below this share are weighed without being pulled toward the reading. */
const FINE_SHARE = 2e-4;
/** Dimensions in which a cloud has less variance than this have no width worth asking for. */
const NARROW = 1e-5;

const evenly = (): number => 1;

/**
 * How much likelier than the likeliest of those whose numbers are the same each group makes what was read, and not at all
 * where it was a slip. With p the chance, in that group, that the reading was this alternative or that, and c how often a
 * group shows each: Σ p·c(group) / c(likeliest).
 */
function bySlot(
  same: Uint8Array,
  { value, resolution }: NumberRead,
  table: NumberTable,
  { groups }: Candidates,
  was: Float64Array,
  shares: Float64Array,
  trusted: Float64Array,
): (g: number) => number {
  const { hookup, slots, onScale, chances } = table;
  const lead = shares.reduce((most, share, g) => (same[g] && share > (shares[most] ?? 0) ? g : most), -1);
  if (lead < 0) return evenly;
  const x = toScale(hookup.instrument, value);
  const error = scaleError(hookup, value, resolution);
  const met = new Float64Array(LEVELS);
  let trust = 0;
  const { first, size } = groups[lead]!;
  for (let row = first; row < first + size; row++) {
    trust += (was[row]! / shares[lead]!) * trusted[row]!;
    for (let slot = 0; slot < slots; slot++) {
      const chance = chances[row * slots + slot]!;
      const z = (onScale[row * slots + slot]! - x) / error;
      // Tails that do not vanish: no candidate stands just where it was read, and the nearest must still speak.
      if (chance > 0) met[slot % LEVELS]! += (was[row]! * chance) / (1 + z * z) ** 2;
    }
  }
  const shown = groups.map(({ first, size }, g) => {
    const byLevel = new Float64Array(LEVELS);
    if (!same[g] || !(shares[g]! > 0)) return byLevel;
    for (let row = first; row < first + size; row++)
      for (let slot = 0; slot < slots; slot++)
        byLevel[slot % LEVELS]! += (was[row]! / shares[g]!) * chances[row * slots + slot]!;
    return byLevel;
  });
  const all = met.reduce((sum, one) => sum + one, 0);
  const usual = shown[lead]!;
  if (!(all > 0)) return evenly;
  const times = shown.map((own) =>
    met.reduce((sum, one, level) => sum + (one > 0 ? ((one / all) * own[level]!) / usual[level]! : 0), 0),
  );
  return (g) => trust * times[g]! + 1 - trust;
}

/** A group that makes a reading e times more or less likely than the rest of its kind says so for a reason, and not by luck of the draw. */
const BY_LUCK = 1;

/**
 * Faults that cannot change what this reading may show share one likelihood, the mean over all of them by share, times how
 * often each shows it: what each group's own few candidates happen to say of it is noise. Not so where a fault had its part
 * in an earlier reading: with corrosion in the wire a coil read from afar may be as small as this reading finds it, without
 * it not.
 * @param touched groups with a part in an earlier reading @param times how much likelier a group makes it than others of them
 */
function pool(
  same: Uint8Array,
  touched: Uint8Array,
  candidates: Candidates,
  before: Float64Array,
  times: (g: number) => number,
): void {
  const { groups, weight } = candidates;
  const after = sharesOf(candidates);
  const over = (counts: (g: number) => boolean): [held: number, left: number] => {
    let [held, left] = [0, 0];
    for (let g = 0; g < groups.length; g++) {
      if (!same[g] || !counts(g)) continue;
      held += before[g]! * times(g);
      left += after[g]!;
    }
    return [held, left];
  };
  const [usualHeld, usualLeft] = over((g) => !touched[g]);
  const ownWay = (g: number): boolean => {
    if (!touched[g] || !(usualHeld > 0) || !(usualLeft > 0) || !(before[g]! > 0)) return false;
    const own = after[g]! / (before[g]! * times(g));
    return Math.abs(Math.log((own * usualHeld) / usualLeft)) > BY_LUCK;
  };
  const apart = groups.map((_, g) => ownWay(g));
  const [held, left] = over((g) => !apart[g]);
  if (!(held > 0)) return;
  groups.forEach(({ first, size }, g) => {
    if (!same[g] || apart[g] || !(after[g]! > 0)) return;
    const factor = ((left / held) * before[g]! * times(g)) / after[g]!;
    for (let row = first; row < first + size; row++) weight[row]! *= factor;
  });
}
