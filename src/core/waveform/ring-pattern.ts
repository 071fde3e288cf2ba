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
function middlesAround(values: ArrayLike<number>): Float64Array {
  const near = new Float64Array(2 * AROUND + 1);
  return Float64Array.from(values, (_, i) => {
    let count = 0;
    for (let at = Math.max(0, i - AROUND); at <= Math.min(values.length - 1, i + AROUND); at++)
      if (Number.isFinite(values[at]!)) near[count++] = values[at]!;
    return count === 0 ? NaN : near.subarray(0, count).sort()[count >> 1]!;
  });
}

const AROUND = 6;

const FEWEST_TURNS = 2.2;
/** Two edges, each anywhere within its sample: √(2/12) samples RMS. */
const EDGE_JITTER_SAMPLES = 0.41;
const OVER_GRID = 3.3;
/** A deviation of this size is a loss: it stands out in any sum, and says nothing of the ring unless it comes back. */
const LOSS = 0.5;
/** Two losses are always some distance apart; a third says whether it is a turn. */
const FEWEST_LOSSES = 3;
/** So many of the places one turn from a loss must be losses too, for them to be the ring's. */
const COMES_BACK = 0.7;
/**
 * Two turns repeat as one does; half of an uneven ring is like its other half by chance, to a fifth (one over the root of
 * so many teeth) and once in a hundred and fifty to a half.
 */
const AS_GOOD = 0.7;

/**
 * Pulses per revolution from the ring's own signature: the lag at which deviations of period, or of height, repeat best.
 * @param bySize a wave's height tells of its tooth; levels do not
 * @returns null when the ring is too even or the capture too short to tell
 */
export function findPulsesPerRevolution(
  pulses: readonly Pulse[],
  { periods, ratios, teeth, motion }: Rhythm,
  bySize: boolean,
): number | null {
  const last = teeth.at(-1) ?? 0;
  const spacing = new Float64Array(last + 1);
  ratios.forEach((ratio, i) => (spacing[teeth[i]!] = Math.max(-1, Math.min(2, ratio - 1))));
  // Edges fall between samples: what that alone makes of an even ring repeats itself too, and is no signature.
  const grid = OVER_GRID * (EDGE_JITTER_SAMPLES / (median([...periods]) || 1));
  const heights = new Float64Array(last + 1);
  relativeHeights(pulses).forEach((height, i) => {
    if (Number.isFinite(height)) heights[teeth[i]!] = Math.max(-1, Math.min(1, height - 1));
  });
  // A tooth of odd width alone moves one edge, which no spacing of the others tells.
  const widths = new Float64Array(last + 1);
  const duties = pulses.map(({ duty }) => duty);
  const beside = middlesAround(duties);
  duties.forEach((duty, i) => {
    const byLoss = [-2, -1, 0, 1].some((away) => isMissing(ratios[i + away] ?? 1));
    if (Number.isFinite(duty) && !byLoss && !motion.aside[i]) widths[teeth[i]!] = duty - beside[i]!;
  });
  const single = withoutTurnAbout(againstNeighbours(spacing));
  const calmed = asCalmThroughout(single, grid);
  const found = [
    bestLag(single, grid),
    calmed && surelyRepeats(bestLag(calmed, grid), single, grid),
    bySize ? null : bestLag(withoutTurnAbout(widths), grid),
    bySize ? bestLag(heights, leastHeight(pulses, median([...periods]))) : null,
  ].filter((one) => one !== null);
  return found.sort((a, b) => b.score - a.score)[0]?.lag ?? null;
}

/** What single teeth are off those beside them: a hand's pushes, a wave once a turn and a trend leave nothing, a loss stays. */
function againstNeighbours(series: Float64Array): Float64Array {
  return series.map((value, i) => {
    if (value === 0 || Math.abs(value) > LOSS) return value;
    let [sum, count] = [0, 0];
    for (let at = Math.max(0, i - BESIDE); at <= Math.min(series.length - 1, i + BESIDE); at++)
      if (at !== i && series[at] !== 0 && Math.abs(series[at]!) <= CALM) {
        sum += series[at]!;
        count++;
      }
    return count === 0 ? value : value - sum / count;
  });
}

