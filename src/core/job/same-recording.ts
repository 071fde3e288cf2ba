import { isWaiting, waitsAlike } from "../checks/beside";
import { hookupKey, type Hookup } from "../checks/hookup";
import { hookupOf } from "../observation/read-observation";
import { readingsByStage, type ReadingEntry } from "./derive";
import type { Job } from "./schema";

/** A reading as the log counts it. */
export interface Numbered {
  number: number;
  entry: ReadingEntry;
}

/** The first reading of the same recording, where an entry is of a later channel of it; null where it is not. */
export function sameRecordingAs(job: Pick<Job, "entries">, { id, reading }: ReadingEntry): Numbered | null {
  const { recording } = reading.state;
  if (recording === undefined) return null;
  const all = readingsByStage(job).flat();
  const first = all.findIndex((one) => one.reading.state.recording === recording);
  return first >= 0 && all[first]!.id !== id ? { number: first + 1, entry: all[first]! } : null;
}

/** The last reading that a hook-up could have been a second channel of; null where it waits otherwise, or was read there itself. */
export function couldBeBeside(job: Pick<Job, "entries" | "setup">, hookup: Hookup): Numbered | null {
  if (!isWaiting(hookup)) return null;
  const stages = readingsByStage(job);
  const entry = stages.at(-1)!.at(-1);
  const read = entry?.reading.state.recording === undefined ? null : hookupOf(entry.reading, job.setup);
  if (!entry || !read?.ok) return null;
  const alike = waitsAlike(hookup) !== null && waitsAlike(hookup) === waitsAlike(read.value);
  return alike && hookupKey(hookup) !== hookupKey(read.value) ? { number: stages.flat().length, entry } : null;
}
