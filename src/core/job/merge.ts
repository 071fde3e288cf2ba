import { cornersBeside, fieldsOf, type Field } from "./fields";
import type { Entry, Job } from "./schema";

/**
 * A time later than all that a job has seen: the clock's, or a millisecond after the latest known one where the clock
 * was set back. The order of a log is then the order of writing (L. Lamport, Communications of the ACM 21(7), 1978).
 */
export function laterThan(job: Pick<Job, "entries" | "stamps">, now: string): string {
  const latest = latestIn(job);
  return Date.parse(now) > latest ? now : new Date(latest + 1).toISOString();
}

/** The latest moment a job knows of, in milliseconds. */
function latestIn({ entries, stamps }: Pick<Job, "entries" | "stamps">): number {
  let latest = -Infinity;
  for (const { at } of entries) latest = Math.max(latest, Date.parse(at));
  for (const at of Object.values(stamps ?? {})) latest = Math.max(latest, Date.parse(at));
  return latest;
}

/**
 * The job with each part that was changed stamped, and new entries put after all there is; the very object that came in
 * where nothing is to be added to it.
 * @param by who writes, where that is said
 */
export function stamped(before: Job, after: Job, now: string, by?: string): Job {
  const at = laterThan(before, now);
  const changed = fieldsOf(after).filter((field) => !isSame(field, before, after));
  const known = new Set(before.entries.map(({ id }) => id));
  const latest = latestIn(before);
  const isEarly = (entry: Entry) => !known.has(entry.id) && !(Date.parse(entry.at) > latest);
  const isUnsigned = (entry: Entry) => by !== undefined && entry.by === undefined && !known.has(entry.id);
  const entries = after.entries.some((entry) => isEarly(entry) || isUnsigned(entry))
    ? after.entries.map((entry): Entry =>
        isEarly(entry) || isUnsigned(entry)
          ? { ...entry, ...(isEarly(entry) ? { at } : {}), ...(isUnsigned(entry) ? { by } : {}) }
          : entry,
      )
    : after.entries;
  if (changed.length === 0) return entries === after.entries ? after : { ...after, entries };
  return { ...after, entries, stamps: { ...after.stamps, ...Object.fromEntries(changed.map(({ key }) => [key, at])) } };
}

/**
 * Two copies of one job joined: every entry once in the order of writing, and of each part the copy changed last. The
 * same whichever copy comes first.
 */
export function mergeJobs(one: Job, other: Job): Job {
  const known = new Map(one.entries.map((entry) => [entry.id, entry]));
  for (const entry of other.entries) if (!known.has(entry.id)) known.set(entry.id, entry);
  const entries = [...known.values()].sort(byTime);
  const inOrder = entries.length === one.entries.length && entries.every((entry, i) => entry === one.entries[i]);
  let merged: Job = { ...one, entries: inOrder ? one.entries : entries, ...cornersBeside(one, other) };
  for (const field of fieldsOf(merged))
    if (!isSame(field, merged, other) && field.isIn(other) && isLater(other, one, field))
      merged = field.put(merged, other);
  const stamps = { ...one.stamps };
  for (const [key, at] of Object.entries(other.stamps ?? {})) if (!(stamps[key]! >= at)) stamps[key] = at;
  return Object.keys(stamps).length > 0 ? { ...merged, stamps } : merged;
}

function byTime(one: Entry, other: Entry): number {
  if (one.at !== other.at) return one.at < other.at ? -1 : 1;
  return one.id < other.id ? -1 : one.id > other.id ? 1 : 0;
}

/** Which copy of a part counts: the one changed last; unstamped, that of the job touched last; else by what it says, so that all agree. */
export function isLater(other: Job, one: Job, field: Field): boolean {
  const [a, b] = [stampOf(other, field), stampOf(one, field)];
  if (a !== b) return a > b;
  // Stamped alike to the millisecond, the entries a copy has met since must not decide: joins would depend on their order.
  const [touched, touchedOne] = [lastAt(other), lastAt(one)];
  if (a === "" && touched !== touchedOne) return touched > touchedOne;
  return JSON.stringify(field.get(other) ?? null) > JSON.stringify(field.get(one) ?? null);
}

/** When a part was changed last; before parts of a set-up were stamped each by itself, all of it was. */
function stampOf({ stamps }: Job, { key, older }: Field): string {
  const [own, whole] = [stamps?.[key] ?? "", (older && stamps?.[older]) ?? ""];
  return own > whole ? own : whole;
}

function lastAt({ entries, createdAt }: Job): string {
  return entries.reduce((most, { at }) => (at > most ? at : most), createdAt);
}

/** Whether two copies say the same of a part. */
export function isSame({ get }: Field, one: Job, other: Job): boolean {
  const [a, b] = [get(one), get(other)];
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}
