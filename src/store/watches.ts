import type { KeptWatch } from "../core/capture/watch";
import { shelf } from "./shelf";

const watches = shelf("watches");
/** What is older was another day's watch. */
const LONGEST_AGO_MS = 12 * 3600 * 1000;

interface Kept {
  at: number;
  watch: KeptWatch | OldWatch;
}

/** Keeps how far the watch on a job has come. */
export async function keepWatch(jobId: string, watch: KeptWatch): Promise<void> {
  await watches.setItem<Kept>(jobId, { at: Date.now(), watch });
}

/** The watch on a job that a page before this one has left, and how many seconds ago; null for none of these hours. */
export async function keptWatch(jobId: string): Promise<{ kept: KeptWatch; gapS: number } | null> {
  const found = await watches.getItem<Kept>(jobId);
  const agoMs = found ? Date.now() - found.at : Infinity;
  return found && agoMs >= 0 && agoMs < LONGEST_AGO_MS ? { kept: current(found.watch), gapS: agoMs / 1000 } : null;
}

/** A watch that an older page kept knew one channel and no marks. */
function current(watch: KeptWatch | OldWatch): KeptWatch {
  if (Array.isArray(watch.least)) return watch as KeptWatch;
  const { least, greatest } = watch as OldWatch;
  return { ...watch, least: [least], greatest: [greatest], marks: [] };
}

type OldWatch = Omit<KeptWatch, "least" | "greatest" | "marks"> & { least: Float32Array; greatest: Float32Array };

export async function dropWatch(jobId: string): Promise<void> {
  await watches.removeItem(jobId);
}
