import { t } from "../words/words";
import type { z } from "zod";
import { UnusableInput } from "../capture/capture";
import { upToDate } from "./earlier-jobs";
import { JOB_VERSION, jobSchema, type Job } from "./schema";

/** A job as one JSON document, schema version inside. */
export function exportJob(job: Job): string {
  return JSON.stringify(job, null, 2);
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

/** Refuses a document of another kind or version by name. @throws UnusableInput saying which it is and which is read */
export function checkVersion(parsed: unknown, wanted: string, name: string, what: string): void {
  const version =
    typeof parsed === "object" && parsed !== null && "tastatura" in parsed ? String(parsed.tastatura) : null;
  if (version === null)
    throw new UnusableInput(
      t`${name} is JSON, but no ${what}: it has no “tastatura” field. Choose a file exported from here.`,
    );
  if (version !== wanted)
    throw new UnusableInput(
      t`${name} is of version “${version.slice(0, 30)}”; this program reads “${wanted}”. Update the program, or export again from the older one.`,
    );
}

/** Parses JSON with a sentence instead of a parser's message. @throws UnusableInput */
export function parseJson(text: string, name: string): unknown {
  if (text.trim() === "") throw new UnusableInput(t`${name} is empty. Export it again.`);
  try {
    return JSON.parse(text);
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    const cut = /[{[]/.test(text.trim()[0] ?? "") && !/[}\]]\s*$/.test(text);
    throw new UnusableInput(
      cut
        ? t`${name} is cut short: it ends in the middle. Copy or export the whole file again.`
        : t`${name} is not JSON text. Choose a file exported from here.`,
      { cause: error },
    );
  }
}

/** The first thing wrong, with its place in the file. */
export function firstIssue(error: z.core.$ZodError): string {
  const issue = error.issues[0]!;
  const where = issue.path.map(String).join(".");
  return `${where || t`the file`}: ${issue.message}`;
}
