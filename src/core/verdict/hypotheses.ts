import type { Posterior } from "../belief/posterior";
import { faultsOf } from "../faults/pair";
import { t } from "../words/words";
import type { Part } from "../faults/parts/parts";

/** What may be wrong with the car as a whole: the faults it would have together, with its share. */
export interface HypothesisShare {
  faults: { fault: string; place?: string; part: Part | "unknown" }[];
  /** As it is said on screen. */
  words: string;
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
export function rankHypotheses(posterior: Posterior): HypothesisShare[] {
  const shares = posterior.shares();
  const listed = posterior.hypotheses.map((hypothesis, h): HypothesisShare => ({
    faults: faultsOf(hypothesis).map(({ fault, place }) => ({ fault: fault.code, place: place.id, part: fault.part })),
    words: hypothesis.fault.words(hypothesis.place, posterior.setup),
    share: shares[h]! * (1 - posterior.unlisted),
  }));
  const other: HypothesisShare = {
    faults: [{ fault: "unlisted", part: "unknown" }],
    words: t`Something not listed here`,
    share: posterior.unlisted,
  };
  return [...listed.filter(({ share }) => share >= SHOWN_SHARE), other].sort((a, b) => b.share - a.share);
}

/** The likeliest pair, where two things wrong together are likely enough to be shown. */
export function likelyPair(hypotheses: readonly HypothesisShare[]): HypothesisShare | null {
  return hypotheses.find(({ faults, share }) => faults.length === 2 && share >= PAIR_SHOWN) ?? null;
}

const PAIR_SHOWN = 0.1;
