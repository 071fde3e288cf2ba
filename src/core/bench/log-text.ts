import { tickWords } from "../repair/road-test";
import { t } from "../words/words";
import { hookupLabel, stateWords } from "../checks/words";
import { retractedIds, type ReadingEntry } from "../job/derive";
import { sameRecordingAs } from "../job/same-recording";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";
import { skipWords } from "../job/skip-reasons";

/** The log as plain text, one line an entry; retracted ones are left out. */
export function logText(job: Job): string {
  const retracted = retractedIds(job);
  return job.entries
    .flatMap((entry) => {
      if (entry.kind === "retract" || retracted.has(entry.id)) return [];
      const at = entry.at.slice(0, 16).replace("T", " ");
      if (entry.kind === "note") return [`${at}  ${entry.text}`];
      if (entry.kind === "skip") return [t`${at}  skipped: ${skipWords[entry.reason]}, ${entry.label}`];
      if (entry.kind === "repair") return [t`${at}  repaired: ${entry.words}`];
      if (entry.kind === "tick") return [t`${at}  done: ${tickWords(entry.item)}${entry.text ? ` ${entry.text}` : ""}`];
      if (entry.kind === "photo") return [t`${at}  photo: ${entry.name}`];
      const hookup = hookupOf(entry.reading, job.setup);
      const shown = entry.reading.finding ?? entry.reading.value ?? "";
      return [
        `${at}  ${shown}  ${hookup.ok ? `${hookupLabel(hookup.value)} (${readStateWords(job, entry)})` : hookup.say}`,
      ];
    })
    .join("\n");
}

/** How the car stood as an entry was read, and which reading was taken at the same time. */
export function readStateWords(job: Pick<Job, "entries">, entry: ReadingEntry): string {
  const state = stateWords(entry.reading.state);
  const first = sameRecordingAs(job, entry);
  return first === null ? state : t`${state}, at the same time as reading ${first.number}`;
}