const BESIDE = 3;
/** What is further off is odd itself, and no measure for those beside it. */
const CALM = 0.15;

/**
 * Each deviation by the inverse of the power where it stands, as a weighted sum has it: a clutch that judders as the axle
 * starts leaves more in one turn than a crack in ten. Null where the recording is much alike throughout.
 */
function asCalmThroughout(series: Float64Array, floor: number): Float64Array | null {
  const powers = new Float64Array(series.length + 1);
  for (let i = 0; i < series.length; i++) powers[i + 1] = powers[i]! + series[i]! ** 2;
  const usual = series.map((_, i) => {
    const [from, to] = [Math.max(0, i - BOTH_WAYS), Math.min(series.length, i + BOTH_WAYS + 1)];
    return Math.max(floor / 2, Math.sqrt((powers[to]! - powers[from]!) / (to - from)));
  });
  const calm = median([...usual]);
  if (!usual.some((size) => size > RESTLESS * calm)) return null;
  return series.map((value, i) => value * Math.min(1, calm / usual[i]!) ** 2);
}

/** What was weighed by its own power must stand out as it was, too. */
function surelyRepeats(found: { lag: number; score: number } | null, series: Float64Array, floor: number) {
  return found && hasOneOdd(series, found.lag, found.score, floor) ? found : null;
}

/** A quarter of a turn of a common ring. */
const BOTH_WAYS = 12;
const RESTLESS = 2.5;

/** Where each edge makes a pulse, poles of unequal width come long and short by turns: that tells of no turn of the wheel. */
function withoutTurnAbout(series: Float64Array): Float64Array {
  const [sums, counts] = [new Float64Array(2), new Float64Array(2)];
  for (let i = 0; i < series.length; i++) {
    if (Math.abs(series[i]!) >= ODD || series[i] === 0) continue;
    sums[i % 2]! += series[i]!;
    counts[i % 2]! += 1;
  }
  const means = sums.map((sum, odd) => sum / Math.max(1, counts[odd]!));
  return series.map((value, i) => (value === 0 ? 0 : value - means[i % 2]!));
}

/** What is further off is one odd tooth or a loss, and no half of all poles. */
const ODD = 0.4;

/**
 * Heights that vary less than this say nothing: the crest of a wave falls between samples, cos(π/n) of it at worst, and the
 * converter knows only its steps.
 */
function leastHeight(pulses: readonly Pulse[], samplesAPulse: number): number {
  const heights = pulses.map(({ heightV }) => heightV).filter(Number.isFinite);
  const sorted = heights.toSorted((a, b) => a - b);
  const step = sorted.reduce((least, height, i) => {
    const apart = i > 0 ? height - sorted[i - 1]! : Infinity;
    return apart > 1e-6 && apart < least ? apart : least;
  }, Infinity);
  const byStep = Number.isFinite(step) && step < STEPS_AT_MOST * median(heights) ? step / median(heights) : 0;
  return Math.max(LEAST_HEIGHT, 0.5 * (Math.PI / samplesAPulse) ** 2, byStep);
}

const LEAST_HEIGHT = 0.004;
/** A step larger than this is no converter's. */
const STEPS_AT_MOST = 0.1;

