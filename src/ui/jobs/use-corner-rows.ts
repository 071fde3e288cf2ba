"use client";
import { useMemo } from "react";
import { cornerJobs } from "@/core/job/corner-in-work";
import type { Job } from "@/core/job/schema";
import type { Corner } from "@/core/units/corner";
import { useBoardRows, type WorkedOut } from "./use-board-rows";

/** One corner of a car, and what is believed of it. */
export interface CornerRow extends WorkedOut {
  corner: Corner;
  /** That corner as a job of its own. */
  job: Job;
}

/** What is believed of each corner in work, its first one in front; worked out anew only where something of it has changed. */
export function useCornerRows(car: Job | null): CornerRow[] {
  const jobs = useMemo(() => (car ? cornerJobs(car) : []), [car]);
  const rows = useBoardRows(jobs);
  return cornerRows(jobs, rows);
}

/** Corners with their rows, as far as they are worked out. */
export function cornerRows(jobs: readonly Job[], rows: ReadonlyMap<string, WorkedOut>): CornerRow[] {
  return jobs.map((job) => ({ corner: job.setup.corner, job, ...(rows.get(job.id) ?? { row: null, failed: null }) }));
}
