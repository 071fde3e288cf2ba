import { ofAddress } from "../core/job/corner-address";
import { mergeJobs } from "../core/job/merge";
import { UnusableInput } from "../core/capture/capture";
import { parseJob } from "../core/job-file/earlier-jobs";
import { firstIssue } from "../core/job-file/version";
import type { Job } from "../core/job/schema";
import { forgetJournal, journaled, journaledIds, settleJournal } from "./journal";
import { shelf } from "./shelf";
import { dropWorkedOut } from "./worked-out";

const jobs = shelf("jobs");
/** Records that could not be read when something was written over them. */
const aside = shelf("aside");

const CHANNEL = "tastatura-jobs";
const channel = typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel(CHANNEL);

/** A stored record that this version cannot read; it is left where it is. */
export interface Unreadable {
  id: string;
  why: string;
  /** The record as it lies there. */
  raw: unknown;
}

/** All jobs, newest first, and those that could not be read. */
export async function listJobs(): Promise<{ jobs: Job[]; unreadable: Unreadable[] }> {
  const found: Job[] = [];
  const unreadable: Unreadable[] = [];
  await jobs.iterate((value: unknown, id) => {
    const parsed = parseJob(value);
    if (parsed.success) found.push(parsed.data);
    else unreadable.push({ id, why: firstIssue(parsed.error), raw: value });
  });
  // What a killed tab had written down and not stored yet is put where it belongs first.
  for (const id of journaledIds()) {
    const at = found.findIndex((job) => job.id === id);
    const held = journaled(id);
    if (!held) continue;
    const whole = at < 0 ? held : mergeJobs(found[at]!, held);
    if (at < 0) found.push(whole);
    else found[at] = whole;
  }
  return { jobs: found.sort((a, b) => (lastTouched(a) < lastTouched(b) ? 1 : -1)), unreadable };
}

export function lastTouched(job: Job): string {
  return job.entries.at(-1)?.at ?? job.createdAt;
}

let saving: Promise<unknown> = Promise.resolve();

/** A job as last saved, saves still under way included: a screen left in haste has not written its last key yet. */
export async function loadJob(id: string): Promise<Job | null> {
  await saving;
  const held = journaled(id);
  const value = await jobs.getItem<unknown>(id);
  if (value === null) return held && keptOrHeld(held);
  const parsed = parseJob(value);
  if (!parsed.success) throw new UnusableInput(firstIssue(parsed.error), { cause: parsed.error });
  return held ? keptOrHeld(mergeJobs(parsed.data, held)) : parsed.data;
}

/** Puts what killed or hurried tabs had written down only into the store, where workers see it too. */
export async function storeJournaled(): Promise<void> {
  for (const id of journaledIds()) await loadJob(id);
}

/** A job with what its journal held, saved; where the store refuses, it is shown all the same and stays in the journal. */
function keptOrHeld(job: Job): Promise<Job> {
  return saveJob(job).catch(() => job);
}

/**
 * Saves a job. The log is joined with what another tab may have stored since, so that neither loses entries.
 * Rejects when the browser could not write; the caller keeps what was typed.
 */
export function saveJob(job: Job): Promise<Job> {
  if (ofAddress(job.id).corner) throw new RangeError(`${job.id} is one corner of a job, not the whole of it`);
  const next = saving.then(async () => {
    const write = async () => {
      const there = await jobs.getItem<unknown>(job.id);
      const stored = parseJob(there);
      // A record that does not read is no reason to lose it: it is kept aside, to be exported or mended.
      if (there !== null && !stored.success) await aside.setItem(`${job.id} ${new Date().toISOString()}`, there);
      const merged = stored.success ? mergeJobs(job, stored.data) : job;
      await jobs.setItem(job.id, merged);
      settleJournal(merged);
      return merged;
    };
    const merged =
      typeof navigator !== "undefined" && "locks" in navigator
        ? await navigator.locks.request(`job-${job.id}`, write)
        : await write();
    channel?.postMessage(job.id);
    return merged;
  });
  saving = next.catch(() => undefined);
  return next;
}

/** Takes a record out of the store, readable or not. @returns it, to be put back by `restoreRecord` */
export async function removeJob(id: string): Promise<unknown> {
  const record = await jobs.getItem<unknown>(id);
  await jobs.removeItem(id);
  await dropWorkedOut(id);
  forgetJournal(id);
  channel?.postMessage(id);
  return record;
}

/** Puts a record back as it was. */
export async function restoreRecord(id: string, record: unknown): Promise<void> {
  await jobs.setItem(id, record);
  channel?.postMessage(id);
}

/** Calls back when another tab has written a job. @returns a function that stops listening */
export function onOtherTab(callback: (id: string) => void): () => void {
  const listen = (event: MessageEvent<string>) => callback(event.data);
  channel?.addEventListener("message", listen);
  return () => channel?.removeEventListener("message", listen);
}
