"use client";
import { useQueries } from "@tanstack/react-query";
import { rowKey, type BoardRow } from "@/core/job/board";
import type { Job } from "@/core/job/schema";
import { languageTag } from "@/core/words/words";
import { keepRow, keptRow } from "@/store/board-rows";
import { MODEL } from "@/store/worked-out";
import { numberOf } from "../query/same-object";
import { boardWorker } from "../query/workers";

export interface WorkedOut {
  row: BoardRow | null;
  failed: Error | null;
}

/** The rows of these jobs by id: as they were kept where nothing has changed since, else worked out anew and kept. */
export function useBoardRows(jobs: readonly Job[]): ReadonlyMap<string, WorkedOut> {
  return useQueries({
    queries: jobs.map((job) => ({
      queryKey: ["board-row", numberOf(job), languageTag()],
      queryFn: () => workedOut(job),
    })),
    combine: (answers) =>
      new Map(
        jobs.map((job, i) => [job.id, { row: answers[i]?.data ?? null, failed: answers[i]?.error ?? null }] as const),
      ),
  });
}

async function workedOut(job: Job): Promise<BoardRow> {
  const key = rowKey(job, MODEL, languageTag());
  // A store that gives nothing back, or takes nothing, costs the time to work it out again.
  const kept = await keptRow(job.id, key).catch(() => null);
  if (kept) return kept;
  const row = await boardWorker.ask((remote) => remote.row(job));
  await keepRow(job.id, key, row).catch(() => undefined);
  return row;
}
