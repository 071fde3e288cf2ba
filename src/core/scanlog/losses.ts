import { median } from "../units/median";

/** A stretch of a log's rows, both ends in it. */
export type Run = readonly [from: number, to: number];

/** Where a wheel shows less than half of what the car does, by what each such stretch is. */
export interface Losses {
  /** At which speed it falls out when slowing, or comes up late when pulling away: too weak a signal; null where neither. */
  weak: { kmh: number; at: Run; when: "slowing" | "pulling-away"; stops: number; stopsInAll: number } | null;
  /** It slips under hard braking and comes back as a wheel does. */
  slips: Run[];
  /** It is gone for a moment at any speed. */
  cuts: Run[];
  /** It is gone for good, or for long. */
  long: Run | null;
}

/** A wheel under this stands, as scan tools show it. */
export const STOPPED_KMH = 0.6;
/** A gap in one wheel's speed shorter than this is a drop-out, longer a dead corner. */
const LONGEST_DROP_S = 4;
/** Good passive sensors fall under the threshold below some 3 to 4 km/h: an ordinary stop (from memory). */
const ORDINARY_DROP_KMH = 4;
/** A module wants a few pulses before it shows a speed: later than this when pulling away is too late (engineering judgement). */
const LATE_START_KMH = 7;
/** Up to so many times the speed at which it falls out. */
const SAME_WEAKNESS = 1.3;
/** A driver cannot lock and free a wheel without braking harder than this. */
const HARD_BRAKING_MS2 = 3.5;
/** From here on no weakness is asked for: a stop ends below it (engineering judgement). */
const LOW_KMH = 22;

/** @param own, reference km/h of the wheel and of the car beside it, row by row; NaN where nothing was sent */
export function lossesOf(timeS: Float64Array, own: Float64Array, reference: Float64Array): Losses {
  const runs = runsWhere(timeS.length, (i) => reference[i]! > STOPPED_KMH + 1 && own[i]! < 0.5 * reference[i]!);
  const stops = runs.filter((run) => isStop(own, reference, run));
  const pullAways = runs.filter((run) => !stops.includes(run) && isPullAway(reference, run));
  const weak = weakInStops(reference, stops) ?? (stops.length === 0 ? weakPullingAway(reference, pullAways) : null);
  const drops = runs.filter((run) => !stops.includes(run) && !pullAways.includes(run));
  const slips = drops.filter((run) => isSlip(timeS, own, reference, run));
  // What falls out at walking pace only is too weak there, whether the car then stops or rolls on.
  const isSlow = ([from, to]: Run) => largest(reference.subarray(from, to + 1)) < SAME_WEAKNESS * (weak?.kmh ?? 0);
  const lost = drops.filter((run) => !slips.includes(run) && !isSlow(run));
  const isLong = ([from, to]: Run) => timeS[to]! - timeS[from]! >= LONGEST_DROP_S;
  return { weak, slips, cuts: lost.filter((run) => !isLong(run)), long: lost.find(isLong) ?? null };
}

function weakInStops(reference: Float64Array, stops: readonly Run[]): Losses["weak"] {
  const stopsInAll = countStops(reference);
  if (stops.length === 0 || stops.length < 0.5 * stopsInAll) return null;
  const before = stops.map(([from]) => reference[Math.max(0, from - 1)]!);
  const kmh = median(before);
  // Between one row and the next the car itself loses as much.
  const lostBetween = median(stops.map(([from], i) => 0.5 * (before[i]! - reference[from]!)));
  if (kmh - lostBetween <= ORDINARY_DROP_KMH) return null;
  return { kmh, at: stops[0]!, when: "slowing", stops: stops.length, stopsInAll };
}

function weakPullingAway(reference: Float64Array, pullAways: readonly Run[]): Losses["weak"] {
  if (pullAways.length === 0) return null;
  const kmh = median(pullAways.map(([, to]) => reference[to]!));
  return kmh > LATE_START_KMH ? { kmh, at: pullAways[0]!, when: "pulling-away", stops: 0, stopsInAll: 0 } : null;
}

/** Stretches of rows where something holds. */
function runsWhere(rows: number, holds: (i: number) => boolean): Run[] {
  const runs: [number, number][] = [];
  for (let i = 0; i < rows; i++) {
    if (!holds(i)) continue;
    const last = runs.at(-1);
    if (last && last[1] === i - 1) last[1] = i;
    else runs.push([i, i]);
  }
  return runs;
}

/** A loss that lasts until the car itself has all but stopped, begun at low speed. */
function isStop(own: Float64Array, reference: Float64Array, [from, to]: Run): boolean {
  const after = told(reference[Math.min(reference.length - 1, to + 1)]!);
  return reference[from]! < LOW_KMH && after < 3.5 && after <= reference[from]! && own[to]! < STOPPED_KMH;
}

/** The same weakness seen the other way: silent from standstill until some low speed. */
function isPullAway(reference: Float64Array, [from, to]: Run): boolean {
  const before = told(reference[Math.max(0, from - 1)]!);
  return before < 3.5 && reference[to]! < LOW_KMH && before <= reference[to]!;
}

/** A car that sends no speed is standing or slower than what it sends. */
function told(kmh: number): number {
  return Number.isNaN(kmh) ? 0 : kmh;
}

function countStops(reference: Float64Array): number {
  let count = 0;
  for (let i = 1; i < reference.length; i++)
    if (told(reference[i - 1]!) > STOPPED_KMH + 1 && told(reference[i]!) <= STOPPED_KMH + 1) count++;
  return Math.max(1, count);
}

/** A wheel that really slips goes down and comes back over several rows, while the car brakes hard. */
function isSlip(timeS: Float64Array, own: Float64Array, reference: Float64Array, [from, to]: Run): boolean {
  const a = Math.max(0, from - 2);
  const b = Math.min(timeS.length - 1, to + 2);
  const braking = (reference[a]! - reference[b]!) / 3.6 / Math.max(1e-3, timeS[b]! - timeS[a]!);
  const before = own[Math.max(0, from - 1)]!;
  return braking > HARD_BRAKING_MS2 && before < 0.93 * reference[Math.max(0, from - 1)]! && own[to]! > STOPPED_KMH;
}

/** Largest of any number of values; spreading a million into Math.max overflows the stack. */
export function largest(values: Float64Array): number {
  return values.reduce((most, value) => Math.max(most, value), -Infinity);
}
