import { median } from "../units/median";

/**
 * How the wheel moved, told from its pulses alone. Under any torque that is nearly steady over a few poles the square of
 * the speed runs straight over the angle (v² = v₀² + 2·a·θ), from standstill, through a push, to the stop. A pulse that
 * was lost makes one period k times as long as that line says while both its sides agree; a wheel that stood still makes
 * one of any length between two sides that were about to stop and had just begun.
 */
export interface Motion {
  /** Poles passed during each period: 1, or more where pulses were lost. */
  poles: Int32Array;
  /** 1 where a period says nothing of ring or wire: standstill, the first jerk, the last swing, rocking back. */
  aside: Uint8Array;
}

/** A period this much longer than the shorter one beside it is looked at. */
const LONG = 1.5;
/** From here on a period holds a lost pulse rather than an odd one (the geometric middle of 1 and 2, and some noise). */
const LOST = 1.62;
/** A wheel that stops or starts within this many poles by its own change of speed may have stood still between. */
const STOPS_WITHIN = 3;
/** Both sides of a loss turn alike within this; if they do not, the period tells nothing. */
const ALIKE = 2.2;
/** Sides that differ by more than this were pushed or braked in between: then a loss is longer than the slower of them. */
const PUSHED = 1.3;
const OF_SLOWER = 1.4;
/** A wheel that turns on as it did is as fast behind a loss as before it, within this. */
const GOES_ON = 1.06;
/** So far a period looks for sides it can trust. */
const REACH = 14;

/** Judges every period of a pulse list. @param periods samples from each pulse to the next */
export function motionOf(periods: Float64Array): Motion {
  const count = periods.length;
  const poles = new Int32Array(count).fill(1);
  const aside = new Uint8Array(count);
  const long = Uint8Array.from(periods, (period, i) =>
    Number(period > LONG * Math.min(periods[i - 1] ?? Infinity, periods[i + 1] ?? Infinity)),
  );
  const squares = periods.map((period) => 1 / (period * period));
  for (let i = 0; i < count; i++) {
    if (!long[i]) continue;
    const [left, right] = ([-1, 1] as const).map((away) => sideOf(squares, long, i, away)) as [
      Side | null,
      Side | null,
    ];
    const few = lostAmongFew(periods, long, i);
    if (few) {
      poles[i] = few;
      continue;
    }
    if (!left || !right || (left.stops && right.stops)) {
      aside[i] = 1;
      continue;
    }
    // A wheel that stood takes some poles to come to its speed again; behind a gap one pole alone comes late.
    const goesOn =
      !left.stops && !right.stops && Math.abs(Math.log(left.square / right.square)) < 2 * Math.log(GOES_ON);
    if ((left.standsNext || right.standsNext) && !goesOn) {
      aside[i] = 1;
      continue;
    }
    const inRun = long[i - 1] === 1 || long[i + 1] === 1;
    const stood = stoodBetween(left, right, periods[i]!, inRun) || stoodBetween(right, left, periods[i]!, inRun);
    if (stood || standsInMiddle(periods, long, i)) {
      aside[i] = 1;
      continue;
    }
    const along = left.apart / (left.apart + right.apart);
    const ratio = periods[i]! * Math.sqrt(left.square + along * (right.square - left.square));
    if (ratio < LOST) continue;
    const [slower, faster] = [Math.min(left.square, right.square), Math.max(left.square, right.square)];
    // A hand that grips again leaves one period as long as the slow ones before it beside the fast ones after.
    const isPush = faster > PUSHED ** 2 * slower && periods[i]! < OF_SLOWER * Math.sqrt(1 / slower);
    if (isPush || faster > ALIKE ** 2 * slower) aside[i] = 1;
    else poles[i] = Math.round(ratio);
  }
  if (aside.includes(1) && poles.some((passed) => passed > 1)) {
    const usual = median([...periods]);
    turnedBitByBit(periods, poles, aside, usual);
    besideStops(periods, poles, aside, usual);
  }
  return { poles, aside };
}

