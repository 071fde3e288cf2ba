"use client";
import { wrap, type Remote } from "comlink";
import { useEffect, useState } from "react";
import type { Diagnosis } from "@/core/job/diagnosis";
import type { Job } from "@/core/job/schema";
import type { LineUpWorker } from "@/workers/lineup.worker";

interface Running {
  worker: Worker;
  remote: Remote<LineUpWorker>;
}
let bench: Running | null = null;
let board: Running | null = null;

function start(): Running {
  const worker = new Worker(new URL("../../workers/lineup.worker.ts", import.meta.url), { type: "module" });
  return { worker, remote: wrap<LineUpWorker>(worker) };
}

/** The line-up worker of the job that is open. */
export function lineUpWorker(): Remote<LineUpWorker> {
  bench ??= start();
  return bench.remote;
}

/** Another for the board's many jobs, so that opening one does not wait for all the rest. */
function boardWorker(): Remote<LineUpWorker> {
  board ??= start();
  return board.remote;
}

/** Ends the board's worker, whatever it is at. */
export function stopBoardWorker(): void {
  board?.worker.terminate();
  board = null;
}

export interface DiagnosisState {
  diagnosis: Diagnosis | null;
  /** The shares before the newest reading, for the trend. */
  before: Record<string, number>;
  working: boolean;
  failed: string | null;
}

/** What the line-up says of a job, recomputed in the worker whenever its log changes. */
export function useDiagnosis(job: Job, place: "bench" | "board" = "bench"): DiagnosisState {
  const [state, setState] = useState<DiagnosisState & { of: Job | null }>({
    diagnosis: null,
    before: {},
    working: true,
    failed: null,
    of: null,
  });
  useEffect(() => {
    let live = true;
    (place === "board" ? boardWorker() : lineUpWorker()).diagnose(job).then(
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
  }, [job, place]);
  return { ...state, working: state.of !== job };
}
