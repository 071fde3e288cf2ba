import { median } from "../units/median";

/** Where a wheel stands when its recording ends, in teeth from its first pulse on, the way it was spun. */
export interface Rest {
  teeth: number;
  /** Give or take so many. */
  within: number;
}

/** A wheel rocks over no more pulses than this as its springs and brake let go of it (judgement). */
const MOST_ROCKING = 24;
/** It had slowed down by so much, and the pulses after the long one come by so much sooner. */
const SLOWED = 2;
const SOONER = 0.7;

/** The last poles pass too slowly for a coil to show them (judgement, from wheels spun by hand). */
const UNSEEN_OF_A_COIL = 3;
/** An edge, and what is not seen between the last two. */
const AN_EDGE = 1;

/**
 * Pulses say nothing of the way a wheel turns. One that has slowed down, stands for a moment and then gives a few pulses, each
 * sooner than the long one, has rocked back; it comes to rest about midway between where it turned and how far it went back.
 *
 * @param periods from each pulse to the next @param teeth passed at each pulse, all counted forwards
 */
export function cameToRest(periods: ArrayLike<number>, teeth: ArrayLike<number>, isCoil: boolean): Rest {
  const own = Array.from(periods);
  const last = own.length;
  const usual = median([...own]);
  const isTurn = (i: number) =>
    i >= Math.max(1, last - MOST_ROCKING) &&
    own[i]! > SLOWED * usual &&
    own[i]! >= own[i - 1]! &&
    (own[i + 1] ?? Infinity) < SOONER * own[i]!;
  // A wheel that gets up speed again was pushed.
  const first = own.findIndex((_, i) => isTurn(i) && own.slice(i + 1).every((period) => period > usual));
  const unseen = AN_EDGE + (isCoil ? UNSEEN_OF_A_COIL : 0);
  if (first < 0) return { teeth: teeth[last]!, within: unseen };
  const again = own.findIndex((_, i) => i > first && isTurn(i));
  const back = (again < 0 ? last : again) - first;
  return { teeth: teeth[first]! - Math.round(back / 2), within: Math.ceil(back / 2) + unseen };
}
