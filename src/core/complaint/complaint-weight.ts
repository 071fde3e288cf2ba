import { decodeCodes, mayMean } from "../codes/code";
import type { Corner } from "../units/corner";
import type { Fault } from "../faults/fault";
import { codeRatio, severalCornersRatio } from "./codes-ratio";
import type { Complaint } from "./complaint";
import { ratioOf, type OwnRatios, type Ratios } from "./ratio";
import { recentWorks } from "./recent-works";
import { symptoms } from "./symptoms/symptoms";

/** A fault that is always there does not explain one that comes and goes, unless it shows only now and then. */
export const presenceRatios: Ratios = {
  rows: [
    { effects: ["weak", "count"], times: 0.6 },
    { parts: ["bearing"], times: 0.6 },
  ],
  otherwise: 0.3,
};

/** How much likelier this complaint is at this corner if the fault is the one, against an average fault. @param own ratios the shop has set itself */
export function complaintWeight(fault: Fault, complaint: Complaint, corner: Corner, own: OwnRatios = {}): number {
  let weight = 1;
  for (const code of decodeCodes(complaint.codes)) {
    // A code of another corner is asked about on screen and says nothing here.
    if (code && !mayMean(code, corner)) continue;
    const kind = code?.failure?.kind;
    if (kind && kind !== "any") weight *= codeRatio(fault, kind, code.status === "history", own);
  }
  if (cornersCoded(complaint.codes).length > 1) weight *= severalCornersRatio(fault, own);
  for (const { id, ratios } of symptoms) if (complaint.symptoms.includes(id)) weight *= ratioOf(id, ratios, fault, own);
  for (const { id, ratios } of recentWorks)
    if (complaint.recentWork.includes(id)) weight *= ratioOf(`work-${id}`, ratios, fault, own);
  if (complaint.presence === "intermittent" && !fault.intermittent)
    weight *= ratioOf("intermittent", presenceRatios, fault, own);
  return weight;
}

/** The corners that codes name, each once. */
export function cornersCoded(codes: readonly string[]): Corner[] {
  return [...new Set(decodeCodes(codes).flatMap((code) => code?.corner ?? []))];
}

/** Codes that name another corner than the one in work: to be asked about. */
export function codesElsewhere(codes: readonly string[], corner: Corner): string[] {
  const decoded = decodeCodes(codes);
  return codes.filter((_, at) => decoded[at] && !mayMean(decoded[at], corner));
}
