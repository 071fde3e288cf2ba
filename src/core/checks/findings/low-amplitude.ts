import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** A signal under this part of a good one is seen to be small (engineering judgement). */
const SMALL = 0.6;

/** Under 0.05 V at one turn a second, which is this part of one maker's figure, a coil is too small for any (from memory). */
const ANY_MAKE = 0.09;

/** A passive signal too small for its speed. */
export const lowAmplitude = {
  code: "low-amplitude",
  title: () => t`Too small for the speed`,
  say: ({ rmsV, kmh, share, ofOther }) =>
    rmsV === undefined
      ? t`${Math.round(100 * (ofOther ?? share))} % of the other side at the same speed: too large a gap, or a weak coil. The ring itself is even.`
      : ofOther !== undefined
        ? t`${rmsV.toFixed(2)} V RMS at ${kmh.toFixed(1)} km/h is ${Math.round(100 * ofOther)} % of the other side: too large a gap, or a weak coil. The ring itself is even.`
        : share > ANY_MAKE
          ? t`${rmsV.toFixed(2)} V RMS at ${kmh.toFixed(1)} km/h is ${Math.round(100 * share)} % of one maker's figure, and others accept less. Measure the other side: if it gives more, the gap is too large or the coil weak.`
          : t`${rmsV.toFixed(2)} V RMS at ${kmh.toFixed(1)} km/h is ${Math.round(100 * share)} % of the usual: too large a gap, or a weak coil. The ring itself is even.`,
  ringLocked: false,
  rank: 5,
  answer: {
    say: () => t`good shape but too small`,
    short: () => t`low amplitude`,
    also: ["weak", "small", "too-small"],
  },
  shows: ({ volts }) => volts.share < SMALL,
} as const satisfies FindingKind<{
  /** Not told where the recording's numbers are no volts. */
  rmsV?: number;
  kmh: number;
  share: number;
  /** Part of what the other side gives, where that was recorded along. */
  ofOther?: number;
}>;
