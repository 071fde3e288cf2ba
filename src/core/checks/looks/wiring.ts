import { t } from "../../words/words";
import { FALSE_ALARM, type Look } from "./look";

/** The loom, by eye and hand. */
export const wiring = {
  id: "wiring",
  instrument: "eyes",
  state: { key: "off" },
  label: () => t`wiring along its clips`,
  sentence: () =>
    t`Follow the wire by eye and hand along its clips, sensor to frame rail: chafe, stretch, melt, old repairs.`,
  minutes: 5,
  walk: 5,
  answers: {
    list: [
      {
        word: "sound",
        say: () => t`sound along all its clips`,
        short: () => t`sound`,
        also: ["good", "ok", "intact", "fine", "undamaged"],
      },
      {
        word: "damaged",
        say: () => t`chafed, stretched, melted or repaired`,
        short: () => t`damaged`,
        also: ["chafed", "cut", "broken", "melted", "rubbed", "frayed", "burnt", "pinched", "corroded"],
      },
    ],
    chances: ({ sign }) => ({ damaged: Math.max(sign("wiring-damaged"), FALSE_ALARM) }),
  },
} as const satisfies Look;
