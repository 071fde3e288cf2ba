import { axles, corners, type Corner } from "../units/corner";
import { median } from "../units/median";
import type { ScanLog } from "./scan-log";

/** What the four speeds say of the car itself, and how each wheel's column stands to it. */
export interface CarMotion {
  /** Road speed of the car at each row, km/h; NaN where no wheel sends any. */
  carKmh: Float64Array;
  /** Its change at each row, km/h a second. */
  perS: Float64Array;
  /** The car's speed at the moment each wheel's value was taken: tools ask one wheel after the other. */
  referenceKmh: Record<Corner, Float64Array>;
  /** How much later than the middle one each wheel is asked, seconds. */
  lagS: Record<Corner, number>;
  /** The last digit of each wheel's column, km/h. */
  quantumKmh: Record<Corner, number>;
}

/**
 * The car's own motion out of four wheel speeds: their middle, or, while one axle runs away from the other, the axle that
 * did not leave the road's speed. A wheel that is asked later than the rest shows it while the car gains or loses speed.
 */
export function carMotion(log: ScanLog): CarMotion {
  const { timeS, speedKmh } = log;
  const carKmh = Float64Array.from(timeS, (_, i) => middle(corners.map((corner) => speedKmh[corner][i]!)));
  for (const run of splits(log)) for (let i = run.from; i <= run.to; i++) carKmh[i] = axleKmh(log, run.sound, i);
  const perS = slopes(timeS, carKmh);
  const lagS = each((corner) => lagOf(log, carKmh, perS, corner));
  return {
    carKmh,
    perS,
    lagS,
    referenceKmh: each((corner) => timeS.map((at, i) => valueAt(timeS, carKmh, at + lagS[corner], i))),
    quantumKmh: each((corner) => lastDigit(speedKmh[corner])),
  };
}

function each<T>(of: (corner: Corner) => T): Record<Corner, T> {
  return Object.fromEntries(corners.map((corner) => [corner, of(corner)])) as Record<Corner, T>;
}

function middle(values: readonly number[]): number {
  const sent = values.filter((value) => !Number.isNaN(value));
  return sent.length === 0 ? NaN : median(sent);
}

/** Both wheels of an axle this far over the other's, as a ratio and in km/h, are no turn any more. */
const [SPLIT_RATIO, SPLIT_KMH] = [1.15, 2.5];
/** Two wheels that stay behind for longer than this do not stand on ice: they send nothing of use. */
const LONGEST_SPLIT_S = 4;
/** How far back the change is looked at by which the axle that left is told. */
const BEFORE_S = 0.7;

type Axle = keyof typeof axles;

/** Stretches in which the axles run apart, and the one that went on as the car did. */
function splits(log: ScanLog): { from: number; to: number; sound: Axle }[] {
  const { timeS } = log;
  const { FL, FR, RL, RR } = log.speedKmh;
  const faster = (i: number): Axle | null => {
    const [fl, fr, rl, rr] = [FL[i]!, FR[i]!, RL[i]!, RR[i]!];
    if (Math.min(fl, fr) > SPLIT_RATIO * Math.max(rl, rr) + SPLIT_KMH) return "front";
    return Math.min(rl, rr) > SPLIT_RATIO * Math.max(fl, fr) + SPLIT_KMH ? "rear" : null;
  };
  const out: { from: number; to: number; sound: Axle }[] = [];
  for (let from = 0; from < timeS.length; from++) {
    const fast = faster(from);
    if (!fast) continue;
    let to = from;
    while (to + 1 < timeS.length && faster(to + 1) === fast) to++;
    const slow: Axle = fast === "front" ? "rear" : "front";
    let before = Math.max(0, from - 1);
    while (before > 0 && timeS[from]! - timeS[before - 1]! <= BEFORE_S) before--;
    const change = (axle: Axle) => Math.abs(axleKmh(log, axle, from) - axleKmh(log, axle, before));
    const isLong = timeS[to]! - timeS[from]! > LONGEST_SPLIT_S;
    const last = out.at(-1);
    // Let go and caught again by traction control it is one event.
    const goesOn = last && timeS[from]! - timeS[last.to]! < BEFORE_S;
    const sound = goesOn ? last.sound : isLong || change(slow) > change(fast) ? fast : slow;
    out.push({ from: goesOn ? last.to + 1 : from, to, sound });
    from = to;
  }
  return out;
}

function axleKmh({ speedKmh }: ScanLog, axle: Axle, i: number): number {
  return middle(axles[axle].map((corner) => speedKmh[corner][i]!));
}

/** Change a second at each row, over a row to either side. */
function slopes(timeS: Float64Array, values: Float64Array): Float64Array {
  return values.map((_, i) => {
    const [a, b] = [Math.max(0, i - 1), Math.min(values.length - 1, i + 1)];
    return (values[b]! - values[a]!) / Math.max(1e-3, timeS[b]! - timeS[a]!);
  });
}

/** Above this a car gains or loses speed fast enough to show who was asked later, km/h a second. */
const TELLING_PER_S = 3;
/** Below this it holds its speed. */
const HOLDING_PER_S = 1;
const FEWEST_TELLING = 8;

function lagOf({ timeS, speedKmh }: ScanLog, carKmh: Float64Array, perS: Float64Array, corner: Corner): number {
  const own = speedKmh[corner];
  const rows = [...timeS.keys()].filter(
    (i) => carKmh[i]! > 8 && own[i]! > 0.7 * carKmh[i]! && own[i]! < 1.4 * carKmh[i]!,
  );
  const held = rows.filter((i) => Math.abs(perS[i]!) < HOLDING_PER_S).map((i) => own[i]! / carKmh[i]!);
  const ratio = held.length >= FEWEST_TELLING ? median(held) : 1;
  const late = rows
    .filter((i) => Math.abs(perS[i]!) > TELLING_PER_S)
    .map((i) => (own[i]! / ratio - carKmh[i]!) / perS[i]!);
  if (late.length < FEWEST_TELLING) return 0;
  const between = (timeS.at(-1)! - timeS[0]!) / (timeS.length - 1);
  return Math.max(-between, Math.min(between, median(late)));
}

/** A curve between its rows, straight. @param near the row it is looked up from */
function valueAt(timeS: Float64Array, values: Float64Array, at: number, near: number): number {
  let i = near;
  while (i > 0 && timeS[i]! > at) i--;
  while (i < timeS.length - 2 && timeS[i + 1]! < at) i++;
  const step = timeS[i + 1]! - timeS[i]!;
  if (!(step > 0) || at < timeS[0]! || at > timeS.at(-1)!) return values[near]!;
  const between = values[i]! + ((at - timeS[i]!) / step) * (values[i + 1]! - values[i]!);
  return Number.isNaN(between) ? values[near]! : between;
}

const ROUNDING = 1e-6;

/** The smallest step between two values of a column; nothing where all are one. */
function lastDigit(values: Float64Array): number {
  const sorted = [...new Set(values)].filter((value) => !Number.isNaN(value)).sort((a, b) => a - b);
  const steps = sorted.slice(1).map((value, i) => value - sorted[i]!);
  const least = steps.reduce((one, other) => (other > ROUNDING ? Math.min(one, other) : one), Infinity);
  return least === Infinity ? 0 : least;
}
