import { median } from "../units/median";
import { found, type Found } from "./finding";
import { isMissing, type Pulse, type Rhythm } from "./pulses";
import type { TurnWave } from "./between-pushes";
import type { TurnWaves } from "./once-a-turn";
import { middlesBeside, type RingPattern } from "./ring-pattern";

/**
 * Pulses lost: at the same place each turn (the ring), or anywhere (wire, connector, supply).
 * @param leftItsLevels whether the level meanwhile was neither of the signal's own, which no ring makes
 */
export function lossFindings(
  pulses: readonly Pulse[],
  rhythm: Rhythm,
  ring: RingPattern | null,
  sampleS: number,
  startS: number,
  guard: number,
  leftItsLevels: boolean,
): Found[] {
  const { ratios, teeth, motion } = rhythm;
  const gaps = lostPulses(pulses, ratios, guard);
  if (gaps.length === 0) return [];
  const at = (i: number) => startS + pulses[i]!.at * sampleS;
  if (gaps.length === 1 && ring && !leftItsLevels && couldBeTheRing(gaps[0]!, ratios, teeth, motion.aside, ring))
    return [];
  const locked = ring ? lockedPlace(gaps, rhythm, ring) : null;
  if (locked) {
    const { own } = locked;
    const lost = median(own.map((i) => Math.round(ratios[i]!) - 1));
    const alike = own.filter((i) => Math.abs(Math.round(ratios[i]!) - 1 - lost) <= 1).length;
    // A ring loses the same teeth every turn; gaps of every length are a loose wire that met one place by chance.
    if (alike < 0.75 * own.length) return [scattered(gaps, ratios, at)];
    const turns = Math.max(own.length, Math.floor(ring!.revolutions));
    const finding = found(
      "missing-pulses",
      { lost, seen: own.length, turns },
      {
        strength: locked.strength,
        tooth: ((locked.tooth + 1) % ring!.pulsesPerRevolution) + 1,
        count: lost,
        startS: at(own[0]!),
        endS: at(own[0]! + 1),
      },
    );
    const others = gaps.filter((i) => !own.includes(i));
    return others.length > Math.max(1, 0.15 * gaps.length) ? [finding, scattered(others, ratios, at)] : [finding];
  }
  if (ring && !leftItsLevels && couldAllBeTheRing(gaps, rhythm, ring)) return [];
  return [scattered(gaps, ratios, at)];
}

/**
 * A gap met once or twice between stops, as many pulses each time and never at two places of one turn: the ring could be all
 * of it, and nothing shows that it is.
 */
function couldAllBeTheRing(gaps: readonly number[], rhythm: Rhythm, { pulsesPerRevolution: N }: RingPattern): boolean {
  const { ratios, teeth, motion } = rhythm;
  const stops = stopsBefore(rhythm, gaps);
  if (new Set(gaps.map((i) => Math.round(ratios[i]!))).size > 1) return false;
  if (new Set(gaps.map((i) => stops[i])).size === 1) return false;
  return gaps.every((gap, k) => {
    const next = gaps[k + 1];
    const meetsItself = next === undefined || stops[next] !== stops[gap] || nearTooth(teeth[next]!, teeth[gap]! % N, N);
    return meetsItself && couldBeTheRing(gap, ratios, teeth, motion.aside, { pulsesPerRevolution: N });
  });
}

/** The periods that hold lost pulses, those apart at which the signal sinks away as the wheel stops. */
export function lostPulses(pulses: readonly Pulse[], ratios: Float64Array, guard: number): number[] {
  const gaps = [...ratios.keys()].filter((i) => isMissing(ratios[i]!));
  if (gaps.length === 0) return gaps;
  const usualV = median(pulses.map(({ heightV }) => heightV).filter(Number.isFinite));
  const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
  const isCoarse = median(periods) < COARSE_SAMPLES;
  const rocking = rocksFrom(periods);
  return gaps.filter((i) => i < rocking && !fades(pulses, i, guard, isCoarse ? usualV : Infinity));
}

