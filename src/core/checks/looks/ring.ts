import { t } from "../../words/words";
import type { Look } from "./look";

/** The tone ring, seen. */
export const ring = {
  id: "ring",
  instrument: "eyes",
  state: { key: "off" },
  label: () => t`tone ring, seen`,
  sentence: () => t`Wheel off, turn the hub slowly and look at the whole ring: teeth gone, cracks, packed rust.`,
  minutes: 1,
  turnsWheel: true,
  needs: ["lift", "wheel-off"],
  cautions: ["raised"],
  walk: 9,
  answers: {
    list: [
      {
        word: "intact",
        say: () => t`whole and clean`,
        short: () => t`intact`,
        also: ["whole", "good", "ok", "complete", "fine", "undamaged"],
      },
      {
        word: "missing",
        say: () => t`teeth or a chunk gone`,
        short: () => t`missing`,
        also: ["broken", "missing-tooth", "chipped"],
      },
      { word: "cracked", say: () => t`cracked`, short: () => t`cracked`, also: ["crack", "split"] },
      {
        word: "debris",
        say: () => t`packed or bent`,
        short: () => t`debris`,
        also: ["dirty", "packed", "rust", "rusty", "bent"],
      },
    ],
    chances: ({ car, sign }) => ({
      missing:
        car.ring.missing || car.ring.absent
          ? Math.max(sign("ring-damaged"), 0.01)
          : car.ring.crack
            ? CRACK_CALLED_BROKEN
            : 0.01,
      cracked: car.ring.crack ? sign("ring-damaged") : 0.01,
      // On salt roads rust and dirt lie on good rings too (engineering judgement).
      debris: Math.max(sign("ring-debris"), 0.08),
    }),
  },
} as const satisfies Look;

/** A ring that is cracked through is "broken" to many (engineering judgement). */
const CRACK_CALLED_BROKEN = 0.1;
