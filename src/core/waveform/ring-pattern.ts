import { median } from "../units/median";
import { isMissing, type Pulse, type Rhythm } from "./pulses";

/** What each tooth does on average over all turns. */
export interface RingPattern {
  pulsesPerRevolution: number;
  revolutions: number;
  /** Mean deviation of the period after each tooth from an even one, in pitches; NaN where none was seen. */
  periodMean: Float64Array;
  /** Standard error of `periodMean`. */
  periodError: Float64Array;
  /** Middle height of each tooth over the usual one: one spike on one turn does not count. */
  heightMean: Float64Array;
  /** How long each tooth is high and how long the gap behind it low, turn about, against those beside them, in pitches. */
  halfOff: Float64Array;
  /** What the sampling alone makes of an edge's place, RMS, in pitches. */
  edgeJitter: number;
  /** How often each tooth's height was seen. */
  heightSeen: Int32Array;
  /** How often pulses were lost after each tooth. */
  lost: Float64Array;
}

/** A stretch of turning without a stop, and by how many teeth its count is behind the ring's. */
export interface Turning {
  pulses: readonly Pulse[];
  rhythm: Rhythm;
  shift: number;
}

/** Folds the pulses of one or more stretches over the ring. */
export function foldRing(parts: readonly Turning[], pulsesPerRevolution: number): RingPattern {
  const N = pulsesPerRevolution;
  const sums = [0, 1, 2].map(() => new Float64Array(N));
  const [count, sum, square] = sums as [Float64Array, Float64Array, Float64Array];
  const lost = new Float64Array(N);
  const [heightsOf, highsOf, lowsOf] = [0, 1, 2].map(() => Array.from({ length: N }, (): number[] => [])) as [
    number[][],
    number[][],
    number[][],
  ];
  for (const { pulses, rhythm, shift } of parts) {
    const { ratios, teeth, deviations } = rhythm;
    const heights = relativeHeights(pulses);
    ratios.forEach((ratio, i) => {
      const tooth = (teeth[i]! + shift) % N;
      if (isMissing(ratio)) lost[tooth]! += 1;
      // Next to a gap a period is cut short or stretched by the gap, and a height with it, not by the ring.
      if (isMissing(ratio) || isMissing(ratios[i - 1] ?? 1) || isMissing(ratios[i + 1] ?? 1)) return;
      const deviation = deviations[i]!;
      if (Number.isFinite(deviation)) {
        count[tooth]! += 1;
        sum[tooth]! += deviation;
        square[tooth]! += deviation ** 2;
      }
      if (Number.isFinite(heights[i]!)) heightsOf[tooth]!.push(heights[i]!);
      const high = pulses[i]!.duty * (1 + deviation);
      if (!Number.isFinite(high)) return;
      highsOf[tooth]!.push(high);
      lowsOf[tooth]!.push(1 + deviation - high);
    });
  }
  const periodMean = sum.map((value, t) => (count[t]! > 0 ? value / count[t]! : NaN));
  const pooled = Math.sqrt(
    square.reduce((all, value, t) => all + (count[t]! > 1 ? value - (sum[t]! * sum[t]!) / count[t]! : 0), 0) /
      Math.max(
        1,
        count.reduce((all, n) => all + Math.max(0, n - 1), 0),
      ),
  );
  return {
    pulsesPerRevolution: N,
    revolutions: parts.reduce((turns, { rhythm: { teeth } }) => turns + (teeth.at(-1) ?? 0) / N, 0),
    periodMean,
    // Seen once, a period is as well a hand's doing as the ring's.
    periodError: count.map((n, t) =>
      n > 1
        ? Math.max(pooled, 0.002, Math.sqrt(Math.max(0, square[t]! / n - (sum[t]! / n) ** 2))) / Math.sqrt(n)
        : Infinity,
    ),
    heightMean: Float64Array.from(heightsOf, middleHeight),
    halfOff: turnAbout(...([highsOf, lowsOf].map((of) => againstThoseBeside(of.map(middleHalf))) as [Halves, Halves])),
    edgeJitter: EDGE_JITTER_SAMPLES / (median(parts.flatMap(({ rhythm }) => [...rhythm.periods])) || 1),
    heightSeen: Int32Array.from(heightsOf, ({ length }) => length),
    lost,
  };
}

/** Of two heights the more usual one: the other may be a spike. */
function middleHeight(heights: number[]): number {
  return heights.length === 2 ? heights.reduce((a, b) => (Math.abs(a - 1) < Math.abs(b - 1) ? a : b)) : median(heights);
}

type Halves = Float64Array;

/** Seen once a half tells nothing, nor do two that differ. */
function middleHalf(halves: number[]): number {
  const differ = halves.length === 2 && Math.abs(halves[0]! - halves[1]!) > UNSURE;
  return halves.length < 2 || differ ? NaN : median(halves);
}

const UNSURE = 0.04;

