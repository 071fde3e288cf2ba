import type { CornerSetup } from "../circuit/setup";
import { knownFromSide } from "../observation/known-from-side";
import type { Reading } from "../observation/reading";
import { otherSide } from "../units/corner";
import type { CornerJob } from "../job/corner-in-work";
import { retractedIds } from "../job/derive";
import type { Job } from "../job/schema";

/** A corner's set-up with what the other side of its axle, in work too, was seen to toggle between. */
export function setupOf({ setup, beside = [] }: CornerJob): CornerSetup {
  if (setup.family !== "active-2wire" || (setup.known && !setup.known.side)) return setup;
  const side = otherSide[setup.corner];
  const other = beside.find((one) => one.setup.corner === side && one.setup.family === setup.family);
  const known = other ? knownFromSide(readingsOf(other), side) : null;
  return known || setup.known ? { ...setup, known: known ?? undefined } : setup;
}

/** All readings that stand, those of a repaired side too: nothing is a better reference. */
function readingsOf(job: Job): Reading[] {
  const retracted = retractedIds(job);
  return job.entries.flatMap((entry) => ("reading" in entry && !retracted.has(entry.id) ? [entry.reading] : []));
}
