import type { Capture } from "../core/capture/capture";
import type { Diagnosis } from "../core/bench/diagnosis";
import { boardRowSchema, rowKey, type BoardRow } from "../core/board/board";
import { cornerJobs, type CornerJob } from "../core/job/corner-in-work";
import { parseJob } from "../core/job-file/earlier-jobs";
import type { ScanLog } from "../core/scanlog/scan-log";
import { languageTag } from "../core/words/words";
import { keepRow } from "./board-rows";
import { saveCapture, saveScan } from "./captures";
import { keepDiagnosis } from "./diagnoses";
import { shelf } from "./shelf";
import { MODEL } from "./worked-out";

const jobs = shelf("jobs");
const flags = shelf("flags");

/** The demo workshop, ready for the store. */
export interface Demo {
  jobs: unknown[];
  captures: { id: string; capture: Capture }[];
  scans: { id: string; log: ScanLog }[];
  /** What is said of a corner of theirs, where it was worked out beforehand by the very code that runs. */
  worked?: (jobId: string) => DemoWorked | undefined;
}

/** What the board and the rooms say of a corner as it came. */
export interface DemoWorked {
  row: BoardRow;
  diagnosis: Diagnosis;
}

/** Puts the demo workshop into an empty store once; a store with anything in it is left alone. */
export async function seedDemo(load: () => Promise<Demo>): Promise<boolean> {
  if ((await jobs.length()) > 0 || (await flags.getItem("demo-seeded"))) return false;
  const demo = await load();
  const parsed = demo.jobs.map((value) => {
    const job = parseJob(value);
    if (!job.success) throw job.error;
    return job.data;
  });
  await Promise.all([
    ...parsed.map((job) => jobs.setItem(job.id, job)),
    ...parsed.flatMap(cornerJobs).map((corner) => seedWorked(corner, demo.worked?.(corner.id))),
    ...demo.captures.map(({ id, capture }) => saveCapture(id, capture)),
    ...demo.scans.map(({ id, log }) => saveScan(id, log)),
  ]);
  await flags.setItem("demo-seeded", true);
  return true;
}

async function seedWorked(job: CornerJob, worked: DemoWorked | undefined): Promise<void> {
  const row = boardRowSchema.safeParse(worked?.row);
  if (!worked || !row.success) return;
  await Promise.all([
    keepRow(job.id, rowKey(job, MODEL, languageTag()), row.data),
    keepDiagnosis(job, "came", worked.diagnosis),
  ]);
}
