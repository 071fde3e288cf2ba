import { LineUp } from "../lineup/line-up";
import { seedFrom } from "../random/random";
import { standingReadings } from "./derive";
import { evidenceOf } from "./reading";
import type { Job } from "./schema";

/** The line-up of a job, rebuilt by replaying its log from its seed. Entries that no longer parse are left out. */
export function replay(job: Job, perGroup?: number): LineUp {
  const lineUp = new LineUp(job.setup, job.complaint, {
    seed: seedFrom(job.id),
    ...(perGroup ? { perGroup } : {}),
    ...(job.priors ? { priors: job.priors } : {}),
  });
  for (const { reading } of standingReadings(job)) {
    const evidence = evidenceOf(reading, job.setup);
    if (evidence.ok) lineUp.add(evidence.value);
  }
  return lineUp;
}
