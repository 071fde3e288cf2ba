import { accessSteps } from "../checks/access";
import { standingReadings } from "../job/derive";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";

/** Minutes the readings so far took by the table of times, each set-up counted once. */
export function minutesSpent(job: Job): number {
  const done = new Set<string>();
  let minutes = 0;
  for (const { reading } of standingReadings(job)) {
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
