import { faultsOf } from "../faults/pair";
import type { Part } from "../faults/parts/parts";
import type { Posterior } from "../belief/posterior";

/** What is planned for where a part leads by far. */
export interface AgainstLeader {
  /** Shares in which all that speaks against the part has a tenth of the whole, in its own proportions. */
  shares: Float64Array;
  /** So much of what a check is then said to tell is told in truth. */
  scale: number;
}

/**
 * Shares to plan by where one part holds nearly all: each of the rest alone is then too little to be planned for, and any
 * check would seem to tell next to nothing, the cheapest first. What lifts the part to its proof is what all of the rest
 * together would answer otherwise.
 * @returns null where no part leads so far
 */
export function againstLeader(posterior: Posterior, part: Part, shares: Float64Array): AgainstLeader | null {
  const isOwn = posterior.hypotheses.map((one) => faultsOf(one).some(({ fault }) => fault.part === part));
  const held = shares.reduce((sum, share, g) => (isOwn[g] ? sum + share : sum), 0);
  if (held <= LEADS || held >= 1) return null;
  return {
    shares: shares.map((share, g) => (isOwn[g] ? (share * LEADS) / held : (share * (1 - LEADS)) / (1 - held))),
    scale: (1 - held) / (1 - LEADS),
  };
}

const LEADS = 0.9;