/**
 * The period in which a wheel that had slowed down stood still, where only a few pulses follow: it rocks to and fro on its
 * last poles, and where it turns back the time is long without a pulse lost. Infinity where it does not.
 */
function rocksFrom(periods: readonly number[]): number {
  const slow = SLOWED * median(periods);
  for (let i = periods.length - 2; i >= Math.max(1, periods.length - MOST_ROCKING); i--)
    if (periods[i - 1]! > slow && periods[i]! > STOOD * median(periods.slice(i + 1, i + 4))) return i;
  return Infinity;
}

const MOST_ROCKING = 14;
const SLOWED = 2;
const STOOD = 3.5;

/** Seen once alone, nothing tells the ring from a wire: unless its place came round again, or it is too long for a ring. */
function couldBeTheRing(
  gap: number,
  ratios: Float64Array,
  teeth: Int32Array,
  aside: ArrayLike<number>,
  { pulsesPerRevolution: N }: Pick<RingPattern, "pulsesPerRevolution">,
): boolean {
  // Beyond a stop, or a grip of the hand, nobody knows which tooth it is.
  let [from, to] = [gap, gap + 1];
  while (from > 0 && !aside[from - 1]) from--;
  while (to < aside.length && !aside[to]) to++;
  const [first, last] = [teeth[from]!, teeth[to]!];
  const passed = (place: number) => place >= first && place + Math.round(ratios[gap]!) <= last;
  const passedAgain = passed(teeth[gap]! - N) || passed(teeth[gap]! + N);
  return !passedAgain && ratios[gap]! < LONGEST_MISSING * N;
}

/** What breaks out of a ring and leaves it on the hub is less than this part of it (from memory). */
const LONGEST_MISSING = 0.4;

/**
 * Pulses beside this gap hardly reach the threshold: the signal sinks under it, nothing breaks. Beside pulses as high as the
 * usual ones it does not sink, however high a threshold few samples a pulse ask for.
 * @param usualV height of a pulse; Infinity where what the threshold is taken from is noise indeed
 */
function fades(pulses: readonly Pulse[], i: number, guard: number, usualV: number): boolean {
  const beside = [pulses[i - 1], pulses[i + 1]].map((pulse) => pulse?.heightV ?? NaN).filter(Number.isFinite);
  const least = Math.min(...beside);
  const sinks = least < SUNK * usualV || usualV / 2 < HARDLY_OVER * guard;
  return beside.length > 0 && least / 2 < FADING * guard && sinks;
}

const FADING = 1.7;
/** With fewer samples a pulse than this a wave jumps from one to the next, as noise does. */
const COARSE_SAMPLES = 16;
const SUNK = 0.85;
const HARDLY_OVER = 1.25;

function scattered(gaps: number[], ratios: Float64Array, at: (i: number) => number): Found {
  const lost = gaps.reduce((sum, i) => sum + Math.round(ratios[i]!) - 1, 0);
  return found(
    "random-dropout",
    { times: gaps.length, pulses: lost },
    {
      strength: Math.min(0.99, 0.6 + 0.1 * gaps.length),
      count: lost,
      startS: at(gaps[0]!),
      endS: at(gaps[0]! + 1),
    },
  );
}

/** The tooth at which most gaps sit, when they come nearly every turn, and those gaps. */
function lockedPlace(
  gaps: number[],
  rhythm: Rhythm,
  ring: RingPattern,
): { tooth: number; own: number[]; strength: number } | null {
  const { teeth } = rhythm;
  const N = ring.pulsesPerRevolution;
  const stops = stopsBefore(rhythm, gaps);
  const { own, anchors } = gaps
    .map((_, from) => comingRound(gaps.slice(from), rhythm, stops, N))
    .reduce((best, one) => (one.own.length - one.anchors > best.own.length - best.anchors ? one : best));
  const seen = own.length / Math.max(1, Math.floor(ring.revolutions));
  const share = own.length / gaps.length;
  if (own.length < anchors + 1 || seen < 0.6 || share < 0.3) return null;
  const limit = share > 0.95 ? BY_CHANCE_IF_ALL : BY_CHANCE;
  if (chanceOfMeeting(gaps.length, own.length - anchors + 1, N) > limit) return null;
  return { tooth: teeth[own[0]!]! % N, own, strength: Math.min(0.99, 0.7 + 0.3 * share * Math.min(1, seen)) };
}

