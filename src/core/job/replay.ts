import { Belief } from "../belief/belief";
import { seedFrom } from "../random/random";
import type { Job } from "./schema";
import { observationsOf } from "./observations";

/** The line-up of a job, rebuilt by replaying its log from its seed. */
export function replay(job: Job, perGroup?: number): Belief {
  const belief = new Belief(job.setup, job.complaint, {
    seed: seedFrom(job.id),
    ...(perGroup ? { perGroup } : {}),
    ...(job.priors ? { priors: job.priors } : {}),
    ratios: job.ratios,
  });
  for (const observation of observationsOf(job).read) belief.learn(observation);
  return belief;
}
