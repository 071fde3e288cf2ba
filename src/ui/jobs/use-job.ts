"use client";
import { t } from "@/core/words/words";
import { useCallback, useEffect, useRef, useState } from "react";
import { parseJob } from "@/core/job/earlier-jobs";
import { exportJob } from "@/core/job/file";
import { firstIssue } from "@/core/job/document";
import { stamped } from "@/core/job/merge";
import type { Job } from "@/core/job/schema";
import { journalJob } from "@/store/journal";
import { loadJob, onOtherTab, saveJob } from "@/store/jobs";
import { toast } from "../keys/toast";
import { download } from "./download";

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
    const job = stamped(latest.current, update(latest.current), new Date().toISOString());
    // A job is written only in a form that its own reader accepts.
    const readable = parseJob(job);
    if (!readable.success) return void toast.error(t`Not taken: ${firstIssue(readable.error)}.`, { id: "not-taken" });
    latest.current = job;
    journalJob(job);
    setState({ status: "ready", job });
    saveJob(job).then(
      (merged) => {
        const grown = merged.entries.length !== job.entries.length;
        const changed = JSON.stringify(merged.stamps) !== JSON.stringify(job.stamps);
        if ((grown || changed) && latest.current === job) setState({ status: "ready", job: merged });
      },
      (error: unknown) =>
        toast.error(
          t`Not saved: ${error instanceof Error ? error.message : t`the browser refused the write`}. Nothing typed is lost while this tab is open.`,
          {
            id: "not-saved",
            duration: Infinity,
            action: {
              label: t`export it now`,
              onClick: () =>
                latest.current && download(`${latest.current.car.name || "job"}.json`, exportJob(latest.current)),
            },
          },
        ),
    );
  }, []);
  return { state: id ? state : { status: "missing" }, change };
}
