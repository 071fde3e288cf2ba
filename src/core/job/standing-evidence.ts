import type { Evidence } from "../lineup/evidence";
import { standingReadings } from "./derive";
import { evidenceOf } from "./reading";
import type { Job } from "./schema";

/** What the standing readings say, in order. Entries that no longer parse are left out. */
export function standingEvidence(job: Job): Evidence[] {
  return standingReadings(job).flatMap(({ reading }) => {
    const evidence = evidenceOf(reading, job.setup);
    return evidence.ok ? [evidence.value] : [];
  });
}
