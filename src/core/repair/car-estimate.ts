import type { Span } from "../circuit/setup";
import { partOf, type Part } from "../faults/parts/parts";
import { estimate } from "./estimate";
import { repairPlan, sensorComesOut } from "./repair-plan";
import type { EstimateSettings } from "./usual-estimate";

/** What is to be repaired at one corner, and the minutes its diagnosis took. */
export interface CornerRepair {
  fault: string;
  part: Part;
  /** The stretch it sits in, where it sits in one. */
  span?: Span | null;
  diagnosisMin: number;
}

/**
 * What the repairs of a whole car will likely cost, tax included. A part that all corners share is repaired once, for the
 * first corner that names it; a corner that is sound costs its diagnosis.
 */
export function carEstimate(repairs: readonly CornerRepair[], settings: EstimateSettings): number {
  const done = new Set<Part>();
  return repairs.reduce((sum, { fault, part, span, diagnosisMin }) => {
    const plan = repairPlan(fault, part, span);
    const again = done.has(part);
    if (partOf(part).shared) done.add(part);
    const work = again ? { ...plan, partsCost: 0, labourMin: 0 } : plan;
    return sum + estimate(work, diagnosisMin, sensorComesOut(part) && !again, settings).total;
  }, 0);
}
