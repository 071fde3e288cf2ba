import * as z from "zod/mini";
import type { Belief } from "../belief/belief";
import { checkpointSchema, type Resume } from "../belief/checkpoint";
import type { Observation } from "../observation/observation";
import { soundHere } from "./beside";
import type { CornerJob } from "../job/corner-in-work";
import { setupOf } from "./known-beside";

/**
 * A job's line-up as it was after so many readings, kept beside the job so that a long log need not be weighed anew each
 * time it is opened. It is used only where model, set-up and those first readings are the very same.
 */
export const jobCheckpointSchema = z.object({
  model: z.string(),
  /** Of all that the line-up is drawn from. */
  drawnFrom: z.string(),
  /** Of each reading weighed, in order. */
  readings: z.array(z.string()),
  state: checkpointSchema,
});

export type JobCheckpoint = z.infer<typeof jobCheckpointSchema>;

/** @param model names the code that weighs: another model, another line-up @param read what the belief has weighed */
export function checkpointOf(
  job: CornerJob,
  model: string,
  belief: Belief,
  read: readonly Observation[],
): JobCheckpoint {
  return { model, drawnFrom: drawnFrom(job), readings: read.map(nameOf), state: belief.checkpoint() };
}

/** Where a job's replay may go on from; null where the checkpoint is of another model, set-up or log. */
export function resumeFrom(
  checkpoint: JobCheckpoint,
  job: CornerJob,
  model: string,
  read: readonly Observation[],
): Resume | null {
  if (checkpoint.model !== model || checkpoint.drawnFrom !== drawnFrom(job)) return null;
  const { readings } = checkpoint;
  if (readings.length > read.length || readings.some((name, i) => name !== nameOf(read[i]!))) return null;
  return { checkpoint: checkpoint.state, log: read.slice(0, readings.length) };
}

/** All that a job's line-up is drawn from, its readings and what the other corners say apart. */
export function drawnFrom(job: CornerJob): string {
  return JSON.stringify([job.id, setupOf(job), job.complaint, job.priors, job.ratios, soundHere(job)]);
}

function nameOf({ entryId, hookup, value }: Observation): string {
  return JSON.stringify([entryId, hookup, value]);
}
