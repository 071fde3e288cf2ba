"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import { useCallback, useEffect, useRef, useState } from "react";
import { ofAddress } from "@/core/job/corner-address";
import { cornerJob, withCornerJob, type CornerJob } from "@/core/job/corner-in-work";
import { parseJob } from "@/core/job-file/earlier-jobs";
import { exportJob } from "@/core/job-file/file";
import { firstIssue } from "@/core/job-file/version";
import { stamped } from "@/core/job/merge";
import type { Job } from "@/core/job/schema";
import type { Corner } from "@/core/units/corner";
import { journalJob } from "@/store/journal";
import { loadJob, onOtherTab, saveJob } from "@/store/jobs";
import { toast } from "../keys/toast";
import { settingsNow } from "../settings/use-settings";
import { download } from "./download";
import { tellIfNothingKept } from "./keeps-nothing";

/** A job as it is kept, and the corner of it that a room works on. */
export interface OpenJob {
  /** The whole car: every corner in work. */
  car: Job;
  corner: Corner;
  /** That corner as a job of its own. */
  job: Job;
}

export type JobState =
  { status: "loading" } | { status: "missing" } | { status: "failed"; say: string } | ({ status: "ready" } & OpenJob);

/** Changes a job by a function of its newest state. */
export type ChangeJob = (update: (job: Job) => Job) => void;

/**
 * A stored job by its address (see corner-in-work.ts), kept in step with other tabs. Changes show at once and are saved
 * behind; a failed write is told.
 * @returns `change` for the corner the address names, `changeCar` for the whole
 */
export function useJob(address: string | null): { state: JobState; change: ChangeJob; changeCar: ChangeJob } {
  const { id, corner } = address ? ofAddress(address) : { id: null, corner: null };
  const [state, setState] = useState<JobState>({ status: "loading" });
  useEffect(() => {
    if (!id) return;
    let live = true;
    const load = () =>
      loadJob(id).then(
        (car) => {
          if (live) setState(car ? opened(car, corner) : { status: "missing" });
          tellIfNothingKept();
        },
        (error: unknown) => live && setState({ status: "failed", say: errorWords(error) }),
      );
    void load();
    const stop = onOtherTab((changed) => changed === id && void load());
    return () => {
      live = false;
      stop();
    };
  }, [id, corner]);
  const latest = useRef<OpenJob | null>(null);
  useEffect(() => {
    latest.current = state.status === "ready" ? state : null;
  }, [state]);
  const take = useCallback(
    (next: Job, view: Job | null) => {
      // From the newest job, not from the one last drawn: two keys may come within one frame.
      if (!latest.current) return;
      const car = stamped(latest.current.car, next, new Date().toISOString(), settingsNow().person || undefined);
      // A job is written only in a form that its own reader accepts.
      const readable = parseJob(car);
      if (!readable.success) return void toast.error(t`Not taken: ${firstIssue(readable.error)}.`, { id: "not-taken" });
      const now = opened(car, corner, view);
      latest.current = now.status === "ready" ? now : null;
      journalJob(car);
      setState(now);
      saveJob(car).then(
        (merged) => {
          const grown = merged.entries.length !== car.entries.length;
          const changed = JSON.stringify(merged.stamps) !== JSON.stringify(car.stamps);
          if ((grown || changed) && latest.current?.car === car) setState(opened(merged, corner));
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
                  latest.current &&
                  download(`${latest.current.car.car.name || "job"}.json`, exportJob(latest.current.car)),
              },
            },
          ),
      );
    },
    [corner],
  );
  const change = useCallback(
    (update: (job: Job) => Job) => {
      if (!latest.current) return;
      const view = update(latest.current.job);
      take(withCornerJob(latest.current.car, latest.current.corner, view), view);
    },
    [take],
  );
  const changeCar = useCallback(
    (update: (job: Job) => Job) => latest.current && take(update(latest.current.car), null),
    [take],
  );
  return { state: id ? state : { status: "missing" }, change, changeCar };
}

/**
 * A job opened at a corner, its first where none is named.
 * @param view what that corner was just changed to: kept as the very object where it is what the car now says, so that
 *   what was asked of it already is not asked anew
 */
function opened(car: Job, corner: Corner | null, view: Job | null = null): JobState {
  const at = corner ?? car.setup.corner;
  const job = cornerJob(car, at);
  if (!job) return { status: "missing" };
  return { status: "ready", car, corner: at, job: view && isSameView(view, job) ? view : job };
}

function isSameView(view: Job, job: CornerJob): boolean {
  return (
    // What is the whole car's speaks at its other corners too.
    !job.beside &&
    (view.setup === job.setup || JSON.stringify(view.setup) === JSON.stringify(job.setup)) &&
    view.complaint === job.complaint &&
    view.policy === job.policy &&
    view.car === job.car &&
    view.archived === job.archived &&
    view.entries.length === job.entries.length &&
    view.entries.every(({ id, at }, i) => id === job.entries[i]!.id && at === job.entries[i]!.at)
  );
}
