import { t } from "../../words/words";
import type { Look } from "./look";

/** Teeth or poles counted once round. */
export const count = {
  id: "count",
  instrument: "eyes",
  state: { key: "off" },
  label: () => t`teeth counted`,
  sentence: () => t`Wheel off: mark one tooth and count once round, or count the poles under film.`,
  minutes: 5,
  turnsWheel: true,
  needs: ["lift", "wheel-off"],
  cautions: ["raised"],
  answers: {
    list: [
      {
        word: "as-listed",
        say: () => t`teeth or poles as the maker lists`,
        short: () => t`as listed`,
        also: ["right", "ok", "same", "correct", "matches"],
      },
      { word: "other", say: () => t`another number`, short: () => t`other`, also: ["wrong", "different"] },
    ],
    chances: ({ sign }) => ({ other: Math.max(sign("ring-count"), 0.02) }),
  },
} as const satisfies Look;
