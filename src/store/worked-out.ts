import { cornerAddress } from "../core/job/corner-address";
import { corners } from "../core/units/corner";
import { shelf } from "./shelf";

/** Names the code that weighs, set when the app is built: what other code worked out is not taken up. */
export const MODEL = process.env.MODEL ?? "";

/** Where what was worked out of jobs is kept, to be had again without working it out: by the job's id. */
export const workedOutShelves = {
  checkpoints: "checkpoints",
  checkpointTimes: "checkpoint-times",
  rows: "board-rows",
  diagnoses: "diagnoses",
} as const;

/** Lets go of all that was worked out of a job, each corner's included. */
export async function dropWorkedOut(jobId: string): Promise<void> {
  const addresses = [jobId, ...corners.map((corner) => cornerAddress(jobId, corner))];
  await Promise.all(
    Object.values(workedOutShelves).flatMap((name) => addresses.map((address) => shelf(name).removeItem(address))),
  );
}
