import { expectedSlips } from "../belief/pairs";
import type { Posterior } from "../belief/posterior";

/** How well the whole log fits the best there is to say of the car. */
export type MisfitLevel = "fits" | "oddly" | "not-at-all";

export interface Misfit {
  level: MisfitLevel;
  /** Readings that must have been slips, as expected in the light of all of them. */
  slips: number;
}

/** Over so many expected slips a log fits oddly, and over so many not at all (engineering judgement). */
const ODD_SLIPS = 0.6;
const NO_FIT_SLIPS = 1.6;
const ODD_UNLISTED = 0.15;
const NO_FIT_UNLISTED = 0.5;

/**
 * Posterior-predictive check (A. Gelman, X.-L. Meng and H. Stern, Statistica Sinica 6, 1996): the discrepancy is the
 * number of readings that only a slip explains, given everything; a log that fits has about one in fifty.
 */
export function misfitOf(posterior: Posterior): Misfit {
  const slips = expectedSlips(posterior);
  const level =
    slips > NO_FIT_SLIPS || posterior.unlisted > NO_FIT_UNLISTED
      ? "not-at-all"
      : slips > ODD_SLIPS || posterior.unlisted > ODD_UNLISTED
        ? "oddly"
        : "fits";
  return { level, slips };
}
