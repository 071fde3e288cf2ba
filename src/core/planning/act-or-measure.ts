import { habitOrder, repairCosts, type Part } from "../faults/parts/parts";
import { LABOUR_RATE } from "../repair/usual-estimate";
import type { PartShare } from "../verdict/suspects";
import { minutesToProof } from "./minutes-to-proof";
import type { Proposal } from "./next-check";

export interface Guess {
  /** Fit a sensor at once, and carry on by popular order if the lamp comes back. */
  fitSensorNow: { chancePct: number; expectedCost: number };
  /** Measure on as proposed, then repair what is found. */
  plan: { expectedCost: number; minutes: number };
  /** What measuring on saves on average against fitting by popular order; 0 when it saves nothing. */
  saves: number;
}

/**
 * Repairs that each mend one independent fault are best tried by falling chance/cost (D. Heckerman, J. S. Breese and
 * K. Rommelse, Communications of the ACM 38(3), 1995).
 */
export function cheapestFirst<T>(items: readonly T[], chance: (one: T) => number, cost: (one: T) => number): T[] {
  const worth = (one: T) => chance(one) / Math.max(LEAST_COST, cost(one));
  return [...items].sort((one, other) => worth(other) - worth(one));
}

/** Nothing in a workshop costs less. */
const LEAST_COST = 20;

/** What guessing would cost on average, beside measuring on as proposed. */
export function weighGuess(
  parts: readonly PartShare[],
  proposals: readonly Proposal[],
  costs: Record<Part, number> = repairCosts,
  rate = LABOUR_RATE,
): Guess {
  const share = (part: Part) => parts.find((one) => one.part === part)?.share ?? 0;
  const minutes = minutesToProof(parts, proposals);
  const plan = (minutes / 60) * rate + parts.reduce((sum, one) => sum + one.share * costs[one.part], 0);
  const guessing = Math.round(sequenceCost(habitOrder, share, costs));
  return {
    fitSensorNow: { chancePct: Math.round(share("sensor") * 100), expectedCost: guessing },
    saves: Math.max(0, guessing - Math.round(plan)),
    plan: { expectedCost: Math.round(plan), minutes: Math.round(minutes) },
  };
}

/** Expected bill of repairing part after part in this order until the fault is gone. */
export function sequenceCost(
  order: readonly Part[],
  share: (part: Part) => number,
  costs: Record<Part, number>,
): number {
  let [bill, spent] = [0, 0];
  for (const part of order) {
    spent += costs[part];
    bill += share(part) * spent;
  }
  return bill;
}
