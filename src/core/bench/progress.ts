import { accessSteps } from "../checks/access";
import type { Progress } from "../planning/next-check";
import { retractedIds, standingReadings } from "../job/derive";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";
import { putOff } from "./skip-rules";

/** Preparations already made for earlier readings, and checks the technician could not reach. */
export function progressOf(job: Job): Progress {
  const retracted = retractedIds(job);
  const done = new Set<string>();
  for (const { reading } of standingReadings(job)) {
    const hookup = hookupOf(reading, job.setup);
    if (hookup.ok) for (const step of accessSteps(hookup.value, job.setup).access) done.add(step.id);
  }
  return {
    done,
    skipped: new Set(
      job.entries.flatMap((entry) =>
        entry.kind === "skip" && !retracted.has(entry.id)
          ? [...putOff(entry.check, entry.reason, job.setup, done)]
          : [],
      ),
    ),
  };
}
