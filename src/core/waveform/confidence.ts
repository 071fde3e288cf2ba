import type { FindingCode } from "../checks/findings/findings";
import { ALL_ALIKE, CONFIDENCE } from "./confidence-table";

/** What a finding stands on, beside its code. */
export interface Grounds {
  /** How far over its own limit it stands, as its detector has it, 0 to 1. */
  strength: number;
  /** Turns of the ring that were seen; null where the ring is not known. */
  turns: number | null;
  /** Other findings of the same channel: where one is wrong, others often are. */
  beside: number;
  /** What sound parts differ by allows no more. */
  most?: number | undefined;
}

/**
 * Chance that a finding is what is wrong, among recordings of wheels as they are met: a logistic curve over what it stands
 * on (J. Platt, "Probabilistic outputs for support vector machines", 1999), fitted by `npm run finding-confidence` on
 * recordings from fields and motion, and tried on others by `npm run bench:outside-waves`.
 */
export function confidenceOf(code: FindingCode, grounds: Grounds): number {
  // A finding that is new goes by all of them until the table is made anew.
  const weights = CONFIDENCE[code] ?? ALL_ALIKE;
  const sum = groundsAsNumbers(grounds).reduce((all, one, i) => all + one * weights[i]!, 0);
  return Math.min(grounds.most ?? MOST, MOST, 1 / (1 + Math.exp(-sum)));
}

/** No generator makes all that is met: of 215 findings on another maker's recordings 98.1 in 100 were so (95.3 to 99.3). */
const MOST = 0.98;

/** What the curve is over: one, the odds of the strength, turns seen, ring unknown, other findings beside it. */
export function groundsAsNumbers({ strength, turns, beside }: Grounds): number[] {
  const inside = Math.min(0.99, Math.max(0.01, strength));
  return [1, Math.log(inside / (1 - inside)), Math.log1p(turns ?? 0), turns === null ? 1 : 0, beside > 0 ? 1 : 0];
}
