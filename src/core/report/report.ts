import { t } from "../words/words";
import * as z from "zod/mini";
import { answersFor } from "../checks/answers";
import { hookupLabel, stateWords } from "../checks/words";
import { familyWords } from "../circuit/setup";
import { decodeCode, sayCode } from "../codes/code";
import { partLabel } from "../faults/parts/parts";
import { readingsAfterRepair, standingReadings, standingRepair, type ReadingEntry } from "../job/derive";
import { sameRecordingAs } from "../job/same-recording";
import type { Diagnosis } from "../bench/diagnosis";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";
import type { Verification } from "../bench/verify";
import { cornerWords } from "../units/corner";
import { dangerWords } from "../checks/interlocks";
import { tickWords } from "../repair/road-test";
import { provenWords } from "../verdict/proven-words";
import { provenSuspect } from "../verdict/suspects";
import { capital, formatShare } from "../units/format";

/** As long as a driver's note may be. */
const line = z.string().check(z.maxLength(4200));

/** The heads of its parts, in the tongue the report is written in: the server that sets it knows none. */
export const reportHeads = {
  get came() {
    return t`Why the car came`;
  },
  get found() {
    return t`What was found`;
  },
  get proof() {
    return t`How it was proven`;
  },
  get cleared() {
    return t`What was cleared`;
  },
  get done() {
    return t`What was done`;
  },
  get checked() {
    return t`Checked after the repair`;
  },
  get good() {
    return t`Checked after the repair: good`;
  },
  get file() {
    return t`For the file`;
  },
  get others() {
    return t`Other corners of this car`;
  },
  get readings() {
    return t`All readings`;
  },
  get after() {
    return t`after the repair`;
  },
};
const headsSchema = z.object(
  Object.fromEntries(Object.keys(reportHeads).map((key) => [key, line])) as Record<
    keyof typeof reportHeads,
    typeof line
  >,
);

/** A report as plain words and numbers, ready to be set on paper. */
export const reportSchema = z.object({
  title: line,
  heads: headsSchema,
  car: line,
  plate: line,
  date: line,
  corner: line,
  came: z.array(line).check(z.maxLength(40)),
  found: line,
  meaning: line,
  proof: z.array(line).check(z.maxLength(60)),
  cleared: z.array(line).check(z.maxLength(20)),
  done: z.array(line).check(z.maxLength(60)),
  verified: z.array(line).check(z.maxLength(60)),
  fixed: z.boolean(),
  /** What was found at the car's other corners in work, a line each. */
  others: z.optional(z.array(line).check(z.maxLength(4))),
  advice: line,
  readings: z
    .array(z.object({ at: line, what: line, state: line, value: line, phase: line }))
    .check(z.maxLength(20_000)),
  setup: z.array(line).check(z.maxLength(20)),
  trace: z.optional(
    z.object({
      name: line,
      unit: z.string().check(z.maxLength(8)),
      points: z.array(z.tuple([z.number(), z.number()])).check(z.maxLength(6000)),
    }),
  ),
});
export type Report = z.infer<typeof reportSchema>;

