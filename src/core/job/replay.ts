import { LineUp } from "../lineup/line-up";
import { seedFrom } from "../random/random";
import type { Job } from "./schema";
import { standingEvidence } from "./standing-evidence";

/** The line-up of a job, rebuilt by replaying its log from its seed. */
export function replay(job: Job, perGroup?: number): LineUp {
  const lineUp = new LineUp(job.setup, job.complaint, {
    seed: seedFrom(job.id),
    ...(perGroup ? { perGroup } : {}),
    ...(job.priors ? { priors: job.priors } : {}),
  });
  for (const evidence of standingEvidence(job)) lineUp.add(evidence);
  return lineUp;
}
