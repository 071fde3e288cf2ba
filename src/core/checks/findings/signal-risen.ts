import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Losses in which the level rises over both of the sensor's: what draws this point down is cut off, or it touches what feeds. */
export const signalRisen = {
  code: "signal-risen",
  title: () => t`Lost at random places, the level rising away`,
  say: () =>
    t`The signal is lost at no fixed place of the ring, and its level rises over both of its two: cut between here and the module, or touching a supply.`,
  ringLocked: false,
  answer: {
    say: () => t`losses at random places, the level rises towards the supply`,
    short: () => t`level rises`,
    also: ["rises", "goes-to-supply", "goes-high"],
  },
} as const satisfies FindingKind;
