import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** The two levels stand in no ratio a good sensor has. */
export const levelOutOfWindow = {
  code: "level-out-of-window",
  title: () => t`Levels wrong`,
  say: ({ lowV, highV, uncalibrated }) =>
    uncalibrated
      ? t`The high level is ${(highV / lowV).toFixed(2)} times the low one, on a good two-wire sensor of any make about twice. Resistance or a leak in the circuit, not the ring.`
      : t`Levels ${lowV.toFixed(2)} and ${highV.toFixed(2)} V: the high one is ${(highV / lowV).toFixed(2)} times the low one, on a good two-wire sensor of any make about twice. Resistance or a leak in the circuit, not the ring.`,
  ringLocked: false,
  rank: 9,
  answer: {
    say: () => t`levels wrong`,
    short: () => t`level out of window`,
    also: [
      "levels-too-high",
      "level-too-high",
      "levels-too-low",
      "level-too-low",
      "wrong-level",
      "wrong-levels",
      "levels-off",
    ],
  },
  shows: ({ volts }) => !volts.bothLevels,
} as const satisfies FindingKind<{ lowV: number; highV: number; uncalibrated?: true }>;