/**
 * The gaps that come at the place of the first. How many pulses a long one lost is not sure to one: it moves what follows.
 * Through a stop the count may be lost: where the next gap is off its place, it is taken up again there.
 */
function comingRound(
  gaps: readonly number[],
  { ratios, teeth }: Pick<Rhythm, "ratios" | "teeth">,
  stops: readonly number[],
  N: number,
): { own: number[]; anchors: number } {
  let place = teeth[gaps[0]!]! % N;
  let run = stops[gaps[0]!]!;
  let anchors = 1;
  const own = gaps.filter((i) => {
    const isNear = nearTooth(teeth[i]!, place, N);
    const afterStop = stops[i] !== run;
    run = stops[i]!;
    if (afterStop && !isNear) {
      place = teeth[i]! % N;
      anchors++;
      return true;
    }
    if (!isNear) return false;
    if (ratios[i]! >= LONG_GAP) place = teeth[i]! % N;
    return true;
  });
  return { own, anchors };
}

/**
 * How often the count was lost before each period: what is set aside in a row is one stop, and so is a stretch that the
 * signal was too small for.
 */
function stopsBefore({ periods, motion: { aside, poles } }: Rhythm, gaps: readonly number[]): number[] {
  const isGap = new Set(gaps);
  const breaks = (i: number) => aside[i] === 1 || (poles[i]! > 1 && !isGap.has(i));
  let stops = 0;
  return [...periods.keys()].map((i) => (breaks(i) && !breaks(i - 1) ? ++stops : stops));
}

const LONG_GAP = 3;

/** Gaps that fell at random would seldom meet so often within one pitch of a place. */
const BY_CHANCE = 0.01;
/** Where every gap there is sits at one place, and comes with the turn, less proof will do. */
const BY_CHANCE_IF_ALL = 0.25;

/** Chance that some place holds `met` of `gaps` random gaps: at most the expected number of such meetings. */
function chanceOfMeeting(gaps: number, met: number, N: number): number {
  let ways = 1;
  for (let k = 0; k < met - 1; k++) ways *= (gaps - 1 - k) / (k + 1);
  return gaps * ways * (3 / N) ** (met - 1);
}

function nearTooth(tooth: number, place: number, N: number): boolean {
  const distance = Math.abs((tooth % N) - place);
  return Math.min(distance, N - distance) <= 1;
}

/** A crack opens further than poles of a good ring differ, in pitches (judgement). */
const LEAST_JUMP = 0.05;
/** The field bulges into a gap: the poles beside it come early or late by up to this, in pitches (the spacing law). */
const BESIDE_GAP = 0.15;
const BULGE_POLES = 2;

/** The teeth so near to where pulses are lost each turn that what is off there is the gap's doing. */
function besideGaps({ lost, revolutions, periodMean }: RingPattern, edgesAPole: number): boolean[] {
  const N = periodMean.length;
  if (!lost.some((times) => times > revolutions / 2)) return [];
  const unseen = [...periodMean.keys()].filter((t) => Number.isNaN(periodMean[t]!));
  const reach = BULGE_POLES * edgesAPole;
  return Array.from({ length: N }, (_, t) =>
    unseen.some((gap) => Math.min((t - gap + N) % N, (gap - t + N) % N) <= reach),
  );
}

/**
 * A crack (short–long pair), a single odd tooth, or a once-per-turn wave in the folded ring.
 * @param edgesAPole two where each edge of a pole makes a pulse: what a pole is off by is twice as much of what lies between
 * @param offset tooth of the recording at which the ring was begun to be folded
 */