/** The lag at which a series repeats best, and how well. @param floor RMS under which there is nothing to repeat */
function bestLag(series: Float64Array, floor: number): { lag: number; score: number } | null {
  const found = repeats(series, floor);
  const losses = [...series.keys()].filter((i) => Math.abs(series[i]!) > LOSS);
  const ofTheRing = () => losses.length >= FEWEST_LOSSES && comeBack(losses, found!.lag, series.length) >= COMES_BACK;
  if (!found || losses.length === 0 || ofTheRing()) return found;
  // What stands beside a loss was cut short or drawn out by it, and is masked with it; so is what is left of it farther off.
  const beside = new Set(losses.flatMap((i) => [i - 1, i, i + 1]));
  const usual = 3 * median([...series].map(Math.abs));
  return repeats(
    series.map((value, i) =>
      beside.has(i) || Math.abs(value) > 2 * usual ? 0 : Math.max(-usual, Math.min(usual, value)),
    ),
    floor,
  );
}

/** Of the places one turn before and after each loss that lie within the recording, the share that are losses too. */
function comeBack(losses: readonly number[], lag: number, length: number): number {
  const at = new Set(losses);
  const places = losses.flatMap((i) => [i - lag, i + lag]).filter((place) => place >= 0 && place < length);
  return places.filter((place) => at.has(place)).length / Math.max(1, places.length);
}

const BLUNT = 0.9;
/** Twenty pole pairs are the fewest met (common practice). */
const FEWEST_TEETH = 20;
const RUNNER_UP = 0.8;

/** Whether a distance is none of a turn, of more turns, or of one less a few teeth. */
function apartFrom(at: number, lag: number): boolean {
  const turns = at / lag;
  return Math.abs(at - Math.round(turns) * lag) > FEW || Math.round(turns) === 0;
}

const FEW = 3;

/** Whether one tooth stands out so far, turn after turn, that no edge between samples makes it, however even the others are. */
function hasOneOdd(series: Float64Array, lag: number, score: number, floor: number): boolean {
  if (lag === 0 || series.length < TURNS_FOR_ONE * lag || score < SCORE_FOR_ONE) return false;
  const folded = Array.from({ length: lag }, (): number[] => []);
  series.forEach((value, i) => folded[i % lag]!.push(value));
  return Math.max(...folded.map((values) => Math.abs(median(values)))) > Math.max(LEAST_ODD, OVER_FLOOR * floor);
}

const TURNS_FOR_ONE = 4;
const SCORE_FOR_ONE = 0.5;
const OVER_FLOOR = 1.6;
/** In pitches: what single teeth of a good ring differ by is under it (from memory). */
const LEAST_ODD = 0.04;

function repeats(series: Float64Array, floor: number): { lag: number; score: number } | null {
  const last = series.length - 1;
  const power = series.reduce((sum, value) => sum + value * value, 0);
  const most = Math.min(160, Math.floor(last / FEWEST_TURNS));
  const scores = new Float64Array(most + 1);
  let lag = 0;
  for (let at = FEWEST_TEETH; at <= most; at++) {
    let sum = 0;
    for (let i = 0; i + at <= last; i++) sum += series[i]! * series[i + at]!;
    scores[at] = (sum / power) * (last / (last - at));
    if (scores[at]! > scores[lag]! * 1.05) lag = at;
  }
  for (const parts of [3, 2])
    if (lag % parts === 0 && lag / parts >= FEWEST_TEETH && scores[lag / parts]! > AS_GOOD * scores[lag]!) lag /= parts;
  const score = scores[lag]!;
  if (power <= floor ** 2 * Math.max(1, last) && !hasOneOdd(series, lag, score, floor)) return null;
  // A wave once a turn alone falls together nearly as well a tooth off: it tells of a turn, not of its count.
  if (Math.max(scores[lag - 1] ?? 0, scores[lag + 1] ?? 0) > BLUNT * score) return null;
  // What repeats nearly as well at another distance is chance: hum, hash, a trend.
  const others = scores.filter((_, at) => at >= FEWEST_TEETH && apartFrom(at, lag));
  if (others.some((other) => other > RUNNER_UP * score)) return null;
  return score > Math.max(0.3, 5 / Math.sqrt(last)) ? { lag, score } : null;
}
