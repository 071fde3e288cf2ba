import { t } from "../words/words";
import type { Family } from "../circuit/setup";
import { habitOrder, repairCosts, type Part } from "../faults/parts/parts";
import { estimate } from "../repair/estimate";
import { spanAt } from "../repair/link-lead";
import { repairPlan } from "../repair/repair-plan";
import { usualEstimate, type EstimateSettings } from "../repair/usual-estimate";
import { median } from "../units/median";
import { minutesSpent } from "../bench/minutes-spent";
import { standingReadings, standingRepair, type RepairEntry } from "../job/derive";
import type { Job } from "../job/schema";

/** One finished or running job as a row of the shop's history. */
export interface HistoryRow {
  id: string;
  car: string;
  date: string;
  family: Family;
  corner: string;
  readings: number;
  minutes: number;
  /** Part repaired, and whether it was proven before. */
  part: Part | null;
  guess: boolean;
  /** When it was repaired, ISO; null while it is open. */
  repairedAt: string | null;
  /** Diagnosis, parts and labour before tax, an estimate; null while it is open. */
  bill: number | null;
  /** What fitting parts in the usual order until that one would have come to, before tax; null while it is open. */
  guessingBill: number | null;
}

/** @param settings what estimates are made with */
export function historyRow(job: Job, settings: EstimateSettings = usualEstimate): HistoryRow {
  const repair = standingRepair(job);
  const minutes = minutesSpent(job);
  return {
    id: job.id,
    car: job.car.name || t`unnamed`,
    date: job.createdAt.slice(0, 10),
    family: job.setup.family,
    corner: job.setup.corner,
    readings: standingReadings(job).length,
    minutes,
    part: repair?.part ?? null,
    guess: repair?.guess ?? false,
    repairedAt: repair?.at ?? null,
    bill: repair ? billOf(job, repair, minutes, settings) : null,
    guessingBill: repair ? guessingUntil(repair.part) : null,
  };
}

function billOf(
  { setup }: Job,
  { fault, part, place }: RepairEntry,
  minutes: number,
  settings: EstimateSettings,
): number {
  return Math.round(estimate(repairPlan(fault, part, spanAt(setup, place)), minutes, false, settings).net);
}

/** Parts fitted by habit, one after another, up to the one it was; the sensor first. */
function guessingUntil(part: Part): number {
  const until = habitOrder.slice(0, habitOrder.indexOf(part) + 1);
  return until.reduce((sum, one) => sum + repairCosts[one], 0);
}

/** How many repairs fell to each part, proven or fitted on a guess, most first. */
export function repairsByPart(rows: readonly HistoryRow[]): { part: Part; proven: number; guessed: number }[] {
  return [...groupBy(rows, ({ part }) => part)]
    .map(([part, own]) => ({
      part,
      proven: own.filter(({ guess }) => !guess).length,
      guessed: own.filter(({ guess }) => guess).length,
    }))
    .sort((a, b) => b.proven + b.guessed - a.proven - a.guessed);
}

/** Repairs and their bills by month, in order, months without any between the first and the last included. */
export function repairsByMonth(
  rows: readonly HistoryRow[],
): { month: string; repairs: number; bill: number; guessingBill: number }[] {
  const byMonth = groupBy(rows, ({ repairedAt }) => repairedAt?.slice(0, 7) ?? null);
  const months = [...byMonth.keys()].sort();
  if (months.length === 0) return [];
  return monthsBetween(months[0]!, months.at(-1)!).map((month) => {
    const own = byMonth.get(month) ?? [];
    return {
      month,
      repairs: own.length,
      ...billsOf(own),
    };
  });
}

/** All bills of these repairs, and what guessing would have come to. */
export function billsOf(rows: readonly HistoryRow[]): { bill: number; guessingBill: number } {
  return rows.reduce(
    (sum, row) => ({ bill: sum.bill + (row.bill ?? 0), guessingBill: sum.guessingBill + (row.guessingBill ?? 0) }),
    { bill: 0, guessingBill: 0 },
  );
}

/** Minutes of measuring until each part was repaired: the least, the middle and the most. */
export function minutesByPart(
  rows: readonly HistoryRow[],
): { part: Part; cars: number; least: number; middle: number; most: number }[] {
  return [...groupBy(rows, ({ part }) => part)]
    .map(([part, own]) => {
      const minutes = own.map((row) => row.minutes);
      return {
        part,
        cars: own.length,
        least: Math.min(...minutes),
        middle: median(minutes),
        most: Math.max(...minutes),
      };
    })
    .sort((a, b) => b.middle - a.middle);
}

/** Cars that came back: more than one repair under one name, most first. */
export function carsComeBack(rows: readonly HistoryRow[]): { car: string; repairs: number; parts: Part[] }[] {
  const done = rows.filter(({ part }) => part !== null);
  return [...groupBy(done, ({ car }) => car)]
    .filter(([, own]) => own.length > 1)
    .map(([car, own]) => ({ car, repairs: own.length, parts: [...new Set(own.flatMap(({ part }) => part ?? []))] }))
    .sort((a, b) => b.repairs - a.repairs);
}

function groupBy<K>(rows: readonly HistoryRow[], key: (row: HistoryRow) => K | null): Map<K, HistoryRow[]> {
  const groups = new Map<K, HistoryRow[]>();
  for (const row of rows) {
    const own = key(row);
    if (own !== null) groups.set(own, [...(groups.get(own) ?? []), row]);
  }
  return groups;
}

/** @param first `2026-03` */
function monthsBetween(first: string, last: string): string[] {
  const months: string[] = [];
  for (let month = first; month <= last && months.length < MOST_MONTHS; month = nextMonth(month)) months.push(month);
  return months;
}

/** A clock years off must not make a list without end. */
const MOST_MONTHS = 240;

function nextMonth(month: string): string {
  const [year, number] = month.split("-").map(Number) as [number, number];
  return number === 12 ? `${year + 1}-01` : `${year}-${String(number + 1).padStart(2, "0")}`;
}

/**
 * How likely each part is after the shop's own outcomes: Dirichlet counts, the usual shares standing for `strength`
 * cars (A. Gelman et al., Bayesian Data Analysis, section 3.4).
 */
export function learntPriors(usual: Record<Part, number>, found: readonly Part[], strength = 40): Record<Part, number> {
  const total = Object.values(usual).reduce((sum, share) => sum + share, 0);
  const out = { ...usual };
  for (const part of Object.keys(usual) as Part[]) {
    const seen = found.filter((one) => one === part).length;
    out[part] = ((usual[part] / total) * strength + seen) / (strength + found.length);
  }
  return out;
}
