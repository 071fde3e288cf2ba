import { jobCheckpointSchema, type JobCheckpoint } from "../core/replay/checkpoint";
import { shelf } from "./shelf";
import { workedOutShelves } from "./worked-out";

const checkpoints = shelf(workedOutShelves.checkpoints);
const times = shelf(workedOutShelves.checkpointTimes);

/** So many jobs have their line-ups kept, those worked on last: some megabytes each. */
const KEPT = 40;

/** A job's line-up as it was kept; null where there is none, or one of another shape. */
export async function keptCheckpoint(jobId: string): Promise<JobCheckpoint | null> {
  const parsed = jobCheckpointSchema.safeParse(await checkpoints.getItem<unknown>(jobId));
  return parsed.success ? parsed.data : null;
}

/** Keeps a job's line-up in place of the one before, and lets go of those not worked on for longest. */
export async function keepCheckpoint(jobId: string, checkpoint: JobCheckpoint, now: Date): Promise<void> {
  await checkpoints.setItem(jobId, checkpoint);
  await times.setItem(jobId, now.toISOString());
  const ages: [at: string, id: string][] = [];
  await times.iterate((at: string, id) => void ages.push([at, id]));
  for (const [, id] of ages.sort().slice(0, Math.max(0, ages.length - KEPT))) {
    await checkpoints.removeItem(id);
    await times.removeItem(id);
  }
}