/** The period beside a stop holds the last of the way to it, or the first away from it: long, and nothing lost. */
function besideStops(periods: Float64Array, poles: Int32Array, aside: Uint8Array, usual: number): void {
  const stopped = HOLDS_STOP * usual;
  const isStop = (i: number) => aside[i] === 1 && periods[i]! > stopped;
  const beside = [...poles.keys()].filter((i) => poles[i]! > 1 && (isStop(i - 1) || isStop(i + 1)));
  for (const i of beside) {
    poles[i] = 1;
    aside[i] = 1;
  }
}

/** From so many poles on nothing tells how long a wheel stood from how much was lost. */
const NO_TELLING = 5;
/** A period so many times as long as those beside it holds a stop. */
const HOLDS_STOP = 3;
/** A hand takes a wheel from its usual speed, within this, to rest and back within so many poles; a car's brake does not. */
const BY_HAND_WITHIN = 3;
const USUAL_SPEED = 1.8;

/** Who turns a wheel by hand, a part at a time, lets it stand between: there a long period is one stop more, not a loss. */
function turnedBitByBit(periods: Float64Array, poles: Int32Array, aside: Uint8Array, usual: number): void {
  const atSpeed = USUAL_SPEED * usual;
  const isHandsStop = (i: number) =>
    aside[i] === 1 &&
    periods[i]! > HOLDS_STOP * Math.max(periods[i - 1] ?? Infinity, periods[i + 1] ?? Infinity) &&
    [-BY_HAND_WITHIN, BY_HAND_WITHIN].every((away) => (periods[i + away] ?? Infinity) < atSpeed);
  const long = poles.filter((passed) => passed >= NO_TELLING).sort();
  // What broke out of a ring is as many poles each time; who turns it by hand never waits as long twice.
  const isChunk = long.length > 2 && long.at(-1)! - long[0]! <= 2;
  if (long.length === 0 || isChunk || !periods.some((_, i) => isHandsStop(i))) return;
  poles.forEach((passed, i) => {
    if (passed < NO_TELLING) return;
    poles[i] = 1;
    aside[i] = 1;
  });
}

/** The wheel on one side of a period: its speed squared so many poles away, and whether it runs out toward the period. */
interface Side {
  square: number;
  apart: number;
  stops: boolean;
  /** From one pole to the next it lost so much that it stood, or turned back, within the next one or two. */
  standsNext: boolean;
  /** v² of the four poles nearest to the period, from the nearest outward. */
  nearest: readonly number[];
}

/**
 * From rest v² grows pole by pole (v² = 2·a·θ): n poles on, one pole has n/(n + 1) of what the next one has. Of the next pole
 * the first has so much at most where it was begun within some five poles, and the second so much; the third falls by no
 * more than coarse sampling makes of it.
 */
const FROM_REST = [0.84, 0.94, 1.06] as const;
/** The same where two long periods adjoin, as they do where a wheel comes to stand between two poles and starts from there. */
const FROM_REST_IN_RUN = [0.88, 0.965, 1.06] as const;
/** A wheel that gains so much of v² over two poles toward a period was being pushed there all along. */
const PUSHED_TOWARD = 1.1;

/** On its one side the wheel comes from rest, though on the other it turned and was not being pushed: it stood between. */
function stoodBetween({ nearest }: Side, other: Side, period: number, inRun: boolean): boolean {
  const [next, , behind] = other.nearest;
  if (nearest.length < 4 || behind === undefined || next! > PUSHED_TOWARD * behind) return false;
  const isFromRest = (inRun ? FROM_REST_IN_RUN : FROM_REST).every((share, k) => nearest[k]! < share * nearest[k + 1]!);
  return isFromRest && hadTimeToStand(nearest, next!, period);
}

