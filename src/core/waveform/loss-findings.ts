import { median } from "../units/median";
import { found, type Found } from "./finding";
import { isMissing, type Pulse, type Rhythm } from "./pulses";
import type { RingPattern } from "./ring-pattern";

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
  const { ratios } = rhythm;
  const gaps = lostPulses(pulses, ratios, guard);
  if (gaps.length === 0) return [];
  const at = (i: number) => startS + pulses[i]!.at * sampleS;
  if (gaps.length === 1 && ring && !leftItsLevels && couldBeTheRing(gaps[0]!, rhythm, ring, stopsIn(rhythm).isStop))
    return [];
  const { places, others } = ring ? placesOf(gaps, rhythm, ring) : { places: [], others: gaps };
  if (ring && places.length > 0) {
    const found = places.map((place) => missingAt(place, rhythm, ring, at));
    // A ring loses the same teeth every turn; gaps of every length are a loose wire that met one place by chance.
    if (found.includes(null)) return [scattered(gaps, ratios, at)];
    const ofRing = found.filter((one) => one !== null);
    return others.length > Math.max(1, 0.15 * gaps.length) ? [...ofRing, scattered(others, ratios, at)] : ofRing;
  }
  if (!leftItsLevels && gaps.every((i) => isCreeping(i, rhythm, sampleS))) return [];
  if (ring && !leftItsLevels && couldAllBeTheRing(gaps, rhythm, ring)) return [];
  return [scattered(gaps, ratios, at)];
}

/** Beside pulses so far apart a hand may have turned the wheel slower, or waited: nothing tells that from a pulse lost. */
function isCreeping(i: number, { periods, motion: { poles } }: Rhythm, sampleS: number): boolean {
  const beside = [i - 1, i + 1].flatMap((at) => (poles[at] === 1 ? [periods[at]! * sampleS] : []));
  return beside.length > 0 && Math.min(...beside) > CREEPING_S;
}

/** A hand moves to and fro some two or three times a second (judgement): within so long it slows down as it likes. */
const CREEPING_S = 0.2;

/** The places of the ring at which gaps come round, the fullest first, and the gaps that belong to none. */
function placesOf(gaps: number[], rhythm: Rhythm, ring: RingPattern): { places: Locked[]; others: number[] } {
  const strict = peeled(gaps, rhythm, ring, BY_CHANCE);
  if (strict.places.length > 0) return strict;
  // Where two places hold every gap there is, less proof of each will do.
  const both = peeled(gaps, rhythm, ring, BY_CHANCE_IF_ALL);
  return both.places.length === 2 && both.others.length === 0 ? both : strict;
}

function peeled(gaps: number[], rhythm: Rhythm, ring: RingPattern, byChance: number) {
  const places: Locked[] = [];
  let others = gaps;
  for (let place; (place = lockedPlace(others, rhythm, ring, byChance));) {
    const { own } = place;
    places.push(place);
    others = others.filter((i) => !own.includes(i));
  }
  return { places, others };
}

/** What is missing at one place of the ring; null where each turn lacks another number there. */
function missingAt(
  { own, tooth, strength }: Locked,
  { ratios }: Rhythm,
  ring: RingPattern,
  at: (i: number) => number,
): Found | null {
  const lost = median(own.map((i) => Math.round(ratios[i]!) - 1));
  const alike = own.filter((i) => Math.abs(Math.round(ratios[i]!) - 1 - lost) <= 1).length;
  if (alike < 0.75 * own.length) return null;
  return found(
    "missing-pulses",
    { lost, seen: own.length, turns: Math.max(own.length, Math.floor(ring.revolutions)) },
    {
      strength,
      tooth: ((tooth + 1) % ring.pulsesPerRevolution) + 1,
      count: lost,
      startS: at(own[0]!),
      endS: at(own[0]! + 1),
    },
  );
}

/**
 * A gap met once or twice between stops, as many pulses each time and never at two places of one turn: the ring could be all
 * of it, and nothing shows that it is.
 */
function couldAllBeTheRing(gaps: readonly number[], rhythm: Rhythm, ring: RingPattern): boolean {
  const { ratios, teeth } = rhythm;
  const N = ring.pulsesPerRevolution;
  const { chatters, isStop } = stopsIn(rhythm);
  if (chatters) return false;
  const stops = stopsBefore(rhythm, gaps);
  if (new Set(gaps.map((i) => Math.round(ratios[i]!))).size > 1) return false;
  if (new Set(gaps.map((i) => stops[i])).size === 1) return false;
  return gaps.every((gap, k) => {
    const next = gaps[k + 1];
    const meetsItself = next === undefined || stops[next] !== stops[gap] || nearTooth(teeth[next]!, teeth[gap]! % N, N);
    return meetsItself && couldBeTheRing(gap, rhythm, ring, isStop);
  });
}

