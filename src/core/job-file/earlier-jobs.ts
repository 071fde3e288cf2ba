import { JOB_VERSION, jobSchema } from "../job/schema";
import { skipReasons } from "../job/skip-reasons";

/** A stored or imported job of this or any earlier version, in today's form. */
export function parseJob(document: unknown): ReturnType<typeof jobSchema.safeParse> {
  return jobSchema.safeParse(upToDate(document));
}

/** Brings a document of an earlier version to today's, one version at a time; anything else is left as it is. */
export function upToDate(document: unknown): unknown {
  let current = document;
  while (isDocument(current) && current.tastatura !== JOB_VERSION) {
    const step = STEPS.get(current.tastatura);
    if (!step) return current;
    current = step(current);
  }
  return current;
}

interface Document {
  tastatura: string;
  [part: string]: unknown;
}

/** From each version to the next. A new version adds a line; none is ever taken out. */
const STEPS: ReadonlyMap<string, (job: Document) => Document> = new Map([
  ["job/1", fromOne],
  ["job/2", fromTwo],
  ["job/3", fromThree],
]);

/** Version 2 keeps why a check was put off apart from what it was; before, both stood in one sentence. */
function fromOne(job: Document): Document {
  const { entries } = job;
  return {
    ...job,
    tastatura: "job/2",
    entries: Array.isArray(entries)
      ? entries.map((entry: unknown) => (isSkip(entry) ? splitReason(entry) : entry))
      : entries,
  };
}

/**
 * Version 3 lets a connector keep its name wherever it is moved to, and a shop its own ratios; the names that version 2
 * gave out along the path are names like any other.
 */
function fromTwo(job: Document): Document {
  return { ...job, tastatura: "job/3" };
}

/** Version 4 may have other corners in work beside the first: a job of one corner is the same as before. */
function fromThree(job: Document): Document {
  return { ...job, tastatura: "job/4" };
}

interface Skip {
  kind: "skip";
  reason: string;
}

function splitReason(entry: Skip): object {
  const reason = skipReasons.find((one) => entry.reason.startsWith(`${one}:`));
  return reason
    ? { ...entry, reason, label: entry.reason.slice(reason.length + 1).trim() }
    : { ...entry, reason: "would do harm", label: entry.reason };
}

function isDocument(value: unknown): value is Document {
  return isObject(value) && typeof value.tastatura === "string";
}

function isSkip(value: unknown): value is Skip {
  return isObject(value) && value.kind === "skip" && typeof value.reason === "string";
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === "object" && value !== null;
}
