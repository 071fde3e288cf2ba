"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import { proxy } from "comlink";
import { nanoid } from "nanoid";
import { useEffect, useRef, useState } from "react";
import type { Capture } from "@/core/capture/capture";
import type { Job } from "@/core/job/schema";
import { loadCapture, saveCapture } from "@/store/captures";
import type { ReadCapture } from "@/workers/capture.worker";
import { toast } from "../keys/toast";
import { captureWorker } from "../query/workers";

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
      const result = await captureWorker.ask((remote) => remote.analyse(capture, { pulses, tyre, family }));
      if (live)
        setOpen((now) => (now && now.id === wanted && !now.logged ? now : { id: wanted, result, logged: true }));
    };
    show().catch((error: unknown) => toast.error(t`The kept capture could not be shown: ${errorWords(error)}`));
    return () => {
      live = false;
    };
  }, [wanted, pulses, tyre, family]);
  const take = async (file: File) => {
    const own = ++reading.current;
    setShare(0);
    const told = proxy((read: number) => reading.current === own && setShare(read));
    const result = await captureWorker
      .ask((remote) => remote.read(file, options, told))
      .finally(() => reading.current === own && setShare(null));
    if (reading.current !== own) return;
    const id = nanoid(10);
    setOpen({ id, result, logged: false });
    if (result.ok)
      await saveCapture(id, result.capture).catch((error: unknown) =>
        toast.error(t`The capture could not be kept: ${errorWords(error)}. Keep the file.`),
      );
  };
  /** Gives the file up; what was open before is asked for anew, since the worker forgot it. */
  const stop = async () => {
    reading.current++;
    setShare(null);
    captureWorker.stop();
    const kept = open?.result.ok ? open.result.capture : null;
    if (open && kept) setOpen({ ...open, result: await captureWorker.ask((remote) => remote.analyse(kept, options)) });
  };
  const takeCapture = async (capture: Capture) => {
    const id = nanoid(10);
    setOpen({ id, result: await captureWorker.ask((remote) => remote.analyse(capture, options)), logged: false });
    await saveCapture(id, capture);
  };
  /** Opens a recording that is kept already and was not used yet. */
  const openKept = async (id: string) => {
    const capture = await loadCapture(id);
    if (!capture) throw new Error(t`This recording is no longer kept.`);
    setOpen({ id, result: await captureWorker.ask((remote) => remote.analyse(capture, options)), logged: false });
  };
  return {
    takeCapture,
    openKept,
    own,
    open,
    share,
    take,
    stop,
    choose: setChosen,
    markLogged: () => setOpen((now) => now && { ...now, logged: true }),
  };
}
