import { median } from "../units/median";
import { isMissing, type Pulse, type Rhythm } from "./pulses";
import { EDGE_JITTER_SAMPLES, middlesAround, relativeHeights } from "./ring-pattern";

/** A wheel turning without a stop, as it was recorded. */
interface Turning {
  pulses: readonly Pulse[];
  rhythm: Rhythm;
}

/**
 * Pulses per revolution from the ring's own signature: the lag at which deviations of period, or of height, repeat best.
 * @param turnings between one and the next the wheel stood and the count is lost: nothing in two of them is a turn apart
 * @param bySize a wave's height tells of its tooth; levels do not
 * @returns null when the ring is too even or the capture too short to tell
 */
export function findPulsesPerRevolution(turnings: readonly Turning[], bySize: boolean): number | null {
  const each = turnings.map(seriesOf);
  const runs = Uint16Array.from(each.flatMap(({ spacing }, run) => Array<number>(spacing.length).fill(run)));
  const joined = (of: (one: ReturnType<typeof seriesOf>) => Float64Array) =>
    each.length === 1 ? of(each[0]!) : Float64Array.from(each.flatMap((one) => [...of(one)]));
  const usual = median(turnings.flatMap(({ rhythm }) => [...rhythm.periods]));
  // Edges fall between samples: what that alone makes of an even ring repeats itself too, and is no signature.
  const grid = OVER_GRID * (EDGE_JITTER_SAMPLES / (usual || 1));
  const single = joined(({ spacing }) => withoutTurnAbout(againstNeighbours(spacing)));
  const calmed = asCalmThroughout(single, grid);
  const pulses = turnings.flatMap((one) => one.pulses);
  const found = [
    bestLag(single, grid, runs),
    calmed && surelyRepeats(bestLag(calmed, grid, runs), single, grid),
    bySize
      ? null
      : bestLag(
          joined(({ widths }) => withoutTurnAbout(widths)),
          grid,
          runs,
        ),
    bySize
      ? bestLag(
          joined(({ heights }) => heights),
          leastHeight(pulses, usual),
          runs,
        )
      : null,
  ].filter((one) => one !== null);
  return found.sort((a, b) => b.score - a.score)[0]?.lag ?? null;
}

/** Tooth by tooth, missing ones counted: what the spacing, the height and the width of each is off its neighbours. */
function seriesOf({ pulses, rhythm: { ratios, teeth, motion } }: Turning) {
  const last = teeth.at(-1) ?? 0;
  const spacing = new Float64Array(last + 1);
  ratios.forEach((ratio, i) => (spacing[teeth[i]!] = Math.max(-1, Math.min(2, ratio - 1))));
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
  return { spacing, heights, widths };
}

const FEWEST_TURNS = 2.2;
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
function bestLag(series: Float64Array, floor: number, runs: Uint16Array): { lag: number; score: number } | null {
  const found = repeats(series, floor, runs);
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
    runs,
  );
}

/** Of the places one turn before and after each loss that lie within the recording, the share that are losses too. */
function comeBack(losses: readonly number[], lag: number, length: number): number {
  const at = new Set(losses);
  const places = losses.flatMap((i) => [i - lag, i + lag]).filter((place) => place >= 0 && place < length);
  return places.filter((place) => at.has(place)).length / Math.max(1, places.length);
}

/** Nearly so is what sways with the hand or the idle as well: a few teeth off, half of it or more is left. */
const BLUNT = 0.7;
/** Most rings have 43 to 52 teeth (common practice); of a count that is met seldom more must be seen. */
const USUAL_TEETH = [40, 56] as const;
const TURNS_IF_UNUSUAL = 3;
const SCORE_IF_UNUSUAL = 0.6;
/** Of so many turns, joined from between stops, less will do: what is left of each start and stop sinks the score. */
const [MANY_TURNS, SCORE_IF_MANY] = [20, 0.4];
/** Twenty pole pairs are the fewest met (common practice). */
const FEWEST_TEETH = 20;
/** Some hundred edges where each edge of a pole makes a pulse, and some to spare (common practice). */
export const MOST_TEETH = 130;
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

function repeats(series: Float64Array, floor: number, runs: Uint16Array): { lag: number; score: number } | null {
  const last = series.length - 1;
  const power = series.reduce((sum, value) => sum + value * value, 0);
  const most = Math.min(MOST_TEETH, Math.floor(last / FEWEST_TURNS));
  const scores = new Float64Array(most + 1);
  const paired = new Float64Array(most + 1);
  let lag = 0;
  for (let at = FEWEST_TEETH; at <= most; at++) {
    let [sum, pairs] = [0, 0];
    for (let i = 0; i + at <= last; i++) {
      if (runs[i] !== runs[i + at]) continue;
      sum += series[i]! * series[i + at]!;
      pairs++;
    }
    paired[at] = pairs;
    // So few are one turn's worth or less.
    scores[at] = pairs > at ? (sum / power) * (last / pairs) : 0;
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
  const isUsual = lag >= USUAL_TEETH[0] && lag <= USUAL_TEETH[1];
  if (isOneTone(series, lag)) return null;
  const isJoined = runs[0] !== runs[last];
  const scoreIfUnusual = isJoined && last > MANY_TURNS * lag ? SCORE_IF_MANY : SCORE_IF_UNUSUAL;
  if (!isUsual && (last < TURNS_IF_UNUSUAL * lag || score < scoreIfUnusual)) return null;
  const told = isJoined ? paired[lag]! : last;
  return score > Math.max(0.3, 5 / Math.sqrt(told)) ? { lag, score } : null;
}

/**
 * Whether what repeats is one wave of three or more to the turn: another wheel's signal or a hum on the leads beats with this
 * one's so, at a pace that may fit any distance. Teeth of a ring are off each by itself, which is of all waves alike.
 */
function isOneTone(series: Float64Array, lag: number): boolean {
  const folded = new Float64Array(lag);
  series.forEach((value, i) => (folded[i % lag]! += value));
  const powers = Array.from({ length: Math.floor((lag - 1) / 2) }, (_, k) => {
    let [a, b] = [0, 0];
    for (let i = 0; i < lag; i++) {
      const angle = (2 * Math.PI * (k + 1) * i) / lag;
      a += folded[i]! * Math.cos(angle);
      b += folded[i]! * Math.sin(angle);
    }
    return a * a + b * b;
  });
  return Math.max(0, ...powers.slice(2)) > OF_ALL * powers.reduce((sum, power) => sum + power, 0);
}

/** Of some twenty waves of chance the largest has a third of all once in a thousand times. */
const OF_ALL = 0.5;
