import { msgid, ngettext, t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Teeth or poles gone: pulses lost at the same place on every turn. */
export const missingPulses = {
  code: "missing-pulses",
  title: () => t`Pulses missing, same place each turn`,
  say: ({ lost, seen, turns }) =>
    t`${lost === 1 ? t`One pulse is` : ngettext(msgid`${lost} pulse is`, `${lost} pulses are`, lost)} missing at the same place on ${seen} of ${turns} turns. It turns with the wheel: the ring, not the wire.`,
  ringLocked: true,
  rank: 1,
  answer: {
    say: () => t`pulses missing at the same place each turn`,
    short: () => t`missing pulses`,
    also: ["missing-tooth", "missing-teeth", "tooth-missing", "teeth-missing", "missing-pole", "missing-poles"],
  },
  raster: () => t`A straight column: the loss turns with the wheel. Ring, not wire.`,
  shows: ({ car }) => Boolean(car.ring.missing),
} as const satisfies FindingKind<{ lost: number; seen: number; turns: number }>;
