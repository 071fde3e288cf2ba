import type { Point } from "../circuit/point";
import type { CornerSetup } from "../circuit/setup";
import { t } from "../words/words";
import type { LeadEnd } from "./lead-end";

/** How a scope is set for what stands at a point. */
export interface ScopeSetUp {
  coupling: string;
  voltsPerDivision: number;
}

/** Three turns of a hand spin take 3 s (common practice). */
export const SECONDS_PER_DIVISION = 0.3;

/**
 * Coupling and range by what stands at the point: a ripple on the supply, two levels of a volt or so, a pull-up's whole
 * swing, or the volts of a coil.
 */
export function scopeSetUp(setup: CornerSetup, probe: Point): ScopeSetUp {
  const { family, pullUpV } = setup;
  if (family === "passive") return { coupling: t`AC or DC coupling`, voltsPerDivision: 0.5 };
  if (family === "active-3wire") return { coupling: t`DC coupling`, voltsPerDivision: (pullUpV ?? 12) > 6 ? 2 : 1 };
  return ridesOnSupply(setup, probe)
    ? { coupling: t`AC coupling`, voltsPerDivision: 0.2 }
    : { coupling: t`DC coupling`, voltsPerDivision: 0.5 };
}

/** Where the second lead of a scope goes, for a drawing: what it is, its place, and what it ends in. */
export interface ScopeGround {
  title: string;
  where: string;
  end: LeadEnd;
}

/** A two-wire plug has no ground of its own; a coil's other leg is none either (common practice). */
export function scopeGround({ family }: CornerSetup): ScopeGround {
  if (family === "passive") return { title: t`reference`, where: t`the other leg; isolated input`, end: "back-probe" };
  if (family === "active-3wire")
    return { title: t`probe ground`, where: t`the sensor's own ground, at the plug`, end: "back-probe" };
  return { title: t`probe ground`, where: t`battery −, at the battery`, end: "clip" };
}

/** Where a scope's ground goes, and how it is coupled: a two-wire plug has no ground of its own (common practice). */
export function scopeReference(setup: CornerSetup, probe: Point): string {
  const { family } = setup;
  if (family === "passive")
    return t`DC- or AC-coupled, its reference on the other leg: isolated or differential input, never a mains-earthed scope's ground`;
  if (family === "active-3wire") return t`DC-coupled, its ground on the sensor's own ground wire at the plug`;
  return ridesOnSupply(setup, probe)
    ? t`AC-coupled, its ground clipped to battery −, at the battery; never clip it to the supply`
    : t`DC-coupled, its ground clipped to battery −, at the battery`;
}

/** Whether a two-wire signal is a ripple on the supply there; where nobody said which side is sensed, the wire tells. */
export function ridesOnSupply({ family, sense }: CornerSetup, probe: Point): boolean {
  if (family !== "active-2wire") return false;
  if (sense !== "unknown") return sense === "high";
  return "conductor" in probe && probe.conductor === "supply";
}
