import { accessSteps } from "../checks/access";
import { readingsByStage, type ReadingEntry } from "../job/derive";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";

/** Minutes the readings up to the first repair took by the table of times, each set-up counted once. */
export function minutesSpent(job: Job): number {
  return minutesOf(job, readingsByStage(job)[0]!);
}

/** The same of all readings, those after a repair among them. */
export function minutesInAll(job: Job): number {
  return minutesOf(job, readingsByStage(job).flat());
}

function minutesOf(job: Job, readings: readonly ReadingEntry[]): number {
  const done = new Set<string>();
  let minutes = 0;
  for (const { reading } of readings) {
    const hookup = hookupOf(reading, job.setup);
    if (!hookup.ok) continue;
    const { access, ownMinutes } = accessSteps(hookup.value, job.setup);
    minutes += ownMinutes;
    for (const step of access) {
      if (!done.has(step.id)) minutes += step.minutes;
      done.add(step.id);
    }
  }
  return minutes;
}
