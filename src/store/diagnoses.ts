import * as z from "zod/mini";
import type { Diagnosis } from "../core/bench/diagnosis";
import { diagnosisKey, type DiagnosedCar } from "../core/board/diagnosis-key";
import type { CornerJob } from "../core/job/corner-in-work";
import { languageTag } from "../core/words/words";
import { Patience } from "./patience";
import { shelf } from "./shelf";
import { MODEL, workedOutShelves } from "./worked-out";

const diagnoses = shelf(workedOutShelves.diagnoses);

/** The key names the code that made it: what carries it has that code's shape. */
const keptSchema = z.object({ key: z.string(), diagnosis: z.custom<Diagnosis>((value) => typeof value === "object") });

/** Working it out takes no longer than a few of these. */
const LONGEST_MS = 1000;

/** What was said of a job last; null where nothing was, or something of it has changed since, or the store does not answer. */
export async function keptDiagnosis(job: CornerJob, car: DiagnosedCar): Promise<Diagnosis | null> {
  // A patience of its own: that it is not waited for does not make the store a silent one.
  const read = new Patience().answered(() => diagnoses.getItem<unknown>(job.id), LONGEST_MS);
  const stored = await read.catch(() => null);
  const parsed = keptSchema.safeParse(stored);
  return parsed.success && parsed.data.key === keyOf(job, car) ? parsed.data.diagnosis : null;
}

/** Keeps what is said of a job, in place of what was. A store that takes nothing costs the time to work it out again. */
export async function keepDiagnosis(job: CornerJob, car: DiagnosedCar, diagnosis: Diagnosis): Promise<void> {
  await diagnoses.setItem(job.id, { key: keyOf(job, car), diagnosis }).catch(() => undefined);
}

function keyOf(job: CornerJob, car: DiagnosedCar): string {
  return diagnosisKey(job, car, MODEL, languageTag());
}
