import { median } from "../units/median";
import { isMissing, type Pulse } from "./pulses";
import type { SignalShape } from "./signal";

/**
 * The pulses of a coil told by whichever crossing shows its ring more clearly. One crossing of the wave stands at a tooth's
 * middle, the other midway between two teeth: which of them rises is a matter of how the coil was wound and which way round
 * the leads were clipped on. Timed by the teeth a missing one leaves one period of two; timed by the slots it leaves two
 * periods of one and a half, which look like a wheel that was pushed. What is wrong with a ring stands closest together where
 * it is timed by the right one.
 * @param pulses as found by their rising crossings
 * @returns the same where the signal is no wave: either edge of a level is the sensor's own doing
 */
export function byClearerCrossing(pulses: Pulse[], { kind }: SignalShape): Pulse[] {
  if (kind !== "sine") return pulses;
  const falling = byFalling(pulses);
  const [rising, other] = [uneven(pulses), uneven(falling)];
  const isClearer = other.sum < CLEARER * rising.sum && rising.sum - other.sum > BY_AT_LEAST;
  return isClearer && other.ofLosses > MOSTLY * other.sum ? falling : pulses;
}

/** The other crossing is taken only where it is clearer by so much: a ring that is merely uneven is so by either. */
const CLEARER = 0.9;
const BY_AT_LEAST = 0.2;
/** And where what is uneven by it are whole teeth gone; one out of its place is seen as well by either. */
const MOSTLY = 0.5;

function byFalling(pulses: readonly Pulse[]): Pulse[] {
  const falls = pulses.slice(0, -1).map(({ at, duty }, i) => at + duty * (pulses[i + 1]!.at - at));
  return falls.map((at, i) => {
    const [rise, next] = [pulses[i + 1]!.at, falls[i + 1]];
    if (next === undefined) return { at, duty: NaN, heightV: NaN };
    return { at, duty: (next - rise) / (next - at), heightV: pulses[i]!.heightV };
  });
}

/**
 * How uneven periods are beside those about them, and how much of that is pulses gone: the root counts one great unevenness
 * less than the same shared between two.
 */
function uneven(pulses: readonly Pulse[]): { sum: number; ofLosses: number } {
  const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
  const all = { sum: 0, ofLosses: 0 };
  for (let i = ABOUT; i < periods.length - ABOUT; i++) {
    const ratio = periods[i]! / median(periods.slice(i - ABOUT, i + ABOUT + 1));
    const off = Math.abs(Math.log(ratio));
    if (off <= EVEN) continue;
    all.sum += Math.sqrt(Math.min(off, 1));
    if (isMissing(ratio)) all.ofLosses += Math.sqrt(Math.min(off, 1));
  }
  return all;
}

/** So many periods on either side say what one should be. */
const ABOUT = 3;
/** A ring's own errors and a wheel's change of speed stay within this. */
const EVEN = 0.12;
