import type { Span } from "../circuit/setup";
import { faults } from "../faults/catalogue";
import { partOf, type Part } from "../faults/parts/parts";
import type { RepairPlan } from "../faults/repair-words";
import { NM_PER_LBFT } from "../units/quantity";
import { linkLeadPlan } from "./link-lead";

/**
 * The repair for a fault: its own where it has one, else its part's; of a wire in a link lead, a new lead.
 * @param span the stretch it sits in, where it sits in one
 */
export function repairPlan(fault: string, part: Part, span: Span | null = null): RepairPlan {
  if (part === "harness" && span?.linkLead) return linkLeadPlan;
  return faults.find(({ code }) => code === fault)?.repair ?? partOf(part).repair;
}

/** Whether the sensor has to be taken out for the repair of a part, with the risk that it breaks. */
export function sensorComesOut(part: Part): boolean {
  return partOf(part).sensorComesOut ?? false;
}

/** A torque the other way round, or null when it is no number. */
export function otherTorque(value: number, unit: "N·m" | "lb·ft"): number | null {
  if (!Number.isFinite(value) || value <= 0) return null;
  return unit === "N·m" ? value / NM_PER_LBFT : value * NM_PER_LBFT;
}