export function shapeFindings(
  ring: RingPattern,
  isPassive: boolean,
  edgesAPole: 1 | 2,
  turn: TurnWaves,
  offset: number,
  spanOf: (tooth: number) => [number, number],
): Found[] {
  const list: Found[] = [];
  const named = (tooth: number) => (tooth + offset) % ring.pulsesPerRevolution;
  const wave = firstHarmonic(ring.periodMean);
  const rest = ring.periodMean.map((value, t) => value - wave(t));
  const usual = medianAbsolute(rest);
  const atGap = besideGaps(ring, edgesAPole);
  const odd = rest.map((value, t) =>
    Number.isNaN(value) || (atGap[t] && Math.abs(value) < BESIDE_GAP * edgesAPole)
      ? 0
      : Math.abs(value) / Math.hypot(3 * usual, 2 * ring.periodError[t]!),
  );
  const worst = odd.indexOf(Math.max(...odd));
  const size = rest[worst]!;
  // Against those beside it: what waves once a turn leaves nothing.
  const besideIt = middlesBeside(ring.heightMean, 2, 1);
  const heightRest = ring.heightMean.map((height, t) => height / besideIt[t]! - 1);
  const jumps = odd[worst]! > 1.8 && Math.abs(size) > LEAST_JUMP * edgesAPole && standsAlone(rest, worst);
  const cracked = jumps && !(isPassive && isOneToothsHeight(ring, heightRest, worst, size));
  const half = isPassive ? null : oddHalf(ring);
  if (half !== null && (!cracked || nearTooth(half >> 1, worst, ring.pulsesPerRevolution))) {
    const wide = half >> 1;
    const [startS, endS] = spanOf(named(wide));
    // A gap that is short is a tooth that is wide.
    const wider = ring.halfOff[half]! * (half % 2 === 0 ? 1 : -1);
    list.push(
      found("odd-tooth", { wider }, { strength: 0.9, tooth: named(wide) + 1, size: Math.abs(wider), startS, endS }),
    );
  } else if (cracked) {
    const [startS, endS] = spanOf(named(worst));
    list.push(
      found(
        "cracked-ring",
        { jump: Math.abs(size) },
        {
          strength: Math.min(0.99, 0.6 + 0.1 * odd[worst]!),
          tooth: named(worst) + 1,
          size: Math.abs(size),
          startS,
          endS,
        },
      ),
    );
  }
  if (isPassive) {
    const usualHeight = medianAbsolute(heightRest);
    const deviations = heightRest.map((value, t) => (ring.heightSeen[t]! > 1 ? Math.abs(value) : 0));
    const tooth = deviations.indexOf(Math.max(...deviations));
    if (deviations[tooth]! > Math.max(LEAST_ODD_HEIGHT, 6 * usualHeight) && list.length === 0) {
      const [startS, endS] = spanOf(named(tooth));
      list.push(
        found(
          "odd-tooth",
          { higher: heightRest[tooth]! },
          { strength: 0.9, tooth: named(tooth) + 1, size: deviations[tooth]!, startS, endS },
        ),
      );
    }
  }
  // A crack or a gap moves the share of the poles next to it too.
  const wave1 = turnWave(turn, isPassive, list.length > 0 || atGap.includes(true) ? 2 : 1);
  if (wave1)
    list.push(
      found("eccentric", wave1, {
        strength: 0.85,
        size: wave1.swing,
        startS: spanOf(0)[0],
        endS: spanOf(ring.pulsesPerRevolution - 1)[1],
      }),
    );
  return list;
}

/**
 * A bent or chipped tooth is off in height first and moves its crossing only a little; a crack moves the crossing, and the
 * height with it only as far as the space is longer.
 */
function isOneToothsHeight(
  { heightSeen }: RingPattern,
  heightRest: ArrayLike<number>,
  tooth: number,
  jump: number,
): boolean {
  const N = heightRest.length;
  return [-1, 0, 1].some((away) => {
    const at = (tooth + away + N) % N;
    const off = Math.abs(heightRest[at]!);
    return heightSeen[at]! > 1 && off > LEAST_BENT && off > HEIGHT_OF_JUMP * Math.abs(jump);
  });
}

