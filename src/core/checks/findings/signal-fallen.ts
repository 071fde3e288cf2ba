import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Losses in which the level falls under both of the sensor's: nothing is fed to this point any more, or it is drawn to ground. */
export const signalFallen = {
  code: "signal-fallen",
  title: () => t`Lost at random places, the level falling away`,
  say: () =>
    t`The signal is lost at no fixed place of the ring, and its level falls under both of its two: a wire or contact opens or touches ground.`,
  ringLocked: false,
  answer: {
    say: () => t`losses at random places, the level falls away towards 0 V`,
    short: () => t`level falls`,
    also: ["falls", "drops-to-zero", "goes-to-zero", "goes-low"],
  },
} as const satisfies FindingKind;
