import type { Entry, Job } from "./schema";

/** The parts of a job that are changed, stamped and joined each by itself. */
const FIELDS = {
  name: carField("name"),
  plate: carField("plate"),
  kilometres: carField("kilometres"),
  vin: carField("vin"),
  order: carField("order"),
  customer: carField("customer"),
  setup: { get: (job: Job): unknown => job.setup, from: (job: Job) => ({ setup: job.setup }) },
  presence: complaintField("presence"),
  codes: complaintField("codes"),
  symptoms: complaintField("symptoms"),
  recentWork: complaintField("recentWork"),
  note: complaintField("note"),
  policy: { get: (job: Job): unknown => job.policy, from: (job: Job) => ({ policy: job.policy }) },
  archived: { get: (job: Job): unknown => job.archived, from: (job: Job) => ({ archived: job.archived }) },
  priors: { get: (job: Job): unknown => job.priors, from: (job: Job) => ({ priors: job.priors }) },
  ratios: { get: (job: Job): unknown => job.ratios, from: (job: Job) => ({ ratios: job.ratios }) },
} satisfies Record<string, { get: (job: Job) => unknown; from: (job: Job) => DeepPart }>;

type DeepPart = Partial<Omit<Job, "car" | "complaint">> & {
  car?: Partial<Job["car"]>;
  complaint?: Partial<Job["complaint"]>;
};

function carField(key: keyof Job["car"]) {
  return { get: (job: Job): unknown => job.car[key], from: (job: Job) => ({ car: { [key]: job.car[key] } }) };
}

function complaintField(key: keyof Job["complaint"]) {
  return {
    get: (job: Job): unknown => job.complaint[key],
    from: (job: Job) => ({ complaint: { [key]: job.complaint[key] } }),
  };
}

/**
 * A time later than all that a job has seen: the clock's, or a millisecond after the latest known one where the clock
 * was set back. The order of a log is then the order of writing (L. Lamport, Communications of the ACM 21(7), 1978).
 */
export function laterThan(job: Pick<Job, "entries" | "stamps">, now: string): string {
  const known = [...job.entries.map(({ at }) => at), ...Object.values(job.stamps ?? {})];
  const latest = known.reduce((most, one) => (Date.parse(one) > Date.parse(most) ? one : most), now);
  return latest === now ? now : new Date(Date.parse(latest) + 1).toISOString();
}

/** The job with each part that was changed stamped, and new entries put after all there is. */
export function stamped(before: Job, after: Job, now: string): Job {
  const at = laterThan(before, now);
  const changed = Object.entries(FIELDS).filter(([, { get }]) => !same(get(before), get(after)));
  const known = new Set(before.entries.map(({ id }) => id));
  const fresh = after.entries.some(({ id }) => !known.has(id));
  const entries = fresh
    ? after.entries.map((entry): Entry => (known.has(entry.id) || entry.at >= at ? entry : { ...entry, at }))
    : after.entries;
  if (changed.length === 0) return entries === after.entries ? after : { ...after, entries };
  return { ...after, entries, stamps: { ...after.stamps, ...Object.fromEntries(changed.map(([key]) => [key, at])) } };
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
  let merged: Job = { ...one, entries: inOrder ? one.entries : entries };
  for (const [key, { get, from }] of Object.entries(FIELDS)) {
    if (same(get(one), get(other)) || !isLater(other, one, key, get)) continue;
    const part: DeepPart = from(other);
    merged = {
      ...merged,
      ...part,
      car: { ...merged.car, ...part.car },
      complaint: { ...merged.complaint, ...part.complaint },
    } as Job;
  }
  const stamps = { ...one.stamps };
  for (const [key, at] of Object.entries(other.stamps ?? {})) if (!(stamps[key]! >= at)) stamps[key] = at;
  return Object.keys(stamps).length > 0 ? { ...merged, stamps } : merged;
}

function byTime(one: Entry, other: Entry): number {
  if (one.at !== other.at) return one.at < other.at ? -1 : 1;
  return one.id < other.id ? -1 : one.id > other.id ? 1 : 0;
}

/** Which copy of a part counts: the one changed last; unstamped, that of the job touched last; else by what it says, so that all agree. */
function isLater(other: Job, one: Job, key: string, get: (job: Job) => unknown): boolean {
  const [a, b] = [other.stamps?.[key] ?? "", one.stamps?.[key] ?? ""];
  if (a !== b) return a > b;
  // Stamped alike to the millisecond, the entries a copy has met since must not decide: joins would depend on their order.
  const [touched, touchedOne] = [lastAt(other), lastAt(one)];
  if (a === "" && touched !== touchedOne) return touched > touchedOne;
  return JSON.stringify(get(other) ?? null) > JSON.stringify(get(one) ?? null);
}

function lastAt({ entries, createdAt }: Job): string {
  return entries.reduce((most, { at }) => (at > most ? at : most), createdAt);
}

function same(one: unknown, other: unknown): boolean {
  return one === other || JSON.stringify(one) === JSON.stringify(other);
}
