import { t } from "../../words/words";
import { activeFamilies } from "../../faults/fault";
import type { Look } from "./look";

/** The encoder under magnetic viewing film. */
export const encoder = {
  id: "encoder",
  instrument: "film",
  state: { key: "off" },
  families: activeFamilies,
  label: () => t`encoder under film`,
  sentence: () =>
    t`Wheel off, lay the viewing film on the encoder and turn the hub once: even stripes, a gap, or none.`,
  minutes: 1,
  turnsWheel: true,
  needs: ["lift", "wheel-off"],
  cautions: ["raised"],
  walk: 10,
  answers: {
    list: [
      {
        word: "whole",
        say: () => t`even stripes all round`,
        short: () => t`whole`,
        also: ["intact", "good", "ok", "even", "complete", "regular"],
      },
      {
        word: "gap",
        say: () => t`a gap or crack in the stripes`,
        short: () => t`gap`,
        also: ["missing", "cracked", "broken", "damaged", "hole", "scratched", "chipped"],
      },
      {
        word: "no-stripes",
        say: () => t`no stripes on this side`,
        short: () => t`no stripes`,
        also: ["none", "blank", "nothing", "smooth"],
      },
    ],
    chances: ({ car, sign }) => ({
      gap: car.ring.missing || car.ring.crack ? sign("encoder-gap") : 0.01,
      "no-stripes": car.ring.absent ? sign("encoder-gap") : 0.01,
    }),
  },
} as const satisfies Look;
