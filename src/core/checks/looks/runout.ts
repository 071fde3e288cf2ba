import { t } from "../../words/words";
import type { Look } from "./look";

/** Total runout of the ring by dial gauge. */
export const runout = {
  id: "runout",
  instrument: "gauge",
  state: { key: "off" },
  label: () => t`ring runout`,
  sentence: () => t`Dial gauge on the ring, turn the hub once: total runout, in mm.`,
  minutes: 5,
  turnsWheel: true,
  needs: ["lift", "wheel-off"],
  cautions: ["raised"],
  readsMm: ({ ring }) => 2 * (ring.runoutMm - ring.playMm),
} as const satisfies Look;
