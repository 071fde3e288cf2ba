import { SLIP } from "../observation/likelihood";
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
/** In a long log so many times the slips that any log has. */
const ODD_TIMES = 2.5;
const NO_FIT_TIMES = 5;

/**
 * Posterior-predictive check (A. Gelman, X.-L. Meng and H. Stern, Statistica Sinica 6, 1996): the discrepancy is the
 * number of readings that only a slip explains, given everything; a log that fits has about one in fifty.
 */
export function misfitOf(posterior: Posterior): Misfit {
  const slips = posterior.expectedSlips();
  const usual = SLIP * posterior.log.length;
  const level =
    slips > Math.max(NO_FIT_SLIPS, NO_FIT_TIMES * usual) || posterior.unlisted > NO_FIT_UNLISTED
      ? "not-at-all"
      : slips > Math.max(ODD_SLIPS, ODD_TIMES * usual) || posterior.unlisted > ODD_UNLISTED
        ? "oddly"
        : "fits";
  return { level, slips };
}
