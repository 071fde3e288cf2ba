"use client";
import { languageTag } from "@/core/words/words";
import { wrap, type Remote } from "comlink";
import { useEffect, useState } from "react";
import type { Diagnosis, Ranking } from "@/core/bench/diagnosis";
import type { Job } from "@/core/job/schema";
import type { LineUpWorker } from "@/workers/lineup.worker";

interface Running {
  worker: Worker;
  remote: Remote<LineUpWorker>;
}
let bench: Running | null = null;
let board: Running | null = null;

function start(): Running {
  const worker = new Worker(new URL("../../workers/lineup.worker.ts", import.meta.url), {
    type: "module",
    name: languageTag(),
  });
  return { worker, remote: wrap<LineUpWorker>(worker) };
}

/** The line-up worker of the job that is open. */
export function lineUpWorker(): Remote<LineUpWorker> {
  bench ??= start();
  return bench.remote;
}

const rankings = new WeakMap<Job, Promise<Ranking>>();

/** The ranking of a job, asked for once: the hand that logs asks before the screen is drawn anew, so that both run at once. */
export function rankingOf(job: Job): Promise<Ranking> {
  let ranking = rankings.get(job);
  if (!ranking) rankings.set(job, (ranking = lineUpWorker().rank(job)));
  return ranking;
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
  const [state, setState] = useState<DiagnosisState & { of: Job | null; ranked: Job | null }>({
    diagnosis: null,
    before: {},
    working: true,
    failed: null,
    of: null,
    ranked: null,
  });
  useEffect(() => {
    let live = true;
    const worker = place === "board" ? boardWorker() : lineUpWorker();
    const failed = (error: unknown) =>
      live &&
      setState((last) => ({
        ...last,
        working: false,
        failed: error instanceof Error ? error.message : String(error),
        of: job,
      }));
    const sharesOf = (diagnosis: Diagnosis | null) =>
      Object.fromEntries(diagnosis?.suspects.map(({ id, share }) => [id, share]) ?? []);
    // The new ranking is shown as soon as it is there; the old proposals stand until the new ones are chosen.
    if (place === "bench")
      rankingOf(job).then(
        (ranking) =>
          live &&
          setState((last) =>
            last.diagnosis
              ? {
                  ...last,
                  diagnosis: { ...last.diagnosis, ...ranking },
                  before: sharesOf(last.diagnosis),
                  ranked: job,
                }
              : last,
          ),
        failed,
      );
    worker.diagnose(job).then(
      (diagnosis) =>
        live &&
        setState((last) => ({
          diagnosis,
          before: last.ranked === job ? last.before : sharesOf(last.diagnosis),
          ranked: job,
          working: false,
          failed: null,
          of: job,
        })),
      failed,
    );
    return () => {
      live = false;
    };
  }, [job, place]);
  return { ...state, working: state.of !== job };
}
