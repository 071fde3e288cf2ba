"use client";
import { wrap, type Remote } from "comlink";
import { nanoid } from "nanoid";
import { useEffect, useState } from "react";
import type { Capture } from "@/core/capture/capture";
import type { Job } from "@/core/job/schema";
import { loadCapture, saveCapture } from "@/store/jobs";
import type { CaptureWorker, ReadCapture } from "@/workers/capture.worker";
import { toast } from "../keys/toast";

let remote: Remote<CaptureWorker> | null = null;

/** The one capture worker of this page. */
export function captureWorker(): Remote<CaptureWorker> {
  remote ??= wrap<CaptureWorker>(
    new Worker(new URL("../../workers/capture.worker.ts", import.meta.url), { type: "module" }),
  );
  return remote;
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
  const [busy, setBusy] = useState(false);
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
    show().catch((error: unknown) => toast.error(`The kept capture could not be shown: ${String(error)}`));
    return () => {
      live = false;
    };
  }, [wanted, pulses, tyre, family]);
  const take = async (file: File) => {
    setBusy(true);
    const result = await captureWorker()
      .read(file, options)
      .finally(() => setBusy(false));
    const id = nanoid(10);
    setOpen({ id, result, logged: false });
    if (result.ok)
      await saveCapture(id, result.capture).catch((error: unknown) =>
        toast.error(`The capture could not be kept: ${String(error)}. Keep the file.`),
      );
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
    busy,
    take,
    choose: setChosen,
    markLogged: () => setOpen((now) => now && { ...now, logged: true }),
  };
}
