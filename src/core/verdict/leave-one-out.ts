import { sharesByPart, type Posterior, type Weighed } from "../belief/posterior";
import type { Part } from "../faults/parts/parts";

/** A verdict must keep this share when any one observation is taken away (engineering judgement; see docs/physics.md). */
export const KEPT_SHARE = 0.5;

/** Shares as they would be without one observation: each hypothesis gives back what it gained by it. */
export function sharesWithout(posterior: Posterior, { byHypothesis }: Weighed): Float64Array {
  const shares = posterior.shares().map((share, h) => (share > 0 ? share / byHypothesis[h]! : 0));
  const total = shares.reduce((sum, share) => sum + share, 0);
  return shares.map((share) => share / total);
}

/** What a part keeps when the one observation that carries it most is taken away, and which that is. */
export interface Kept {
  share: number;
  pivot: Weighed | null;
}

export function leastKept(posterior: Posterior, part: Part): Kept {
  let least: Kept = { share: 1, pivot: null };
  for (const weighed of posterior.log) {
    const share = sharesByPart(posterior, sharesWithout(posterior, weighed)).get(part) ?? 0;
    if (share < least.share) least = { share, pivot: weighed };
  }
  return least;
}

/** The one observation a part's verdict hangs on: without it the part falls below `KEPT_SHARE`; null when on none. */
export function hangsOn({ share, pivot }: Kept): Weighed | null {
  return share < KEPT_SHARE ? pivot : null;
}
