import * as z from "zod/mini";
import type { Diagnosis } from "../bench/diagnosis";
import { logText } from "../bench/log-text";
import { dangerWords } from "../checks/interlocks";
import { stateWords } from "../checks/words";
import { decodeCode, sayCode } from "../codes/code";
import { partLabel } from "../faults/parts/parts";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";
import { cornerWords } from "../units/corner";
import { formatShare } from "../units/format";
import { provenWords } from "../verdict/proven-words";
import { partsToShow, provenSuspect } from "../verdict/suspects";
import { t } from "../words/words";

const line = z.string().check(z.maxLength(4200));

/** One page of plain words under heads: what whoever goes on with a car has to know. */
export const sheetSchema = z.object({
  kind: z.literal("sheet"),
  title: line,
  car: line,
  plate: line,
  /** Told before all else; empty where nothing is. */
  warning: line,
  parts: z.array(z.object({ head: line, lines: z.array(line).check(z.maxLength(80)) })).check(z.maxLength(12)),
});
export type Sheet = z.infer<typeof sheetSchema>;

/** Next steps told. */
const STEPS = 3;
const MOST_LINES = 60;

/** A job for the next shift: what is known, what was done, how the car stands, and what to do next. @param now the moment it is printed */
export function handOverOf(job: Job, diagnosis: Diagnosis, now: Date): Sheet {
  const proven = provenSuspect(diagnosis.suspects);
  const date = now.toISOString().slice(0, 10);
  const lines = logText(job).split("\n").filter(Boolean);
  return {
    kind: "sheet",
    title: t`Hand-over, ${cornerWords[job.setup.corner]}, ${date}`,
    car: job.car.name || t`car without a name`,
    plate: [job.car.plate, job.car.order].filter(Boolean).join(" · "),
    warning: diagnosis.danger ? dangerWords(diagnosis.danger) : "",
    parts: [
      { head: t`Why the car came`, lines: cameLines(job) },
      {
        head: t`What is known`,
        lines: [
          ...(proven ? [t`Proven: ${provenWords(proven, diagnosis.parts).withShare}.`] : [t`Nothing is proven yet.`]),
          ...partsToShow(diagnosis.parts).map(({ part, share, verdict }) =>
            verdict === "cleared" ? t`${partLabel(part)}: cleared` : `${partLabel(part)}: ${formatShare(share)}`,
          ),
        ],
      },
      { head: t`How the car stands`, lines: [standsLine(job)] },
      { head: t`What to do next`, lines: nextLines(diagnosis, proven !== null) },
      { head: t`What was done`, lines: lines.slice(-MOST_LINES) },
    ],
  };
}

function cameLines({ complaint }: Job): string[] {
  return [
    ...complaint.codes.map((text) => (decodeCode(text) ? `${text}: ${sayCode(text)}` : text)),
    complaint.presence === "hard" ? t`The fault was there when the car came in.` : t`The fault comes and goes.`,
    ...(complaint.note ? [complaint.note] : []),
  ];
}

/** Plugs off, battery off: as the last reading was taken, since nobody logs what is put together again. */
function standsLine(job: Job): string {
  const last = job.entries.findLast((entry) => "reading" in entry);
  if (!last || !("reading" in last)) return t`Nothing was taken apart.`;
  const hookup = hookupOf(last.reading, job.setup);
  const { unplugged, batteryOff } = last.reading.state;
  if (unplugged.length === 0 && !batteryOff) return t`Together, as of the last reading.`;
  return t`As of the last reading: ${hookup.ok ? stateWords(hookup.value.state) : unplugged.join(", ")}. Check what was put together since.`;
}

function nextLines({ next, acts, suspects }: Diagnosis, isProven: boolean): string[] {
  if (isProven) return [t`Repair it: Close-out has the steps. Then repeat the checks that proved it.`];
  const act = acts.find(({ now }) => now);
  return [
    ...(act ? [t`First: ${act.words}, cheaper than measuring on (${act.chancePct} in 100).`] : []),
    ...next.slice(0, STEPS).map(({ check, minutes, todo }) => {
      const about = Math.max(1, Math.round(minutes));
      return todo.length > 0
        ? t`${check} (about ${about} min; before: ${todo.join(", ")})`
        : t`${check} (about ${about} min)`;
    }),
    ...(next.length === 0 && !act ? [t`Nothing left to measure; most likely ${suspects[0]!.words}.`] : []),
  ];
}
