import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Losses in which the level stays at one of its two: sensor, gap or ring, for the wires carry its current all the while. */
export const signalParked = {
  code: "signal-parked",
  title: () => t`Lost at random places, the level staying`,
  say: () =>
    t`The signal is lost at no fixed place of the ring, and its level stays at one of its two: sensor, seat or gap, not the wires.`,
  ringLocked: false,
  answer: {
    say: () => t`losses at random places, the level stays at one of its two`,
    short: () => t`level stays`,
    also: ["parked", "parks"],
  },
} as const satisfies FindingKind;
