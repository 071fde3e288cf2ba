import { Belief, type BeliefOptions } from "../belief/belief";
import type { Resume } from "../belief/checkpoint";
import { beliefAfter } from "../verdict/belief-after";
import { seedFrom } from "../random/random";
import { readingsByStage, standingRepairs } from "./derive";
import type { Job } from "./schema";
import { observationsIn, observationsOf } from "./observations";

export interface ReplayOptions {
  perGroup?: number | undefined;
  /** Where to go on from, instead of from the first reading. */
  resume?: Resume | null;
  /** Told after each reading how many are weighed, and of how many. */
  told?: (weighed: number, of: number) => void;
}

/** The line-up of a job as the car came, rebuilt by replaying its log from its seed. */
export function replay(job: Job, { perGroup, resume, told }: ReplayOptions = {}): Belief {
  const { read } = observationsOf(job);
  const options = {
    seed: seedFrom(job.id),
    ...(perGroup ? { perGroup } : {}),
    ...(job.priors ? { priors: job.priors } : {}),
    ratios: job.ratios,
  };
  const belief = (resume && resumed(job, { ...options, resume })) ?? new Belief(job.setup, job.complaint, options);
  for (let i = belief.log.length; i < read.length; i++) {
    belief.learn(read[i]!);
    told?.(i + 1, read.length);
  }
  return belief;
}

/** The line-up as it was kept; null where what was kept is damaged: the log itself is there to be weighed anew. */
function resumed({ setup, complaint }: Job, options: BeliefOptions): Belief | null {
  try {
    return new Belief(setup, complaint, options);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/**
 * The line-up of the car as it is now: after each repair it goes on with what is left in question, weighed by the
 * readings taken since. The same as `replay` while nothing was repaired.
 * @param asItCame the line-up of the car as it came, where it is at hand
 */
export function replayNow(job: Job, perGroup?: number, asItCame?: Belief): Belief {
  const [, ...later] = readingsByStage(job);
  return standingRepairs(job).reduce(
    (before, { part, place }, i) => {
      const belief = beliefAfter(before, { part, place }, seedFrom(`${job.id} ${i}`), perGroup);
      const readings = (later[i] ?? []).map(({ id, reading }) => ({ entryId: id, reading }));
      for (const observation of observationsIn(readings, job.setup).read) belief.learn(observation);
      return belief;
    },
    asItCame ?? replay(job, { perGroup }),
  );
}
