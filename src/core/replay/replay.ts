import type { Belief } from "../belief/belief";
import { seedFrom } from "../random/random";
import { beliefAfter } from "../verdict/belief-after";
import { soundHere, toldBeside } from "./beside";
import type { CornerJob } from "../job/corner-in-work";
import { readingsByStage, standingRepairs } from "../job/derive";
import { setupOf } from "./known-beside";
import { observationsIn } from "./observations";
import { weighLog, type WeighingOptions } from "./weigh-log";

/** The line-up of a job as the car came, rebuilt by replaying its log from its seed, with what its other corners say. */
export function replay(job: CornerJob, options: Omit<WeighingOptions, "elsewhere"> = {}): Belief {
  const belief = replayAlone(job, options);
  belief.tell(toldBeside(job));
  return belief;
}

/** The same by its own log: what the other corners say is still to be told. */
export function replayAlone(job: CornerJob, options: Omit<WeighingOptions, "elsewhere"> = {}): Belief {
  return weighLog({ ...job, setup: setupOf(job) }, { ...options, elsewhere: soundHere(job) });
}

/**
 * The line-up of the car as it is now: after each repair it goes on with what is left in question, weighed by the
 * readings taken since. The same as `replay` while nothing was repaired.
 * @param asItCame the line-up of the car as it came, where it is at hand
 */
export function replayNow(job: CornerJob, perGroup?: number, asItCame?: Belief): Belief {
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
