import { msgid, ngettext, t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** A steady supply sinks, with or without the signal. */
export const supplyDip = {
  code: "supply-dip",
  title: () => t`Supply sinks with it`,
  say: ({ usualV, leastV, times, withSignal }) =>
    t`The supply sinks from ${usualV.toFixed(1)} to ${leastV.toFixed(1)} V ${times === 1 ? t`once` : ngettext(msgid`${times} time`, `${times} times`, times)}${
      withSignal
        ? t`, and the signal is lost at the same instant: look on the supply side, not at the sensor`
        : t`; the signal lives through it`
    }.`,
  ringLocked: false,
  rank: 2,
  answer: {
    say: () => t`supply sinks now and then`,
    short: () => t`supply dip`,
    also: ["supply-drops", "supply-sags", "supply-dips"],
  },
  raster: () => t`Scatter: the loss comes with the supply and not with the wheel.`,
} as const satisfies FindingKind<{ usualV: number; leastV: number; times: number; withSignal: boolean }>;
