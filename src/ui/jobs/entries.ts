import { nanoid } from "nanoid";
import type { Entry, Job } from "@/core/job/schema";

/** Identity and time of a new entry. */
export function stamp(): { id: string; at: string } {
  return { id: nanoid(10), at: new Date().toISOString() };
}

/** The job with one entry more at the end of its log. */
export function withEntry(job: Job, entry: Entry): Job {
  return { ...job, entries: [...job.entries, entry] };
}
