import { t } from "../words/words";
import { damagedRuns } from "../harness/damaged-runs";
import type { Job } from "../job/schema";
import { observationsOf } from "../replay/observations";

/** What to say when the ohms of single runs show more than one break; null for one or none. */
export function severalBreaks(job: Job): string | null {
  const runs = damagedRuns(job.setup, observationsOf(job).read);
  if (runs.length < 2) return null;
  return t`More than one place measures bad: ${runs.map(({ say }) => say).join("; ")}. Repair each and measure each again; the list above takes one fault at a time.`;
}
