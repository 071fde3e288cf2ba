import { issueWords } from "../units/issue-words";
import { t } from "../words/words";
import * as z from "zod/mini";
import { complaintSchema } from "../complaint/complaint";
import { policySchema } from "../complaint/policy";
import { cornerSetupSchema } from "../circuit/setup";
import { corners } from "../units/corner";
import { upToDate } from "./earlier-jobs";
import { cornerInWorkSchema, entrySchema, JOB_VERSION, jobSchema, type Entry, type Job } from "../job/schema";

/** What could be saved of a record that does not read, and what had to be left out. */
export interface Mended {
  job: Job;
  /** A line each. */
  dropped: string[];
}

const recordSchema = z.looseObject({ entries: z._default(z.array(z.unknown()), []) });
const carSchema = z.record(z.string(), z.unknown());

/**
 * A stored or imported record that does not read as a whole, mended as far as it goes: what reads is kept, texts that are
 * too long are cut, entries that do not read are left out and listed. Null where there is not even a corner in it.
 * @param now stands in for a date that is none
 */
export function mendJob(document: unknown, now: Date): Mended | null {
  const record = recordSchema.safeParse(upToDate(document));
  if (!record.success) return null;
  const raw = record.data;
  const setup = cornerSetupSchema.safeParse(raw.setup);
  if (!setup.success) return null;
  const dropped: string[] = [];
  const entries = raw.entries.flatMap((one, at): Entry[] => {
    const entry = entrySchema.safeParse(clipped(one));
    if (entry.success) return [entry.data];
    dropped.push(t`entry ${at + 1} of the log: ${issueWords(entry.error.issues[0]!)}`);
    return [];
  });
  const part = <T>(name: string, schema: z.ZodMiniType<T>, value: unknown, otherwise: T): T => {
    if (value === undefined) return otherwise;
    const read = schema.safeParse(clipped(value));
    if (read.success) return read.data;
    dropped.push(t`${name}: ${issueWords(read.error.issues[0]!)}`);
    return otherwise;
  };
  const others = Object.entries(carSchema.safeParse(raw.others).data ?? {}).flatMap(([corner, value]) => {
    const read = cornerInWorkSchema.safeParse(value);
    const known = corners.find((one) => one === corner);
    if (known && read.success) return [[known, read.data] as const];
    const why = read.success ? t`no corner of a car` : issueWords(read.error.issues[0]!);
    dropped.push(t`corner ${corner.slice(0, 10)}: ${why}`);
    return [];
  });
  const car = carSchema.safeParse(raw.car);
  const job = jobSchema.safeParse({
    tastatura: JOB_VERSION,
    id: typeof raw.id === "string" && raw.id !== "" ? raw.id.slice(0, 60) : `mended-${now.getTime()}`,
    createdAt: isDate(raw.createdAt) ? raw.createdAt : now.toISOString(),
    car: {
      name: textOf(car.data?.name, 120),
      plate: textOf(car.data?.plate, 40),
      vin: textOf(car.data?.vin, 40) || undefined,
      order: textOf(car.data?.order, 40) || undefined,
      customer: textOf(car.data?.customer, 80) || undefined,
      waitingFor: textOf(car.data?.waitingFor, 80) || undefined,
      kilometres: typeof car.data?.kilometres === "number" ? car.data.kilometres : undefined,
    },
    setup: setup.data,
    ...(others.length > 0 ? { others: Object.fromEntries(others) } : {}),
    complaint: part(t`complaint`, complaintSchema, raw.complaint, complaintSchema.parse({})),
    policy: part(t`way of going about it`, policySchema, raw.policy, policySchema.parse({})),
    entries: entries.slice(-MOST_ENTRIES),
  });
  if (!job.success) return null;
  if (entries.length > MOST_ENTRIES) dropped.push(t`the first ${entries.length - MOST_ENTRIES} entries of the log`);
  return { job: job.data, dropped };
}

const MOST_ENTRIES = 10_000;

/** Every text cut to what the smallest field it may stand in holds; nothing else touched. */
function clipped(value: unknown): unknown {
  if (typeof value === "string") return value.length > LONGEST ? value.slice(0, LONGEST) : value;
  if (Array.isArray(value)) return value.map(clipped);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => {
      const longest = Object.hasOwn(LONGEST_OF, key) ? LONGEST_OF[key] : undefined;
      return [
        key,
        longest && typeof one === "string" ? one.slice(0, longest) : key === "codes" ? codesOf(one) : clipped(one),
      ];
    }),
  );
}

const LONGEST = 4000;
const LONGEST_OF: Record<string, number> = { value: 200, name: 200, item: 200, words: 200, label: 300 };

function codesOf(value: unknown): unknown {
  return Array.isArray(value)
    ? value.slice(0, 40).map((one: unknown) => (typeof one === "string" ? one.slice(0, 40) : one))
    : value;
}

function textOf(value: unknown, longest: number): string {
  return typeof value === "string" ? value.slice(0, longest) : "";
}

function isDate(value: unknown): value is string {
  return typeof value === "string" && value.length <= 40 && !Number.isNaN(Date.parse(value));
}
