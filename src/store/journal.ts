import { mergeJobs } from "../core/job/merge";
import { parseJob } from "../core/job-file/earlier-jobs";
import type { Job } from "../core/job/schema";
import { dropText, keepText, keptKeys, keptText } from "./small-texts";

/**
 * What was typed and is not yet in the store. It is written at once, before the screen says it is logged: a tab that is
 * killed in that moment finds it at its next start.
 */
const PREFIX = "tastatura-journal-";
/** Longer jobs keep their newest entries alone here: the rest is in the store. */
const NEWEST = 20;

/**
 * Writes down a job that is about to be saved, beside what another tab wrote down of it and has not stored yet.
 * @returns false where this browser has no such place, or it is full
 */
export function journalJob(job: Job): boolean {
  const newest = { ...job, entries: job.entries.slice(-NEWEST) };
  const held = journaled(job.id);
  return keepText(PREFIX + job.id, JSON.stringify(held ? mergeJobs(newest, held) : newest));
}

/** The job's store has caught up. @param saved the state that was saved; a newer one in the journal stays */
export function settleJournal(saved: Job): void {
  const held = journaled(saved.id);
  if (!held) return;
  const known = new Set(saved.entries.map(({ id }) => id));
  const all = held.entries.every(({ id }) => known.has(id));
  const stamps = Object.entries(held.stamps ?? {}).every(([part, at]) => (saved.stamps?.[part] ?? "") >= at);
  if (all && stamps) forgetJournal(saved.id);
}

/** Nothing of this job is to be found at the next start. */
export function forgetJournal(id: string): void {
  dropText(PREFIX + id);
}

/** What was written down of a job and never reached the store; null where nothing was. */
export function journaled(id: string): Job | null {
  try {
    const text = keptText(PREFIX + id);
    if (text === null) return null;
    const parsed = parseJob(JSON.parse(text));
    return parsed.success ? parsed.data : null;
  } catch (error) {
    if (error instanceof SyntaxError) return null;
    throw error;
  }
}

/** The jobs of which something was written down. */
export function journaledIds(): string[] {
  return keptKeys(PREFIX).map((key) => key.slice(PREFIX.length));
}
