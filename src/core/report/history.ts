import { t } from "../words/words";
import type { Family } from "../circuit/setup";
import type { Part } from "../faults/parts/parts";
import { minutesSpent } from "../bench/minutes-spent";
import { standingReadings, standingRepair } from "../job/derive";
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
}

export function historyRow(job: Job): HistoryRow {
  const repair = standingRepair(job);
  return {
    id: job.id,
    car: job.car.name || t`unnamed`,
    date: job.createdAt.slice(0, 10),
    family: job.setup.family,
    corner: job.setup.corner,
    readings: standingReadings(job).length,
    minutes: minutesSpent(job),
    part: repair?.part ?? null,
    guess: repair?.guess ?? false,
  };
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
