import { differenceInCalendarDays } from "date-fns";
import * as z from "zod/mini";
import { parts } from "../faults/parts/parts";
import { verdicts } from "../verdict/suspects";
import type { CornerJob } from "../job/corner-in-work";
import { standingReadings, standingRepair } from "../job/derive";
import type { Job } from "../job/schema";

const partShares = z.array(z.object({ part: z.enum(parts), share: z.number(), verdict: z.enum(verdicts) }));

/** What the board says of a job: the likeliest fault of the car as it came, and what to do next. */
export const boardRowSchema = z.object({
  lead: z.nullable(
    z.object({
      words: z.string(),
      share: z.number(),
      proven: z.boolean(),
      fault: z.string(),
      /** Rows stored before did not say where. */
      place: z.optional(z.string()),
      part: z.enum(parts),
    }),
  ),
  /** The next check in words; null where none is left. */
  next: z.nullable(z.string()),
  /** Shares by part, and of shared parts those by what is known of the whole car: the whole car is judged by them. */
  parts: partShares,
  common: z.partialRecord(z.enum(parts), z.number()),
  /** The same by its own log alone, where the car has other corners in work. */
  alone: z.optional(z.object({ parts: partShares, common: z.partialRecord(z.enum(parts), z.number()) })),
});
export type BoardRow = z.infer<typeof boardRowSchema>;

export const boardStates = ["open", "waiting", "proven", "repaired", "archived"] as const;
/** How far a job has come; waiting and archived are where it was put, however far it is. */
export type BoardState = (typeof boardStates)[number];

/** @param row what was worked out of it; null while it is not */
export function boardState(job: Job, row: BoardRow | null): BoardState {
  if (job.archived) return "archived";
  if (waitsFor(job)) return "waiting";
  if (standingRepair(job)) return "repaired";
  return row?.lead?.proven ? "proven" : "open";
}

/** What has to come before a job goes on; null where nothing is written. */
export function waitsFor({ car }: Job): string | null {
  return car.waitingFor?.trim() || null;
}

/** How far a whole car has come: as far as the corner that is least far. @param each its corners in work */
export function carState(each: readonly { job: Job; row: BoardRow | null }[]): BoardState {
  const states = each.map(({ job, row }) => boardState(job, row));
  return boardStates.find((state) => states.includes(state)) ?? "open";
}

/** Names all that a row is made of: while it is the same, so is the row. @param model the code that weighs @param tag of the language */
export function rowKey(
  { id, setup, complaint, policy, priors, ratios, entries, beside = [] }: CornerJob,
  model: string,
  tag: string,
): string {
  const others = beside.map((other) => [other.setup, other.entries]);
  return JSON.stringify([model, tag, id, setup, complaint, policy, priors, ratios, entries, ...others]);
}

/** Who wrote in a job's log, each once, the latest last. */
export function peopleOf({ entries }: Job): string[] {
  const people = new Set<string>();
  for (const { by } of entries)
    if (by) {
      people.delete(by);
      people.add(by);
    }
  return [...people];
}

export const boardDays = ["today", "yesterday", "week"] as const;
/** When a job was worked on last. */
export type BoardDay = (typeof boardDays)[number];

const DAYS_BACK: Record<BoardDay, [from: number, to: number]> = { today: [0, 0], yesterday: [1, 1], week: [0, 6] };

/** Whether a moment falls on one of those days of the calendar, by the clock of whoever looks. @param moment ISO */
export function isOn(day: BoardDay, moment: string, now: Date): boolean {
  const back = differenceInCalendarDays(now, new Date(moment));
  const [from, to] = DAYS_BACK[day];
  return back >= from && back <= to;
}

export const boardOrders = ["worked-on", "car", "readings"] as const;
export type BoardOrder = (typeof boardOrders)[number];

/** Jobs in an order: worked on last first, by the car's name, or most readings first. @param lastTouched when a job was worked on, ISO */
export function inOrder(jobs: readonly Job[], order: BoardOrder, lastTouched: (job: Job) => string): Job[] {
  const compare: Record<BoardOrder, (a: Job, b: Job) => number> = {
    "worked-on": (a, b) => Date.parse(lastTouched(b)) - Date.parse(lastTouched(a)),
    car: (a, b) => a.car.name.localeCompare(b.car.name, undefined, { numeric: true }),
    readings: (a, b) => standingReadings(b).length - standingReadings(a).length,
  };
  return jobs.toSorted(compare[order]);
}
