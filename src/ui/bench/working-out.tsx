"use client";
import { useCallback, useRef, useSyncExternalStore } from "react";
import { useQuery } from "@tanstack/react-query";
import { rowKey } from "@/core/board/board";
import { standingRepair } from "@/core/job/derive";
import type { Job } from "@/core/job/schema";
import { languageTag, t } from "@/core/words/words";
import { keptRow } from "@/store/board-rows";
import { MODEL } from "@/store/worked-out";
import { LeadWords } from "../keys/lead-words";
import { PROGRESS_CHANNEL, type WeighingProgress } from "@/workers/weighing-progress";

/** What stands in place of the suspects until they are worked out: what the board knows of them, and how far a long log is weighed. */
export function WorkingOut({ job }: { job: Job }) {
  const progress = useProgress(job.id);
  const key = rowKey(job, MODEL, languageTag());
  // The board tells of the car as it came; of a repaired one it is not what stands here, nor where somebody practises alone.
  const isTold = !standingRepair(job) && !job.simulated?.practice?.alone;
  // A store that gives nothing back leaves the words below it.
  const { data: row } = useQuery({
    enabled: isTold,
    queryKey: ["board-row-kept", job.id, key],
    queryFn: () => keptRow(job.id, key).catch(() => null),
  });
  return (
    <div className="mx-auto mt-4 w-full max-w-[80rem] px-4 text-center text-muted" role="status">
      {row?.lead && (
        <div className="rounded-2xl border border-rule bg-card p-5 text-left">
          <p className="text-lg text-ink">
            <LeadWords lead={row.lead} />
          </p>
          {row.next && <p className="mt-1">{t`Next: ${row.next}`}</p>}
        </div>
      )}
      <p className={row?.lead ? "p-4" : "p-16"}>
        {progress ? t`Weighing reading ${progress.weighed} of ${progress.of}…` : t`Working out the suspects…`}
      </p>
      {progress && <progress className="w-64" max={progress.of} value={progress.weighed} aria-hidden />}
    </div>
  );
}

function useProgress(jobId: string): WeighingProgress | null {
  const last = useRef<WeighingProgress | null>(null);
  const subscribe = useCallback(
    (changed: () => void) => {
      const channel = new BroadcastChannel(PROGRESS_CHANNEL);
      channel.onmessage = ({ data }: MessageEvent<WeighingProgress>) => {
        if (data.jobId !== jobId) return;
        last.current = data;
        changed();
      };
      return () => channel.close();
    },
    [jobId],
  );
  return useSyncExternalStore(
    subscribe,
    () => last.current,
    () => null,
  );
}
