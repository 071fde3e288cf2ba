import * as z from "zod/mini";
import { parseJob } from "../core/job-file/earlier-jobs";
import type { Job } from "../core/job/schema";
import { listJobs, saveJob } from "./jobs";
import { shelf } from "./shelf";

const snapshots = shelf("snapshots");

const snapshotSchema = z.object({ at: z.string().check(z.maxLength(40)), jobs: z.array(z.unknown()) });

/** A copy of all jobs as they were at one time; captures are kept once, by the jobs. */
export interface Snapshot {
  at: string;
  jobs: Job[];
}

const EVERY_MS = 12 * 3_600_000;
const KEPT = 8;

/** Takes a snapshot when the newest is half a day old, and drops the oldest beyond eight. @returns whether one was taken */
export async function snapshotIfDue(now: Date): Promise<boolean> {
  const times = (await snapshots.keys()).sort();
  // A clock moved back must not stop the copies: only one near this very time counts as fresh.
  if (times.some((at) => Math.abs(now.getTime() - Date.parse(at)) < EVERY_MS)) return false;
  const { jobs } = await listJobs();
  if (jobs.length === 0) return false;
  const at = now.toISOString();
  await snapshots.setItem(at, { at, jobs });
  for (const old of times.slice(0, Math.max(0, times.length + 1 - KEPT))) await snapshots.removeItem(old);
  return true;
}

/** The snapshots there are, newest first; what no longer fits a job is left out of them. */
export async function listSnapshots(): Promise<Snapshot[]> {
  const found: Snapshot[] = [];
  await snapshots.iterate((value: unknown) => {
    const parsed = snapshotSchema.safeParse(value);
    if (!parsed.success) return;
    const jobs = parsed.data.jobs.flatMap((one) => {
      const job = parseJob(one);
      return job.success ? [job.data] : [];
    });
    found.push({ at: parsed.data.at, jobs });
  });
  return found.sort((a, b) => (a.at < b.at ? 1 : -1));
}

/** Brings a snapshot's jobs back: missing ones return, present ones get the entries they lack; nothing is taken away. */
export async function restoreSnapshot({ jobs }: Snapshot): Promise<{ returned: number; joined: number }> {
  const here = new Map((await listJobs()).jobs.map((job) => [job.id, job]));
  for (const job of jobs) {
    const present = here.get(job.id);
    // Saving joins logs; the present car and set-up stay as they are now.
    await saveJob(present ? { ...present, entries: job.entries } : job);
  }
  const joined = jobs.filter(({ id }) => here.has(id)).length;
  return { returned: jobs.length - joined, joined };
}