const LEAST_BENT = 0.25;
const HEIGHT_OF_JUMP = 2.5;

/** A crack makes one space long and may make the next one short; a hand's push makes several long together. */
function standsAlone(rest: Float64Array, tooth: number): boolean {
  const own = rest[tooth]!;
  const beside = [-1, 1].map((away) => rest[(tooth + away + rest.length) % rest.length]!);
  return beside.every((value) => Number.isNaN(value) || value / own < ALIKE_BESIDE);
}

const ALIKE_BESIDE = 0.6;

/**
 * The one half of a pole that is too long or too short on every turn, where those beside it make up for it: a damaged tooth
 * moves one edge, or two apart. A crack moves both the same way, or all that follows. Null when none stands out so.
 */
function oddHalf({ halfOff, edgeJitter }: RingPattern): number | null {
  const sizes = halfOff.map((value) => (Number.isNaN(value) ? 0 : Math.abs(value)));
  const half = sizes.indexOf(Math.max(...sizes));
  if (sizes[half]! < Math.max(LEAST_WIDTH, 5 * medianAbsolute(halfOff), OVER_JITTER * edgeJitter)) return null;
  const count = halfOff.length;
  const sum = [-1, 0, 1].reduce((all, away) => all + (halfOff[(half + away + count) % count]! || 0), 0);
  return Math.abs(sum) < EVENS_OUT * sizes[half]! ? half : null;
}

/** In pitches: what poles of a good encoder differ by is under half of it (from memory). */
const LEAST_WIDTH = 0.06;
/** A wheel that turns in step with the sampling meets the same error at the same tooth each turn. */
const OVER_JITTER = 4;
const EVENS_OUT = 0.5;

/** The plainest once-per-turn wave that a good ring on a good bearing does not have. */
function turnWave(
  { period, height, duty }: TurnWaves,
  isPassive: boolean,
  besideOthers: 1 | 2,
): { wave: "period" | "height" | "duty"; swing: number } | null {
  const stands = (wave: TurnWave | null, least: number) =>
    wave !== null && wave.size > least && wave.size > WAVE_OVER_ERROR * wave.error;
  if (stands(period, LEAST_PERIOD_WAVE)) return { wave: "period", swing: period!.size };
  if (isPassive && stands(height, LEAST_HEIGHT_WAVE)) return { wave: "height", swing: height!.size };
  if (!isPassive && stands(duty, LEAST_DUTY_WAVE * besideOthers)) return { wave: "duty", swing: duty!.size };
  return null;
}

/**
 * Waves of a good ring on a good bearing are smaller: up to 0.06 mm of runout makes 6 % of height (the spacing law) and
 * a wheel out of balance a little of period.
 */
const LEAST_PERIOD_WAVE = 0.01;
const LEAST_HEIGHT_WAVE = 0.12;
const LEAST_DUTY_WAVE = 0.012;
const WAVE_OVER_ERROR = 3;

function firstHarmonic(values: Float64Array): (tooth: number) => number {
  const N = values.length;
  let [a, b, n] = [0, 0, 0];
  values.forEach((value, t) => {
    if (Number.isNaN(value)) return;
    a += value * Math.cos((2 * Math.PI * t) / N);
    b += value * Math.sin((2 * Math.PI * t) / N);
    n++;
  });
  const [x, y] = [(2 * a) / Math.max(1, n), (2 * b) / Math.max(1, n)];
  return (t) => x * Math.cos((2 * Math.PI * t) / N) + y * Math.sin((2 * Math.PI * t) / N);
}

/** Teeth of a good ring differ by some 3 % in height, one of a hundred by three times that (from memory). */
const LEAST_ODD_HEIGHT = 0.15;

function medianAbsolute(values: Float64Array): number {
  return median([...values].filter((value) => !Number.isNaN(value)).map(Math.abs));
}