/** Puts a job into words for the customer and for the file. @param now the moment it is printed */
export function reportOf(
  job: Job,
  diagnosis: Diagnosis,
  verification: Verification | null,
  now: Date,
  { trace, others }: Partial<Pick<Report, "trace" | "others">> = {},
): Report {
  const lead = diagnosis.suspects[0]!;
  const repair = standingRepair(job);
  const proven = provenSuspect(diagnosis.suspects);
  const before = standingReadings(job);
  const label = (entry: ReadingEntry) => {
    const hookup = hookupOf(entry.reading, job.setup);
    if (!hookup.ok) return { what: hookup.say, state: "" };
    const what = hookupLabel(hookup.value);
    const state = stateWords(hookup.value.state);
    const first = sameRecordingAs(job, entry)?.entry.reading;
    const beside = first && hookupOf(first, job.setup);
    return { what, state: beside?.ok ? t`${state}, at the same time as “${hookupLabel(beside.value)}”` : state };
  };
  const value = (reading: (typeof before)[number]["reading"]) => {
    const word = String(reading.finding ?? reading.value ?? "");
    const hookup = hookupOf(reading, job.setup);
    return (hookup.ok ? answersFor(hookup.value)?.say[word] : undefined) ?? word;
  };
  const date = now.toISOString().slice(0, 10);
  return {
    title: t`Wheel speed diagnosis, ${cornerWords[job.setup.corner]}, ${date}`,
    heads: reportHeads,
    car: job.car.name || t`car without a name`,
    plate: job.car.plate,
    date,
    corner: cornerWords[job.setup.corner],
    came: [
      ...job.complaint.codes.map((text) => (decodeCode(text) ? `${text}: ${sayCode(text)}` : text)),
      job.complaint.presence === "hard" ? t`The fault was there when the car came in.` : t`The fault comes and goes.`,
      ...(job.complaint.note ? [job.complaint.note] : []),
    ],
    found: proven
      ? capital(provenWords(proven, diagnosis.parts).what)
      : t`Nothing is proven yet. Most likely: ${lead.words} (${formatShare(lead.share)}).`,
    meaning: diagnosis.danger && !verification?.fixed ? `${dangerWords(diagnosis.danger)} ${MEANING()}` : MEANING(),
    proof: (proven?.provenBy ?? []).flatMap((entryId) => {
      const entry = before.find(({ id }) => id === entryId);
      return entry ? [`${label(entry).what}, ${label(entry).state}: ${value(entry.reading)}`] : [];
    }),
    cleared: diagnosis.parts.filter(({ verdict }) => verdict === "cleared").map(({ part }) => partLabel(part)),
    done: repair
      ? [
          repair.guess
            ? t`Repaired on a guess (${formatShare(repair.share)} at the time): ${repair.words}`
            : t`Repaired: ${repair.words}`,
          ...job.entries.flatMap((entry) =>
            entry.kind === "tick"
              ? [entry.text ? `${tickWords(entry.item)}: ${entry.text}` : tickWords(entry.item)]
              : [],
          ),
        ]
      : [],
    verified: (repair ? (verification?.items ?? []) : []).map(
      ({ check, before: was, after, passes }) =>
        t`${check.label}: ${was} before, ${after ?? t`not measured`} after${passes === null ? "" : passes ? t`, good` : t`, still wrong`}`,
    ),
    fixed: verification?.fixed ?? false,
    ...(others && others.length > 0 ? { others } : {}),
    advice: ADVICE(),
    readings: [
      ...before.map((entry) => ({
        at: entry.at.slice(0, 16).replace("T", " "),
        ...label(entry),
        value: value(entry.reading),
        phase: "before",
      })),
      ...readingsAfterRepair(job).map((entry) => ({
        at: entry.at.slice(0, 16).replace("T", " "),
        ...label(entry),
        value: value(entry.reading),
        phase: "after",
      })),
    ],
    setup: [sensorLine(job.setup), ...(job.setup.tyre ? [t`Tyre: ${job.setup.tyre}`] : []), ...vehicleLines(job.car)],
    ...(trace ? { trace } : {}),
  };
}

function sensorLine({ family, pulsesPerRevolution: pulses }: Job["setup"]): string {
  const kind = familyWords[family];
  return pulses === undefined ? t`Sensor: ${kind}` : t`Sensor: ${kind}, ${pulses} pulses a turn`;
}

/** What the order is written with, as far as it was given. */
function vehicleLines({ order, customer, vin, kilometres }: Job["car"]): string[] {
  return [
    ...(order ? [t`Order: ${order}`] : []),
    ...(customer ? [t`Customer reference: ${customer}`] : []),
    ...(vin ? [t`VIN: ${vin}`] : []),
    ...(kilometres === undefined ? [] : [t`Mileage: ${Math.round(kilometres)} km`]),
  ];
}

const MEANING = () =>
  t`The sensor at each wheel tells the brakes how fast that wheel turns. When one is wrong, ABS, traction and stability control switch themselves off or act when they should not.`;
const ADVICE = () =>
  t`The tool that helped with this diagnosis advises; a qualified person decided. Wheel nuts are to be checked again after the first drive. Shares are estimates.`;
