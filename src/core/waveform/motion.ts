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
    const along = left.apart / (left.apart + right.apart);
    const ratio = periods[i]! * Math.sqrt(left.square + along * (right.square - left.square));
    if (ratio < LOST) continue;
    const [slower, faster] = [Math.min(left.square, right.square), Math.max(left.square, right.square)];
    // A hand that grips again leaves one period as long as the slow ones before it beside the fast ones after.
    const isPush = faster > PUSHED ** 2 * slower && periods[i]! < OF_SLOWER * Math.sqrt(1 / slower);
    if (isPush || faster > ALIKE ** 2 * slower) aside[i] = 1;
    else poles[i] = Math.round(ratio);
  }
  return { poles, aside };
}

/** The wheel on one side of a period: its speed squared so many poles away, and whether it runs out toward the period. */
interface Side {
  square: number;
  apart: number;
  stops: boolean;
  /** From one pole to the next it lost so much that it stood, or turned back, within the next one or two. */
  standsNext: boolean;
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
  const standsNext = squares[trusted[0]!]! < LOSES * squares[trusted[1]!]!;
  if (trusted.length < 2 * TOGETHER)
    return { square: near.square, apart: Math.abs(near.at - i), stops: true, standsNext };
  const far = middleOf(squares, trusted.slice(TOGETHER, 2 * TOGETHER));
  const apart = Math.abs(near.at - i);
  const perPole = (far.square - near.square) / Math.abs(far.at - near.at);
  return { square: near.square, apart, stops: near.square < (apart + STOPS_WITHIN) * perPole, standsNext };
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
