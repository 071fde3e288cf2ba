import { t } from "../../words/words";
import type { Look } from "./look";

/** The sensor in its seat, tugged. */
export const sensor = {
  id: "sensor",
  instrument: "hands",
  state: { key: "off" },
  label: () => t`sensor, tugged`,
  sentence: () => t`Wheel off: try to rock and turn the sensor in its seat by hand.`,
  minutes: 1,
  needs: ["lift", "wheel-off"],
  cautions: ["raised"],
  walk: 8,
  answers: {
    list: [
      {
        word: "firm",
        say: () => t`sits firm in its seat`,
        short: () => t`firm`,
        also: ["tight", "good", "ok", "solid", "fixed", "fine"],
      },
      {
        word: "rocks",
        say: () => t`rocks or turns by hand`,
        short: () => t`rocks`,
        also: ["loose", "moves", "wobbles"],
      },
    ],
    chances: ({ sign }) => ({ rocks: Math.max(sign("sensor-loose"), 0.03) }),
  },
} as const satisfies Look;
