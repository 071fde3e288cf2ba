import { Belief } from "../belief/belief";
import { beliefAfter } from "../verdict/belief-after";
import { seedFrom } from "../random/random";
import { readingsByStage, standingRepairs } from "./derive";
import type { Job } from "./schema";
import { observationsIn, observationsOf } from "./observations";

/** The line-up of a job as the car came, rebuilt by replaying its log from its seed. */
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

/**
 * The line-up of the car as it is now: after each repair it goes on with what is left in question, weighed by the
 * readings taken since. The same as `replay` while nothing was repaired.
 */
export function replayNow(job: Job, perGroup?: number): Belief {
  const [, ...later] = readingsByStage(job);
  return standingRepairs(job).reduce(
    (before, { part, place }, i) => {
      const belief = beliefAfter(before, { part, place }, seedFrom(`${job.id} ${i}`), perGroup);
      const readings = (later[i] ?? []).map(({ id, reading }) => ({ entryId: id, reading }));
      for (const observation of observationsIn(readings, job.setup).read) belief.learn(observation);
      return belief;
    },
    replay(job, perGroup),
  );
}
