import { Belief, type BeliefOptions } from "../belief/belief";
import type { Resume } from "../belief/checkpoint";
import { seedFrom } from "../random/random";
import { observationsOf } from "./observations";
import type { Job } from "../job/schema";

export interface WeighingOptions {
  perGroup?: number | undefined;
  /** What it begins with for the codes of the whole car. */
  elsewhere?: BeliefOptions["elsewhere"];
  /** Where to go on from, instead of from the first reading. */
  resume?: Resume | null | undefined;
  /** Told after each reading how many are weighed, and of how many. */
  told?: ((weighed: number, of: number) => void) | undefined;
}

/** The line-up of a job, its log weighed from its seed and nothing else. */
export function weighLog(job: Job, { perGroup, elsewhere, resume, told }: WeighingOptions = {}): Belief {
  const { read } = observationsOf(job);
  const options = {
    seed: seedFrom(job.id),
    ...(perGroup ? { perGroup } : {}),
    ...(job.priors ? { priors: job.priors } : {}),
    ratios: job.ratios,
    elsewhere,
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
