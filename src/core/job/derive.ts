import type { Entry, Job } from "./schema";
import type { Reading } from "../observation/reading";

export type ReadingEntry = Extract<Entry, { reading: Reading }>;

export type RepairEntry = Extract<Entry, { kind: "repair" }>;

/** Ids of entries taken back. */
export function retractedIds({ entries }: Pick<Job, "entries">): Set<string> {
  return new Set(entries.flatMap((entry) => (entry.kind === "retract" ? [entry.entry] : [])));
}

/** The repair that stands, the first if several were made; null while the car is as it came. */
export function standingRepair(job: Pick<Job, "entries">): RepairEntry | null {
  const retracted = retractedIds(job);
  return job.entries.find((entry): entry is RepairEntry => entry.kind === "repair" && !retracted.has(entry.id)) ?? null;
}

/** Every repair that stands, in order. */
export function standingRepairs(job: Pick<Job, "entries">): RepairEntry[] {
  const retracted = retractedIds(job);
  return job.entries.filter((entry): entry is RepairEntry => entry.kind === "repair" && !retracted.has(entry.id));
}

/** A practice car whose suspects are not shown: until it is named, or where more may be wrong, at all. */
export function isPractisedAlone(job: Pick<Job, "entries" | "simulated">): boolean {
  const practice = job.simulated?.practice;
  return practice?.alone === true && (practice.two || !standingRepair(job));
}

/** The readings taken on one car after another: as it came, after the first repair, after the second … */
export function readingsByStage(job: Pick<Job, "entries">): ReadingEntry[][] {
  const retracted = retractedIds(job);
  const stages: ReadingEntry[][] = [[]];
  for (const entry of job.entries) {
    if (retracted.has(entry.id)) continue;
    if (entry.kind === "repair") stages.push([]);
    else if ("reading" in entry) stages.at(-1)!.push(entry);
  }
  return stages;
}

/** The readings that judge the car as it came: not retracted, and taken before any repair. */
export function standingReadings(job: Pick<Job, "entries">): ReadingEntry[] {
  return readingsWhere(job, true);
}

/** The readings taken since the repair, not retracted. */
export function readingsAfterRepair(job: Pick<Job, "entries">): ReadingEntry[] {
  return standingRepair(job) ? readingsWhere(job, false) : [];
}

function readingsWhere(job: Pick<Job, "entries">, beforeRepair: boolean): ReadingEntry[] {
  const retracted = retractedIds(job);
  const repair = standingRepair(job);
  const cut = repair ? job.entries.indexOf(repair) : job.entries.length;
  return job.entries.filter(
    (entry, i): entry is ReadingEntry => "reading" in entry && !retracted.has(entry.id) && i < cut === beforeRepair,
  );
}

/** The entry that `U` takes back: the newest reading or skip still standing. */
export function lastUndoable({ entries }: Pick<Job, "entries">): Entry | null {
  const retracted = retractedIds({ entries });
  return entries.findLast((entry) => entry.kind !== "retract" && !retracted.has(entry.id)) ?? null;
}

/** What was written beside an item when it was last ticked off, and not taken back; null where nothing was. */
export function tickText(job: Job, item: string): string | null {
  const retracted = retractedIds(job);
  const last = job.entries.findLast(
    (entry) => entry.kind === "tick" && entry.item === item && entry.text !== undefined && !retracted.has(entry.id),
  );
  return last?.kind === "tick" ? (last.text ?? null) : null;
}

/** What is ticked off and not taken back. */
export function standingTicks(job: Job): ReadonlySet<string> {
  const retracted = retractedIds(job);
  return new Set(
    job.entries.flatMap((entry) => (entry.kind === "tick" && !retracted.has(entry.id) ? [entry.item] : [])),
  );
}
