import { t } from "../../words/words";
import type { Look } from "./look";

/** The air gap by feeler gauge. */
export const gap = {
  id: "gap",
  instrument: "gauge",
  state: { key: "off" },
  label: () => t`air gap`,
  sentence: () =>
    t`Wheel off: feeler gauge, non-magnetic, between sensor tip and ring; the thickest blade that slides, in mm.`,
  minutes: 3,
  needs: ["lift", "wheel-off"],
  cautions: ["raised"],
  walk: 11,
  readsMm: ({ ring }) => ring.gapMm,
} as const satisfies Look;
