import { suspectables, suspectId } from "../faults/catalogue";
import type { Job } from "../job/schema";
import type { Skill } from "./exercise";

/** The skill a practice job trains, by its hidden fault. */
export function skillOf(job: Job): Skill {
  if (job.simulated?.intermittent) return "intermittent";
  const part = suspectables(job.setup).find(({ fault, place }) => suspectId(fault, place) === job.simulated?.fault)
    ?.fault.part;
  if (part === "harness" || part === "connector") return "wiring";
  return part === "module" || part === "module-feed" ? "supply and module" : "sensor and ring";
}
