import { damagedRuns } from "../harness/damaged-runs";
import { standingReadings } from "./derive";
import { evidenceOf } from "./reading";
import type { Job } from "./schema";

/** What to say when the ohms of single runs show more than one break; null for one or none. */
export function severalBreaks(job: Job): string | null {
  const readings = standingReadings(job).flatMap(({ reading }) => {
    const evidence = evidenceOf(reading, job.setup);
    return evidence.ok ? [evidence.value] : [];
  });
  const runs = damagedRuns(job.setup, readings);
  if (runs.length < 2) return null;
  return `More than one place measures bad: ${runs.map(({ say }) => say).join("; ")}. Mend each and measure each again; the suspicion above weighs one fault at a time.`;
}
