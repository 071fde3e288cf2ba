import { t } from "../../words/words";
import type { Look } from "./look";

/** The face of the sensor, taken out. */
export const face = {
  id: "face",
  instrument: "eyes",
  state: { key: "off" },
  label: () => t`sensor face`,
  sentence: () => t`Remove the sensor and look at its face: rubbed, slanted, iron dust.`,
  minutes: 1,
  turnsWheel: true,
  needs: ["lift", "wheel-off", "sensor-out"],
  cautions: ["raised", "sensor-out"],
  walk: 12,
  answers: {
    list: [
      {
        word: "clean",
        say: () => t`clean and even`,
        short: () => t`clean`,
        also: ["good", "ok", "fine", "smooth", "undamaged"],
      },
      {
        word: "worn",
        say: () => t`rubbed at a slant`,
        short: () => t`worn`,
        also: ["rubbed", "slanted", "scored", "scraped", "scratched"],
      },
      {
        word: "debris",
        say: () => t`iron dust on it`,
        short: () => t`debris`,
        also: ["dirty", "swarf", "filings", "metal", "fuzz", "rust", "rusty"],
      },
    ],
    chances: ({ sign }) => ({
      worn: Math.max(sign("sensor-worn"), 0.02),
      debris: Math.max(sign("ring-debris") * 0.6, 0.05),
    }),
  },
} as const satisfies Look;
