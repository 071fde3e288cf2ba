import type { PartShare } from "../verdict/suspects";
import type { Proposal } from "./next-check";

/**
 * Minutes of measuring until a part is proven: the entropy still to go in bits, at the rate the best check tells it; none
 * once a part is proven, or where no check is left.
 */
export function minutesToProof(parts: readonly PartShare[], [best]: readonly Proposal[]): number {
  if (!best || parts.some(({ verdict }) => verdict === "proven")) return 0;
  const bits = parts.reduce((sum, { share }) => sum - (share > 0 ? share * Math.log2(share) : 0), 0);
  return Math.min(MOST_MINUTES, Math.max(best.minutes, bits / Math.max(best.worth, LEAST_WORTH)));
}

/** Nobody measures on for longer (judgement). */
const MOST_MINUTES = 180;
/** Bits a minute under which a check tells nothing; keeps the division finite. */
const LEAST_WORTH = 0.005;
