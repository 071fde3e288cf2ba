import type { Posterior } from "../belief/posterior";
import { breakPlaces, type SpanSuspicion } from "../harness/break-place";
import { halvingMinutes } from "../harness/halving";
import { pathShares } from "../harness/path-shares";
import type { Job } from "../job/schema";
import type { NextCheck } from "./describe-hookup";
import { diagnosisOf } from "./diagnosis";
import { LEAST_BITS } from "../planning/next-check";
import { progressOf } from "./progress";

/** Where wires may be damaged, and the best next checks on the loom with piercing and without. */
export interface LoomView {
  places: SpanSuspicion[];
  withPiercing: NextCheck | null;
  connectorsOnly: NextCheck | null;
  /** Minutes plain halving would take from here, on average. */
  halvingMinutes: number;
}

/** What the Loom room shows of a job. @param posterior of its log */
export function loomView(job: Job, posterior: Posterior): LoomView {
  const progress = progressOf(job);
  const planned = (pierce: boolean) => diagnosisOf(posterior, { ...job.policy, pierce }, progress, true);
  const [pierced, whole] = [planned(true), planned(false)];
  return {
    places: breakPlaces(posterior),
    withPiercing: firstOnLoom(pierced.next),
    connectorsOnly: firstOnLoom(whole.next),
    halvingMinutes: Math.round(halvingMinutes(job.setup, pathShares(job.setup, whole.suspects), progress.done)),
  };
}

/** The best proposal that is measured rather than looked at, if it still tells anything. */
function firstOnLoom(next: readonly NextCheck[]): NextCheck | null {
  return next.find(({ hookup, bits }) => "red" in hookup && bits > LEAST_BITS) ?? null;
}
