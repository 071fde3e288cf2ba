import { median } from "../units/median";
import type { Stretch } from "./motion";
import type { Rhythm } from "./pulses";
import { MOST_TEETH } from "./ring-signature";

/** What lost pulses alone say of the ring whose count nobody knows. */
export type TurnByLosses =
  /** They come back every so many pulses, as a gap in the ring does. `seen` counts the times they did. */
  | { kind: "ring"; count: number; seen: number }
  /** A gap met once or twice, or a wire: what was turned does not tell. */
  | { kind: "unsure" };

/**
 * Where the ring's count is unknown, lost pulses that come back at one distance, always as many, and at no time stay away
 * for longer, are its own; what was turned too little to come back tells nothing either way.
 *
 * @param gaps the periods that hold them
 * @param stretches in which pulses can be counted through
 * @returns null when they are no ring's: too far apart, at all distances, of all lengths
 */
export function turnByLosses(
  gaps: readonly number[],
  { ratios, teeth }: Rhythm,
  stretches: readonly Stretch[],
): TurnByLosses | null {
  const lost = gaps.map((i) => Math.round(ratios[i]!) - 1);
  if (gaps.length === 0 || Math.max(...lost) - Math.min(...lost) > 1) return null;
  const turned = stretches.map(([from, to]) => {
    const own = gaps.filter((i) => i >= from && i < to).map((i) => teeth[i]!);
    return { own, from: teeth[from]!, to: teeth[Math.min(to, teeth.length - 1)]! };
  });
  // What is lost where the wheel hardly turned belongs to no stretch: once or twice alone it tells nothing either way.
  if (turned.every(({ own }) => own.length === 0)) return gaps.length <= TOO_SELDOM ? { kind: "unsure" } : null;
  const apartBy = (places: number) => turned.flatMap(({ own }) => own.slice(places).map((at, k) => at - own[k]!));
  const apart = apartBy(1);
  const without = Math.max(
    ...turned.map(({ own, from, to }) => (own.length === 0 ? to - from : Math.max(own[0]! - from, to - own.at(-1)!))),
  );
  if (apart.length === 0) return without <= MOST_USUAL ? { kind: "unsure" } : null;
  const count = median(apart);
  const isOne = (one: number) => Math.abs(one - count) <= 1;
  // Where a hand pushed just there it was not counted.
  const passed = apart.filter((one) => !isOne(one));
  const isTurn =
    passed.length <= HIDDEN * apart.length &&
    passed.every((one) => Math.abs(one - 2 * count) <= 2) &&
    without <= (apart.length >= MANY_TURNS ? 2 : 1) * count + 1;
  if (!isTurn || count < FEWEST || count > MOST_TEETH) return twoPlaces(apartBy(2), without);
  if (apart.length === 1 && (count < FEWEST_USUAL || count > MOST_USUAL)) return { kind: "unsure" };
  return { kind: "ring", count: Math.round(count), seen: apart.length };
}

/** A ring damaged at two places: every other loss comes back at one distance, both places' more than once. */
function twoPlaces(apart: readonly number[], without: number): TurnByLosses | null {
  if (apart.length < FEWEST_OF_TWO) return null;
  const count = median([...apart]);
  const isTurn = apart.every((one) => Math.abs(one - count) <= 1) && without <= count + 1;
  return isTurn && count >= FEWEST && count <= MOST_TEETH ? { kind: "ring", count, seen: apart.length } : null;
}

/** By chance so many come within a pole of each other once in some two hundred times. */
const FEWEST_OF_TWO = 3;
const TOO_SELDOM = 2;
/** Of the turns, those on which a gap may not have been counted. */
const HIDDEN = 0.2;
const MANY_TURNS = 5;

/** Pulses of a turn that are met at all, and that are met mostly: 43 to 52, 48 typical (common practice). */
const FEWEST = 18;
const [FEWEST_USUAL, MOST_USUAL] = [40, 56];
