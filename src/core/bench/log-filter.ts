import { t } from "../words/words";
import { hookupLabel } from "../checks/words";
import { hookupOf } from "../observation/read-observation";
import { skipWords } from "../job/skip-reasons";
import type { Entry, Job } from "../job/schema";

export const logKinds = ["all", "measured", "looked", "notes"] as const;
export type LogKind = (typeof logKinds)[number];
export const logKindWords: Record<LogKind, string> = {
  get all() {
    return t`all`;
  },
  get measured() {
    return t`measured`;
  },
  get looked() {
    return t`looked`;
  },
  get notes() {
    return t`notes`;
  },
};

/** Entries of one kind whose text holds what was typed, newest first; retractions only strike others through. */
export function filterLog(job: Job, kind: LogKind, text: string): Entry[] {
  const wanted = text.trim().toLowerCase();
  return job.entries
    .filter((entry) => entry.kind !== "retract" && (kind === "all" || kindOf(entry) === kind))
    .filter((entry) => wanted === "" || textOf(entry, job).toLowerCase().includes(wanted))
    .toReversed();
}

function kindOf(entry: Entry): LogKind {
  if (!("reading" in entry)) return entry.kind === "photo" ? "looked" : "notes";
  return entry.reading.look ? "looked" : "measured";
}

function textOf(entry: Entry, job: Job): string {
  if ("reading" in entry) {
    const hookup = hookupOf(entry.reading, job.setup);
    const label = hookup.ok ? hookupLabel(hookup.value) : "";
    return `${entry.reading.finding ?? entry.reading.value ?? ""} ${label} ${entry.reading.red ?? ""}`;
  }
  if (entry.kind === "note") return entry.text;
  if (entry.kind === "skip") return `${skipWords[entry.reason]} ${entry.label}`;
  if (entry.kind === "repair") return entry.words;
  if (entry.kind === "photo") return entry.name;
  return entry.kind === "tick" ? `${entry.item} ${entry.text ?? ""}` : "";
}
