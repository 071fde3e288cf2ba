"use client";
import { wrap, type Remote } from "comlink";
import { useEffect, useState } from "react";
import type { Diagnosis } from "@/core/job/diagnosis";
import type { Job } from "@/core/job/schema";
import type { LineUpWorker } from "@/workers/lineup.worker";

let remote: Remote<LineUpWorker> | null = null;

/** The one line-up worker of this page. */
export function lineUpWorker(): Remote<LineUpWorker> {
  remote ??= wrap<LineUpWorker>(
    new Worker(new URL("../../workers/lineup.worker.ts", import.meta.url), { type: "module" }),
  );
  return remote;
}

export interface DiagnosisState {
  diagnosis: Diagnosis | null;
  /** The shares before the newest reading, for the trend. */
  before: Record<string, number>;
  working: boolean;
  failed: string | null;
}

/** What the line-up says of a job, recomputed in the worker whenever its log changes. */
export function useDiagnosis(job: Job): DiagnosisState {
  const [state, setState] = useState<DiagnosisState & { of: Job | null }>({
    diagnosis: null,
    before: {},
    working: true,
    failed: null,
    of: null,
  });
  useEffect(() => {
    let live = true;
    lineUpWorker()
      .diagnose(job)
      .then(
        (diagnosis) =>
          live &&
          setState((last) => ({
            diagnosis,
            before: Object.fromEntries(last.diagnosis?.suspects.map(({ id, share }) => [id, share]) ?? []),
            working: false,
            failed: null,
            of: job,
          })),
        (error: unknown) =>
          live &&
          setState((last) => ({
            ...last,
            working: false,
            failed: error instanceof Error ? error.message : String(error),
            of: job,
          })),
      );
    return () => {
      live = false;
    };
  }, [job]);
  return { ...state, working: state.of !== job };
}
