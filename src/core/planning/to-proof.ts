import { PROOF_SHARE, SPREAD_SHARE } from "../verdict/suspects";
import type { Suspectable } from "../faults/catalogue";
import { faultsOf } from "../faults/pair";
import type { Part } from "../faults/parts/parts";
import type { Posterior } from "../belief/posterior";
import type { InformationTable } from "./information";
import { NEGLIGIBLE_SHARE } from "./planning";

/** The share a leading part still lacks, and how likely a check is to bring it there. */
export interface ToProof {
  /** Chance that a check's outcome lifts the part to its proof. */
  chance(check: InformationTable): number;
}

/**
 * So far beyond what is asked for, by its odds, an outcome must lift a part (engineering judgement): planning sees every sixth
 * candidate, and what would lift it by a hair seldom does.
 */
export const CLEARLY = 1.5;

/**
 * What is left to do once one part leads by far: not to learn which fault it is but to prove it. Sixty readings that each tell
 * a hundredth of a bit are no proof; a movement that brings the fault on, or a sensor that carries it along, is.
 * @param part that leads @param shares to plan by
 * @param planned the same as checks are planned by, where the part leads by far (see against-leader.ts)
 * @returns null where it is proven by its share already
 */
export function toProof(
  posterior: Posterior,
  part: Part,
  shares: Float64Array,
  planned: Float64Array = shares,
): ToProof | null {
  const { hypotheses, complaint } = posterior;
  const target = complaint.presence === "hard" ? SPREAD_SHARE : PROOF_SHARE;
  const isOwn = (one: Suspectable) => faultsOf(one).some(({ fault }) => fault.part === part);
  const held = shares.reduce((sum, share, g) => (isOwn(hypotheses[g]!) ? sum + share : sum), 0);
  // What is too unlikely to be planned for answers as the rest that speaks against the part does.
  const groups = [...planned.keys()].filter((g) => planned[g]! > NEGLIGIBLE_SHARE);
  const [own, others] = [true, false].map((is) => groups.filter((g) => isOwn(hypotheses[g]!) === is));
  const sum = (some: readonly number[]) => some.reduce((all, g) => all + planned[g]!, 0);
  const [ofOwn, ofOthers] = [sum(own!), sum(others!)];
  if (held >= target || ofOthers === 0) return null;
  return {
    chance(check) {
      let reached = 0;
      for (let bin = 0; bin < check.outcomes; bin++) {
        const met = (some: readonly number[]) => some.reduce((all, g) => all + planned[g]! * check.chance(g, bin), 0);
        const lead = (held * met(own!)) / ofOwn;
        const other = ((1 - held) * met(others!)) / ofOthers;
        if (lead * (1 - target) >= CLEARLY * target * other) reached += lead + other;
      }
      return reached;
    },
  };
}
