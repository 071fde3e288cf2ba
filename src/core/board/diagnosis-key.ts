import { rowKey } from "./board";
import type { CornerJob } from "../job/corner-in-work";
import { standingRepairs } from "../job/derive";

/** The car as it came, or as it is after what was repaired. */
export type DiagnosedCar = "came" | "now";

/** Names all that a diagnosis is made of: while it is the same, so is the diagnosis. @param model, tag as of `rowKey` */
export function diagnosisKey(job: CornerJob, car: DiagnosedCar, model: string, tag: string): string {
  return `${standingRepairs(job).length > 0 ? car : "came"} ${rowKey(job, model, tag)}`;
}
