import type { Found } from "./finding";
import type { RingPattern } from "./ring-pattern";

/**
 * The ring by the count it was told to have, and the pulses lost by it. What comes at one place of every turn of the count
 * that was set up is that ring's, whatever else seems to repeat. A coded sensor gives a pulse at each edge, so that a ring of
 * so many pole pairs comes round after twice as many: what comes at one place of every second turn is no other ring's doing.
 */
export function ringOf(
  told: number | null,
  setUp: number | undefined,
  foldBy: (count: number) => RingPattern,
  lossesBy: (ring: RingPattern | null) => Found[],
): { count: number | null; ring: RingPattern | null; losses: Found[] } {
  const by = (count: number | null) => {
    const ring = count ? foldBy(count) : null;
    return { count, ring, losses: lossesBy(ring) };
  };
  const once = by(told);
  const isRings = ({ losses }: { losses: Found[] }) => losses.every(({ ringLocked }) => ringLocked);
  if (!told || isRings(once)) return once;
  const others = [...(setUp && setUp !== told ? [setUp] : []), 2 * told].map(by);
  const rings = others.find((one) => one.losses.length > 0 && isRings(one));
  // By twice the count its place never came round again: then nothing is told of it, and the count stays what it is.
  return rings ?? (others.some(isRings) ? { ...once, losses: [] } : once);
}

/**
 * Whether a ring of so many teeth could stand on a car set up for another count: makers' rings for one hub differ by a few
 * teeth, or by a factor of two (common practice, no source). Anything else that repeats is not taken for the turn.
 */
export function couldBeFitted(count: number, setUp: number | undefined): boolean {
  const near = (times: number, within: number) => Math.abs(count / (times * (setUp ?? count)) - 1) <= within;
  return !setUp || near(1, FEW_TEETH) || near(2, TWICE) || near(0.5, TWICE);
}

const FEW_TEETH = 0.25;
const TWICE = 0.03;
