"use client";
import { languageTag, t } from "@/core/words/words";
import { proxy, wrap, type Remote } from "comlink";
import { nanoid } from "nanoid";
import { useEffect, useRef, useState } from "react";
import type { Capture } from "@/core/capture/capture";
import type { Job } from "@/core/job/schema";
import { loadCapture, saveCapture } from "@/store/jobs";
import type { CaptureWorker, ReadCapture } from "@/workers/capture.worker";
import { toast } from "../keys/toast";

let running: { worker: Worker; remote: Remote<CaptureWorker> } | null = null;

/** The one capture worker of this page. */
export function captureWorker(): Remote<CaptureWorker> {
  if (!running) {
    const worker = new Worker(new URL("../../workers/capture.worker.ts", import.meta.url), {
      type: "module",
      name: languageTag(),
    });
    running = { worker, remote: wrap<CaptureWorker>(worker) };
  }
  return running.remote;
}

/** Ends the worker whatever it is at; the next question starts another. */
function stopCaptureWorker(): void {
  running?.worker.terminate();
  running = null;
}

/** What a capture may be written as. */
export const CAPTURE_FILES = ".csv,.tsv,.txt,.gz,.wav";

export interface OpenCapture {
  id: string;
  result: ReadCapture;
  logged: boolean;
}

/** The captures of a job by name, newest last. */
export function capturesOf(job: Job): { id: string; name: string }[] {
  const seen = new Map<string, string>();
  for (const entry of job.entries) if (entry.kind === "capture") seen.set(entry.captureId, entry.name);
  return [...seen].map(([id, name]) => ({ id, name }));
}

/** The capture being looked at: one of the job's own, or a file just read. */
export function useCapture(job: Job) {
  const own = capturesOf(job);
  const [chosen, setChosen] = useState<string | null>(null);
  const [open, setOpen] = useState<OpenCapture | null>(null);
  /** How much of the file being read is read, 0 to 1; null when none is. */
  const [share, setShare] = useState<number | null>(null);
  const reading = useRef(0);
  const wanted = chosen ?? own.at(-1)?.id ?? null;
  const options = { pulses: job.setup.pulsesPerRevolution, tyre: job.setup.tyre, family: job.setup.family };
  const { pulses, tyre, family } = options;
  useEffect(() => {
    if (!wanted) return;
    let live = true;
    const show = async () => {
      const capture = await loadCapture(wanted);
      if (!capture || !live) return;
      const result = await captureWorker().analyse(capture, { pulses, tyre, family });
      if (live)
        setOpen((now) => (now && now.id === wanted && !now.logged ? now : { id: wanted, result, logged: true }));
    };
    show().catch((error: unknown) => toast.error(t`The kept capture could not be shown: ${String(error)}`));
    return () => {
      live = false;
    };
  }, [wanted, pulses, tyre, family]);
  const take = async (file: File) => {
    const own = ++reading.current;
    setShare(0);
    const result = await captureWorker()
      .read(
        file,
        options,
        proxy((read) => reading.current === own && setShare(read)),
      )
      .finally(() => reading.current === own && setShare(null));
    if (reading.current !== own) return;
    const id = nanoid(10);
    setOpen({ id, result, logged: false });
    if (result.ok)
      await saveCapture(id, result.capture).catch((error: unknown) =>
        toast.error(t`The capture could not be kept: ${String(error)}. Keep the file.`),
      );
  };
  /** Gives the file up; what was open before is asked for anew, since the worker forgot it. */
  const stop = async () => {
    reading.current++;
    setShare(null);
    stopCaptureWorker();
    if (open?.result.ok) setOpen({ ...open, result: await captureWorker().analyse(open.result.capture, options) });
  };
  const takeCapture = async (capture: Capture) => {
    const id = nanoid(10);
    setOpen({ id, result: await captureWorker().analyse(capture, options), logged: false });
    await saveCapture(id, capture);
  };
  return {
    takeCapture,
    own,
    open,
    share,
    take,
    stop,
    choose: setChosen,
    markLogged: () => setOpen((now) => now && { ...now, logged: true }),
  };
}
