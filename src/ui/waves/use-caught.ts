"use client";
import { useEffect, useRef, useState } from "react";
import { captureToCsv } from "@/core/capture/csv";
import type { Capture } from "@/core/capture/capture";
import { LAST_MINUTE, type Caught } from "@/core/capture/watch";
import { t } from "@/core/words/words";
import { dropCapture, saveCapture } from "@/store/captures";
import { caughtMoments, keepCaughtMoments, type CaughtMoment } from "@/store/caught-moments";
import { download } from "../jobs/download";
import { errorWords } from "@/core/words/error-words";
import { takeUpLastMinute } from "@/store/last-minute";
import { stamp } from "../jobs/entries";
import { toast } from "../keys/toast";

/**
 * What a watch has caught on a job, newest first. Where the browser has no room for a recording it is held while the
 * page is open, to be opened or saved as a file.
 */
export function useCaught(jobId: string) {
  const [moments, setMoments] = useState(() => caughtMoments(jobId));
  const [held, setHeld] = useState<ReadonlyMap<string, Capture>>(new Map());
  const change = (next: (now: CaughtMoment[]) => CaughtMoment[]) => {
    keepCaughtMoments(jobId, next(caughtMoments(jobId)));
    setMoments(next);
  };
  const taken = useRef(false);
  useEffect(() => {
    if (taken.current) return;
    taken.current = true;
    const keep = async (capture: Capture) => {
      const { id, at } = stamp();
      await saveCapture(id, { ...capture, name: t`the last minute of the watch` });
      const next = [{ captureId: id, at, code: LAST_MINUTE, mark: "" }, ...caughtMoments(jobId)];
      keepCaughtMoments(jobId, next);
      setMoments(next);
    };
    takeUpLastMinute(jobId, keep).catch((error: unknown) =>
      toast.error(t`The last minute of the watch before could not be read: ${errorWords(error)}`),
    );
  }, [jobId]);
  return {
    moments,
    isHeld: (id: string) => held.has(id),
    heldCapture: (id: string) => held.get(id) ?? null,
    async take(capture: Capture, { code }: Caught, mark: string): Promise<void> {
      const { id, at } = stamp();
      const named = { ...capture, name: t`caught ${at.slice(11, 19)}` };
      const moment = { captureId: id, at, code, mark };
      try {
        await saveCapture(id, named);
      } catch {
        // No room: it outlives the page as a file only.
        setHeld((now) => new Map([...now, [id, named]]));
        return setMoments((now) => [moment, ...now]);
      }
      change((now) => [moment, ...now]);
    },
    drop({ captureId }: CaughtMoment): void {
      change((now) => now.filter((one) => one.captureId !== captureId));
      void dropCapture(captureId);
    },
    /** It is in the log now: the recording stays, the moment goes. */
    used(id: string): void {
      change((now) => now.filter(({ captureId }) => captureId !== id));
    },
    saveFile({ captureId, at }: CaughtMoment): void {
      const capture = held.get(captureId);
      if (capture) download(`${at.slice(0, 19).replaceAll(":", "-")}.csv`, captureToCsv(capture), "text/csv");
    },
  };
}
