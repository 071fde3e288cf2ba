import { nanoid } from "nanoid";
import type { RepairEntry } from "@/core/job/derive";
import type { Entry, Job } from "@/core/job/schema";
import { fileNameKept } from "@/core/units/typed-text";
import type { Suspect } from "@/core/verdict/suspects";

/** Identity and time of a new entry. */
export function stamp(): { id: string; at: string } {
  return { id: nanoid(10), at: new Date().toISOString() };
}

/** The job with one entry more at the end of its log. */
export function withEntry(job: Job, entry: Entry): Job {
  const kept = "name" in entry ? { ...entry, name: fileNameKept(entry.name) } : entry;
  return { ...job, entries: [...job.entries, kept] };
}

/** That a suspect was repaired, as a guess unless it was proven. */
export function repairOf({ fault, place, part, words, share, verdict }: Suspect): RepairEntry {
  return { ...stamp(), kind: "repair", fault, place, part, words, share, guess: verdict !== "proven" };
}
