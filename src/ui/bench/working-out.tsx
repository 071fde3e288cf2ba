"use client";
import { useCallback, useRef, useSyncExternalStore } from "react";
import { t } from "@/core/words/words";
import { PROGRESS_CHANNEL, type WeighingProgress } from "@/workers/weighing-progress";

/** What stands in place of the suspects until they are worked out: how far a long log is weighed. */
export function WorkingOut({ jobId }: { jobId: string }) {
  const progress = useProgress(jobId);
  return (
    <div className="p-16 text-center text-muted" role="status">
      <p>{progress ? t`Weighing reading ${progress.weighed} of ${progress.of}…` : t`Working out the suspects…`}</p>
      {progress && <progress className="mt-3 w-64" max={progress.of} value={progress.weighed} aria-hidden />}
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