/** A push that still goes on four poles later is steady. */
const STEADY_PUSH = 0.7;

/** Under a steady push the way from rest takes 2·n poles of the first one's time, and the stop before it at least one of its own. */
function hadTimeToStand([first, second, third, fourth]: readonly number[], other: number, period: number): boolean {
  const perPole = second! - first!;
  if (fourth! - third! < STEADY_PUSH * perPole) return true;
  return period > (2 * first!) / perPole / Math.sqrt(first!) + 1 / Math.sqrt(other);
}

/** Of three long periods the middle one is so much longer than either: the wheel ran out, stood, and came on again. */
const STOOD_IN_MIDDLE = 1.5;

function standsInMiddle(periods: Float64Array, long: Uint8Array, i: number): boolean {
  return [i - 1, i, i + 1].some(
    (at) =>
      long[at - 1] === 1 &&
      long[at] === 1 &&
      long[at + 1] === 1 &&
      periods[at]! > STOOD_IN_MIDDLE * Math.max(periods[at - 1]!, periods[at + 1]!),
  );
}

/** On a screen of a few pulses: how alike they are, and how near a lost one's period is to so many of them. */
const ALIKE_FEW = 1.06;
const WHOLE = 0.08;

/** Poles in a period near an end of a recording, where all the few pulses about it are alike; null where they are not. */
function lostAmongFew(periods: Float64Array, long: Uint8Array, i: number): number | null {
  const evens = ([-1, 1] as const).map((away) => {
    const own: number[] = [];
    for (let at = i + away; at in periods && long[at] !== 1 && own.length < 2 * TOGETHER; at += away)
      own.push(periods[at]!);
    return own;
  });
  const all = evens.flat();
  const isFew = evens.some(({ length }) => length < 2 * TOGETHER) && evens.every(({ length }) => length > 0);
  if (!isFew || all.length < TOGETHER || Math.max(...all) > ALIKE_FEW * Math.min(...all)) return null;
  const ratio = (periods[i]! * all.length) / all.reduce((sum, one) => sum + one, 0);
  const count = Math.round(ratio);
  return count > 1 && Math.abs(ratio - count) < WHOLE ? count : null;
}

/** Of v², what a wheel about to stand keeps from one pole to the next at most; a ring's own errors come to a tenth of it. */
const LOSES = 0.7;
/** One odd tooth must not stand for the speed: the middle of so many periods does. */
const TOGETHER = 3;

function sideOf(squares: Float64Array, long: Uint8Array, i: number, away: -1 | 1): Side | null {
  const trusted: number[] = [];
  for (let at = i + away, tried = 0; at >= 0 && at < long.length && tried < REACH; at += away, tried++)
    if (!long[at]) trusted.push(at);
  if (trusted.length < TOGETHER) return null;
  const near = middleOf(squares, trusted.slice(0, TOGETHER));
  const nearest = trusted.slice(0, 4).map((at) => squares[at]!);
  const standsNext = squares[trusted[0]!]! < LOSES * squares[trusted[1]!]!;
  if (trusted.length < 2 * TOGETHER)
    return { square: near.square, apart: Math.abs(near.at - i), stops: true, standsNext, nearest };
  const far = middleOf(squares, trusted.slice(TOGETHER, 2 * TOGETHER));
  const apart = Math.abs(near.at - i);
  const perPole = (far.square - near.square) / Math.abs(far.at - near.at);
  return { square: near.square, apart, stops: near.square < (apart + STOPS_WITHIN) * perPole, standsNext, nearest };
}

function middleOf(squares: Float64Array, places: readonly number[]): { square: number; at: number } {
  const sorted = places.toSorted((a, b) => squares[a]! - squares[b]!);
  return { square: squares[sorted[sorted.length >> 1]!]!, at: places[places.length >> 1]! };
}

/** Adjacent periods of a wheel differ by a few per cent; where they scatter like this there is no wheel. */
const SCATTER = 0.3;

