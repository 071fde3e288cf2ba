"use client";
import { useCallback, useEffect, useState } from "react";
import { toast } from "sonner";
import type { Job } from "@/core/job/schema";
import { loadJob, onOtherTab, saveJob } from "@/store/jobs";

export type JobState =
  { status: "loading" } | { status: "missing" } | { status: "failed"; say: string } | { status: "ready"; job: Job };

/** A stored job, kept in step with other tabs. `change` shows at once and saves behind; a failed write is told. */
export function useJob(id: string | null): { state: JobState; change: (job: Job) => void } {
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
  const change = useCallback((job: Job) => {
    setState({ status: "ready", job });
    saveJob(job).then(
      (merged) => merged.entries.length !== job.entries.length && setState({ status: "ready", job: merged }),
      (error: unknown) =>
        toast.error(
          `Not saved: ${error instanceof Error ? error.message : "the browser refused the write"}. Nothing typed is lost while this tab is open; export the job from the jobs board.`,
          { duration: Infinity },
        ),
    );
  }, []);
  return { state: id ? state : { status: "missing" }, change };
}
