import type { CornerSetup } from "../circuit/setup";
import { suspectables } from "../faults/catalogue";
import { partLabel, type Part } from "../faults/parts/parts";
import { type Complaint } from "./complaint";
import { complaintWeight } from "./complaint-weight";
import type { OwnRatios } from "./ratio";

export interface ComplaintReason {
  /** The answer it is about: a code as typed, a symptom or a work by its name, or the presence. */
  answer: string;
  speaksFor: string[];
  speaksAgainst: string[];
}

/** A part moved by less than this much by one answer is not worth a word. */
const WORTH_SAYING = 1.15;

/** What each answer of the complaint does to the suspicion: the parts it raises and lowers against the rest. */
export function complaintReasons(
  complaint: Complaint,
  setup: CornerSetup,
  priors: Record<Part, number>,
  own: OwnRatios = {},
): ComplaintReason[] {
  const nothing: Complaint = { presence: "hard", codes: [], symptoms: [], recentWork: [] };
  const alone: [string, Complaint][] = [
    ...complaint.codes.map((code): [string, Complaint] => [code, { ...nothing, codes: [code] }]),
    ...complaint.symptoms.map((symptom): [string, Complaint] => [symptom, { ...nothing, symptoms: [symptom] }]),
    ...complaint.recentWork.map((work): [string, Complaint] => [work, { ...nothing, recentWork: [work] }]),
  ];
  if (complaint.presence === "intermittent") alone.push(["intermittent", { ...nothing, presence: "intermittent" }]);
  const all = suspectables(setup, priors);
  return alone.flatMap(([answer, only]): ComplaintReason[] => {
    const before = new Map<Part, number>();
    const after = new Map<Part, number>();
    let [total, weighed] = [0, 0];
    for (const { fault, prior } of all) {
      const weight = prior * complaintWeight(fault, only, setup.corner, own);
      before.set(fault.part, (before.get(fault.part) ?? 0) + prior);
      after.set(fault.part, (after.get(fault.part) ?? 0) + weight);
      total += prior;
      weighed += weight;
    }
    const moved = [...before]
      .filter(([part]) => part !== "none")
      .map(([part, share]) => ({ part, left: after.get(part)!, factor: after.get(part)! / weighed / (share / total) }))
      // The likeliest first: a rare part that an answer raises most is still rare.
      .toSorted((a, b) => b.left - a.left);
    const speaksFor = moved.filter(({ factor }) => factor > WORTH_SAYING).map(({ part }) => partLabel(part));
    const speaksAgainst = moved.filter(({ factor }) => factor < 1 / WORTH_SAYING).map(({ part }) => partLabel(part));
    return speaksFor.length + speaksAgainst.length > 0 ? [{ answer, speaksFor, speaksAgainst }] : [];
  });
}