/** Where the wheel stopped; short pulses set aside here and there are a sensor or a contact that chatters, and no stop. */
function stopsIn({ periods, motion: { aside } }: Rhythm): { chatters: boolean; isStop: (i: number) => boolean } {
  const usual = median([...periods]);
  const chatters = periods.filter((period, i) => aside[i] === 1 && period < usual).length > FEW_SHORT;
  return { chatters, isStop: (i) => !chatters && aside[i] === 1 && periods[i]! > usual };
}

const FEW_SHORT = 2;

/**
 * A level that is neither of the signal's own is a wire's doing, however long the wheel may have stood meanwhile: told where
 * no period shows a pulse lost. Null where it was never gone for the time of one.
 */
export function levelGone(
  recorded: Float32Array,
  away: Float32Array,
  periods: Float64Array,
  sampleS: number,
  startS: number,
): Found | null {
  const usual = median([...periods]);
  const stretches: [from: number, to: number][] = [];
  for (let i = 0; i < recorded.length; i++) {
    if (recorded[i] === away[i]) continue;
    const last = stretches.at(-1);
    if (last && i - last[1] < usual / 2) last[1] = i;
    else stretches.push([i, i]);
  }
  // What is gone to the end may be the probe.
  const lost = stretches.filter(([from, to]) => to - from > usual && to + usual < recorded.length);
  const [first] = lost;
  if (!first) return null;
  const pulses = lost.reduce((sum, [from, to]) => sum + Math.round((to - from) / usual), 0);
  return found(
    "random-dropout",
    { times: lost.length, pulses },
    {
      strength: strengthOf(lost.length),
      count: pulses,
      startS: startS + first[0] * sampleS,
      endS: startS + first[1] * sampleS,
    },
  );
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
  { periods, ratios, teeth }: Rhythm,
  { pulsesPerRevolution: N }: RingPattern,
  isStop: (i: number) => boolean,
): boolean {
  // Beyond a stop, or a grip of the hand, nobody knows which tooth it is.
  let [from, to] = [gap, gap + 1];
  while (from > 0 && !isStop(from - 1)) from--;
  while (to < periods.length && !isStop(to)) to++;
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

/** The oftener pulses were lost, the surer. */
export const strengthOf = (times: number) => Math.min(0.99, 0.6 + 0.1 * times);

function scattered(gaps: number[], ratios: Float64Array, at: (i: number) => number): Found {
  const lost = gaps.reduce((sum, i) => sum + Math.round(ratios[i]!) - 1, 0);
  return found(
    "random-dropout",
    { times: gaps.length, pulses: lost },
    {
      strength: strengthOf(gaps.length),
      count: lost,
      startS: at(gaps[0]!),
      endS: at(gaps[0]! + 1),
    },
  );
}

/** A tooth at which gaps sit, when they come nearly every turn, and those gaps. */
interface Locked {
  tooth: number;
  own: number[];
  strength: number;
}

/** The tooth at which most gaps sit. */
function lockedPlace(gaps: number[], rhythm: Rhythm, ring: RingPattern, byChance: number): Locked | null {
  if (gaps.length === 0) return null;
  const { teeth } = rhythm;
  const N = ring.pulsesPerRevolution;
  const stops = stopsBefore(rhythm, gaps);
  const { own, anchors } = gaps
    .map((_, from) => comingRound(gaps.slice(from), rhythm, stops, N))
    .reduce((best, one) => (one.own.length - one.anchors > best.own.length - best.anchors ? one : best));
  const seen = own.length / Math.max(1, Math.floor(ring.revolutions));
  const share = own.length / gaps.length;
  if (own.length < anchors + 1 || seen < 0.6 || share < 0.3) return null;
  const limit = share > 0.95 ? BY_CHANCE_IF_ALL : byChance;
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

/** Whether a tooth is at a place of a ring of `N`, or next to it. */
export function nearTooth(tooth: number, place: number, N: number): boolean {
  const distance = Math.abs((tooth % N) - place);
  return Math.min(distance, N - distance) <= 1;
}
