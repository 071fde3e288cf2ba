import type { Part } from "../faults/fault";
import type { Suspect } from "./suspects";

/** What may be wrong with the car as a whole: the faults it would have together, with its share. */
export interface HypothesisShare {
  faults: { fault: string; place?: string; part: Part | "unknown" }[];
  share: number;
}

/** Below this share a hypothesis is not worth a line. */
const SHOWN_SHARE = 0.001;

/** Something not listed is worth a line on screen from this share on. */
const UNLISTED_SHOWN = 0.03;

/** Whether something not listed is likely enough to be shown. */
export function isUnlistedShown(share: number): boolean {
  return share >= UNLISTED_SHOWN;
}

/** Everything in the running, something not listed included, likeliest first. Shares sum to nearly 1. */
export function rankHypotheses(suspects: readonly Suspect[], unlisted: number): HypothesisShare[] {
  const listed = suspects.map(({ fault, place, part, share }): HypothesisShare => ({
    faults: [{ fault, place, part }],
    share,
  }));
  const other: HypothesisShare = { faults: [{ fault: "unlisted", part: "unknown" }], share: unlisted };
  return [...listed.filter(({ share }) => share >= SHOWN_SHARE), other].sort((a, b) => b.share - a.share);
}