function againstThoseBeside(values: readonly number[]): Halves {
  const middles = middlesBeside(values, HALVES_BESIDE, HALVES_BESIDE);
  return Float64Array.from(values, (value, t) => value - middles[t]!);
}

const HALVES_BESIDE = 4;

/** The middle of so many on either side of each place of a ring, itself left out; NaN where fewer than `least` are known. */
export function middlesBeside(values: ArrayLike<number>, reach: number, least: number): Float64Array {
  const N = values.length;
  return Float64Array.from(values, (_, t) => {
    const beside: number[] = [];
    for (let away = -reach; away <= reach; away++) {
      const value = values[(t + away + N) % N]!;
      if (away !== 0 && Number.isFinite(value)) beside.push(value);
    }
    return beside.length < least ? NaN : median(beside);
  });
}

function turnAbout(highs: Halves, lows: Halves): Float64Array {
  return Float64Array.from({ length: 2 * highs.length }, (_, i) => (i % 2 === 0 ? highs : lows)[i >> 1]!);
}

/** A second spin is taken for the same ring's from this correlation of what stands out on. */
const SAME_RING = 0.6;

/**
 * Folds what was turned between stops as one ring: between two spins the wheel may have stood, rocked back and lost count,
 * so each further stretch is turned against the longest until what stands out in both falls together.
 */
export function foldTogether(stretches: readonly Omit<Turning, "shift">[], N: number): RingPattern | null {
  const [first, ...others] = stretches.toSorted((one, other) => other.pulses.length - one.pulses.length);
  if (!first || first.pulses.length <= FEWEST_PULSES) return null;
  const parts: Turning[] = [{ ...first, shift: 0 }];
  const base = foldRing(parts, N);
  for (const other of others) {
    if (other.pulses.length < N / 2) continue;
    const shift = bestShift(base, foldRing([{ ...other, shift: 0 }], N));
    if (shift !== null) parts.push({ ...other, shift });
  }
  return parts.length > 1 ? foldRing(parts, N) : base;
}

const FEWEST_PULSES = 8;

/** Deviations over their usual size; nothing at all where none stands out, since an even ring cannot be turned onto itself. */
function whatStandsOut(values: Float64Array): Float64Array {
  const known = [...values].filter(Number.isFinite);
  const usual = median(known);
  const size = median(known.map((value) => Math.abs(value - usual)));
  const least = Math.max(LEAST_OUTSTANDING, OUTSTANDING * size);
  return values.map((value) => (Math.abs(value - usual) > least ? value - usual : 0));
}

const OUTSTANDING = 4;
const LEAST_OUTSTANDING = 0.03;

/** By how many teeth one pattern must be turned to fall on another, by what stands out in both; null where nothing does. */
function bestShift(base: RingPattern, other: RingPattern): number | null {
  const N = base.pulsesPerRevolution;
  const series = ({ periodMean, heightMean, lost }: RingPattern) =>
    [periodMean, heightMean.map((height) => height - 1), lost].map(whatStandsOut);
  const [one, two] = [series(base), series(other)];
  const along = (a: Float64Array, b: Float64Array, shift: number) =>
    a.reduce((all, value, t) => all + value * b[(t - shift + N) % N]!, 0);
  let best = { shift: 0, score: 0 };
  one.forEach((values, kind) => {
    const size = Math.sqrt(along(values, values, 0) * along(two[kind]!, two[kind]!, 0));
    if (!(size > 0)) return;
    for (let shift = 0; shift < N; shift++) {
      const score = along(values, two[kind]!, shift) / size;
      if (score > best.score) best = { shift, score };
    }
  });
  return best.score > SAME_RING ? best.shift : null;
}

/** Heights for their speed over the running median: a coil's voltage rises with speed as its period falls. */
export function relativeHeights(pulses: readonly Pulse[]): Float64Array {
  const sizes = pulses.map(({ at, heightV }, i) => {
    const [before, after] = [pulses[i - 1]?.at ?? at, pulses[i + 1]?.at ?? at];
    const steps = Number(i > 0) + Number(i + 1 < pulses.length);
    return (heightV * (after - before)) / Math.max(1, steps);
  });
  const usual = middlesAround(sizes);
  return Float64Array.from(sizes, (size, i) => size / usual[i]!);
}

/** The upper middle of each value and six on either side, those that are none left out. */
export function middlesAround(values: ArrayLike<number>): Float64Array {
  const near = new Float64Array(2 * AROUND + 1);
  return Float64Array.from(values, (_, i) => {
    let count = 0;
    for (let at = Math.max(0, i - AROUND); at <= Math.min(values.length - 1, i + AROUND); at++)
      if (Number.isFinite(values[at]!)) near[count++] = values[at]!;
    return count === 0 ? NaN : near.subarray(0, count).sort()[count >> 1]!;
  });
}

const AROUND = 6;

/** Two edges, each anywhere within its sample: √(2/12) samples RMS. */
export const EDGE_JITTER_SAMPLES = 0.41;
