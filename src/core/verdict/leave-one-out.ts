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

/** The one observation a part's verdict hangs on: without it the part falls below `KEPT_SHARE`; null when on none. */
export function hangsOn(posterior: Posterior, part: Part): Weighed | null {
  let [least, pivot]: [number, Weighed | null] = [KEPT_SHARE, null];
  for (const weighed of posterior.log) {
    const kept = sharesByPart(posterior, sharesWithout(posterior, weighed)).get(part) ?? 0;
    if (kept < least) [least, pivot] = [kept, weighed];
  }
  return pivot;
}
