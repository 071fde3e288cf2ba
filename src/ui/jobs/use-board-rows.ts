"use client";
import { useCallback, useMemo } from "react";
import { useQueries, useQuery, type UseQueryResult } from "@tanstack/react-query";
import { rowKey, type BoardRow } from "@/core/board/board";
import type { Job } from "@/core/job/schema";
import { languageTag } from "@/core/words/words";
import { keepRow, keptRow, keptRows } from "@/store/board-rows";
import { MODEL } from "@/store/worked-out";
import { numberOf } from "../query/same-object";
import { boardWorker } from "../query/workers";

export interface WorkedOut {
  row: BoardRow | null;
  failed: Error | null;
}

/** The rows of these jobs by id: as they were kept where nothing has changed since, else worked out anew and kept. */
export function useBoardRows(jobs: readonly Job[]): ReadonlyMap<string, WorkedOut> {
  // Kept, so that its answer stays the very same while nothing has changed.
  const combine = useCallback(
    (answers: readonly Pick<UseQueryResult<BoardRow>, "data" | "error">[]) =>
      new Map(
        jobs.map((job, i) => [job.id, { row: answers[i]?.data ?? null, failed: answers[i]?.error ?? null }] as const),
      ),
    [jobs],
  );
  return useQueries({
    queries: jobs.map((job) => ({
      queryKey: ["board-row", numberOf(job), languageTag()],
      queryFn: () => workedOut(job),
    })),
    combine,
  });
}

/** The same for a whole board: what was kept is had in one go, and only the rest is asked for one by one. */
export function useWholeBoardRows(jobs: readonly Job[]): ReadonlyMap<string, WorkedOut> {
  const tag = languageTag();
  // A store that gives nothing back costs the time to work it out again.
  const { data: kept } = useQuery({
    queryKey: ["board-rows-kept"],
    queryFn: () => keptRows().catch(() => new Map<string, never>()),
  });
  const known = useMemo(() => {
    const rows = new Map<string, WorkedOut>();
    for (const job of kept ? jobs : []) {
      const row = kept!.get(job.id)?.(rowKey(job, MODEL, tag));
      if (row) rows.set(job.id, { row, failed: null });
    }
    return rows;
  }, [jobs, kept, tag]);
  const missing = useMemo(() => (kept ? jobs.filter(({ id }) => !known.has(id)) : []), [jobs, kept, known]);
  const worked = useBoardRows(missing);
  return useMemo(() => new Map([...known, ...worked]), [known, worked]);
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
