"use client";
import { t } from "@/core/words/words";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Job } from "@/core/job/schema";
import { loadJob, onOtherTab, saveJob } from "@/store/jobs";
import { toast } from "../keys/toast";

export type JobState =
  { status: "loading" } | { status: "missing" } | { status: "failed"; say: string } | { status: "ready"; job: Job };

/** Changes a job by a function of its newest state. */
export type ChangeJob = (update: (job: Job) => Job) => void;

/** A stored job, kept in step with other tabs. `change` shows at once and saves behind; a failed write is told. */
export function useJob(id: string | null): { state: JobState; change: ChangeJob } {
  const [state, setState] = useState<JobState>({ status: "loading" });
  useEffect(() => {
    if (!id) return;
    let live = true;
    const load = () =>
      loadJob(id).then(
        (job) => live && setState(job ? { status: "ready", job } : { status: "missing" }),
        (error: unknown) =>
          live && setState({ status: "failed", say: error instanceof Error ? error.message : String(error) }),
      );
    void load();
    const stop = onOtherTab((changed) => changed === id && void load());
    return () => {
      live = false;
      stop();
    };
  }, [id]);
  const latest = useRef<Job | null>(null);
  useEffect(() => {
    latest.current = state.status === "ready" ? state.job : null;
  }, [state]);
  const change = useCallback((update: (job: Job) => Job) => {
    // From the newest job, not from the one last drawn: two keys may come within one frame.
    if (!latest.current) return;
    const job = update(latest.current);
    latest.current = job;
    setState({ status: "ready", job });
    saveJob(job).then(
      (merged) => {
        if (merged.entries.length !== job.entries.length && latest.current === job)
          setState({ status: "ready", job: merged });
      },
      (error: unknown) =>
        toast.error(
          t`Not saved: ${error instanceof Error ? error.message : t`the browser refused the write`}. Nothing typed is lost while this tab is open; export the job from the jobs board.`,
          { duration: Infinity },
        ),
    );
  }, []);
  return { state: id ? state : { status: "missing" }, change };
}
