import { pointWords } from "../checks/instruction";
import { parsePoint } from "../circuit/point";
import { standingReadings } from "../job/derive";
import type { Job } from "../job/schema";

/** Every hole made in insulation so far, each once, as places to be sealed. */
export function holesMade(job: Job): string[] {
  const places = new Set<string>();
  for (const { reading } of job.entries.length ? standingReadings(job) : [])
    for (const text of [reading.red, reading.black, reading.point]) {
      const parsed = text ? parsePoint(text, job.setup) : null;
      if (parsed?.ok && parsed.point.at === "span") places.add(pointWords(parsed.point, job.setup));
    }
  return [...places];
}
