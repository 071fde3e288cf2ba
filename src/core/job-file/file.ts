import { t } from "../words/words";
import { UnusableInput } from "../capture/capture";
import { checkVersion, firstIssue, parseJson } from "./version";
import { upToDate } from "./earlier-jobs";
import { JOB_VERSION, jobSchema, type Job } from "../job/schema";

/** A job as one JSON document, schema version inside. */
export function exportJob(job: Job): string {
  return JSON.stringify(job, null, 2);
}

/** Several jobs as one file, as `importJobs` reads it. */
export function exportJobs(jobs: readonly Job[]): string {
  return `[${jobs.map(exportJob).join(",\n")}]`;
}

/**
 * Reads an exported job.
 * @throws UnusableInput when it is cut short, of a newer version, or not a job, saying where and how to mend it
 */
export function importJob(text: string, name: string): Job {
  const parsed = upToDate(parseJson(text, name));
  checkVersion(parsed, JOB_VERSION, name, t`Tastatura job`);
  const job = jobSchema.safeParse(parsed);
  if (!job.success)
    throw new UnusableInput(t`${name} does not fit a job: ${firstIssue(job.error)}. Nothing was changed.`);
  return job.data;
}

/**
 * Reads one exported job, or a file of all of them. Jobs that do not fit are named, and the others are taken.
 * @throws UnusableInput as `importJob`, for a file of one
 */
export function importJobs(text: string, name: string): { jobs: Job[]; refused: string[] } {
  const parsed = parseJson(text, name);
  if (!Array.isArray(parsed)) return { jobs: [importJob(text, name)], refused: [] };
  const refused: string[] = [];
  const jobs = parsed.flatMap((one: unknown, at): Job[] => {
    const job = jobSchema.safeParse(upToDate(one));
    if (job.success) return [job.data];
    refused.push(t`job ${at + 1} of ${name}: ${firstIssue(job.error)}`);
    return [];
  });
  if (jobs.length === 0) throw new UnusableInput(t`${name} holds no job that can be read. ${refused[0] ?? ""}`);
  return { jobs, refused };
}
