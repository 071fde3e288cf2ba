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
 * What is left to do once one part leads by far: not to learn which fault it is but to prove it. Sixty readings that each tell
 * a hundredth of a bit are no proof; a movement that brings the fault on, or a sensor that carries it along, is.
 * @param part that leads @param shares to plan by; null is given back where they prove it already
 */
export function toProof(posterior: Posterior, part: Part, shares: Float64Array): ToProof | null {
  const { hypotheses, complaint } = posterior;
  const target = complaint.presence === "hard" ? SPREAD_SHARE : PROOF_SHARE;
  const groups = [...shares.keys()].filter((g) => shares[g]! > NEGLIGIBLE_SHARE);
  const isOwn = (one: Suspectable) => faultsOf(one).some(({ fault }) => fault.part === part);
  const [own, others] = [true, false].map((is) => groups.filter((g) => isOwn(hypotheses[g]!) === is));
  const sum = (some: readonly number[]) => some.reduce((all, g) => all + shares[g]!, 0);
  const [held, against] = [sum(own!), sum(others!)];
  if (held >= target || against === 0) return null;
  // What is too unlikely to be planned for answers as the rest that speaks against the part does.
  const rest = (1 - held) / against;
  return {
    chance(check) {
      let reached = 0;
      for (let bin = 0; bin < check.outcomes; bin++) {
        const met = (some: readonly number[]) => some.reduce((all, g) => all + shares[g]! * check.chance(g, bin), 0);
        const [lead, other] = [met(own!), rest * met(others!)];
        if (lead >= target * (lead + other)) reached += lead + other;
      }
      return reached;
    },
  };
}