/** Whether the pulses come with the evenness that only something turning has. */
export function turns(pulses: readonly { at: number }[], scatter = SCATTER, fewest = FEWEST): boolean {
  const steps: number[] = [];
  for (let i = 2; i < pulses.length; i++) {
    const [before, after] = [pulses[i - 1]!.at - pulses[i - 2]!.at, pulses[i]!.at - pulses[i - 1]!.at];
    steps.push(Math.abs(Math.log(after / before)));
  }
  if (steps.length < fewest) return true;
  steps.sort((a, b) => a - b);
  return steps[steps.length >> 1]! < scatter;
}

const FEWEST = 12;

/** Fewer pulses than this tell nothing of a wheel. */
export const FEWEST_PULSES = 8;

/** Whether there are pulses enough, and even ones. */
export function isWheel(pulses: readonly { at: number }[]): boolean {
  return pulses.length >= FEWEST_PULSES && turns(pulses);
}

/** A stretch of pulses, the last included, in which the wheel only runs out: nobody pushes, nothing stands. */
export type Stretch = [from: number, to: number];

/** Speed, in poles a sample, over about one turn around each period: a wave that comes once a turn is no change of it. */
/** Over this part of the fastest speed a wheel's single periods tell its ring, whoever pushes. */
const WELL_MOVING = 0.3;

/** The stretches of a recording through which the wheel turned without a stop, whoever pushed it. */
export function turningStretches(periods: Float64Array, motion: Motion, turn = USUAL_TURN): Stretch[] {
  const speed = speeds(periods, motion, turn);
  const fastest = speed.reduce((most, one) => Math.max(most, one), 0);
  const found: Stretch[] = [];
  let from = 0;
  for (let i = 0; i <= periods.length; i++) {
    if (i < periods.length && !motion.aside[i] && speed[i]! > WELL_MOVING * fastest) continue;
    if (i > from) found.push([from, i]);
    from = i + 1;
  }
  return found;
}

function speeds(periods: Float64Array, { poles }: Motion, turn: number): Float64Array {
  const half = turn >> 1;
  const [time, passed] = [new Float64Array(periods.length + 1), new Float64Array(periods.length + 1)];
  periods.forEach((period, i) => {
    time[i + 1] = time[i]! + period;
    passed[i + 1] = passed[i]! + poles[i]!;
  });
  return periods.map((_, i) => {
    const [from, to] = [Math.max(0, i - half), Math.min(periods.length, i + half)];
    return (passed[to]! - passed[from]!) / (time[to]! - time[from]!);
  });
}

/** Met most (common practice). */
const USUAL_TURN = 48;
/** Below this part of the fastest speed a heavy spot and the hand leave more of a wave than a ring does. */
const FAST = 0.45;
/** Speed may grow by this much over a stretch that runs out: noise, and a ring's own wave. */
const GROWS = 1.05;

/**
 * The longest stretch in which a wheel that was let go runs out at some speed; the whole of an even drive.
 * @param turn pulses of a turn, as far as known
 */
export function runningOut(periods: Float64Array, motion: Motion, turn = USUAL_TURN): Stretch {
  const speed = speeds(periods, motion, turn);
  const fastest = speed.reduce((most, one) => Math.max(most, one), 0);
  let best: Stretch = [0, 0];
  let [from, least] = [0, Infinity];
  for (let i = 0; i < periods.length; i++) {
    const breaks = motion.aside[i] || speed[i]! < FAST * fastest || speed[i]! > GROWS * least;
    if (breaks) {
      from = motion.aside[i] || speed[i]! < FAST * fastest ? i + 1 : i;
      least = motion.aside[i] || speed[i]! < FAST * fastest ? Infinity : speed[i]!;
      continue;
    }
    least = Math.min(least, speed[i]!);
    if (i + 1 - from > best[1] - best[0]) best = [from, i + 1];
  }
  return best;
}
