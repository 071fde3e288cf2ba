import { msgid, ngettext, t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** The probe was touched. */
export const probeSpike = {
  code: "probe-spike",
  title: () => t`Probe moved`,
  say: ({ spikes, atS }) =>
    t`${spikes === 1 ? t`One spike` : ngettext(msgid`${spikes} spike`, `${spikes} spikes`, spikes)} far beyond both levels at ${atS.toFixed(2)} s: the probe moved. Not a fault.`,
  ringLocked: false,
  innocent: true,
} as const satisfies FindingKind<{ spikes: number; atS: number }>;
