import { t } from "../../words/words";
import type { Look } from "./look";

/** The wheel bearing, rocked with and without the brake. */
export const bearing = {
  id: "bearing",
  instrument: "hands",
  state: { key: "off" },
  label: () => t`bearing, rocked`,
  sentence: () => t`Wheel raised: rock it at 12–6 and 3–9, then again with a helper on the brake.`,
  minutes: 1,
  turnsWheel: true,
  needs: ["lift"],
  cautions: ["raised", "play"],
  walk: 6,
  answers: {
    list: [
      {
        word: "tight",
        say: () => t`no play either way`,
        short: () => t`tight`,
        also: ["none", "no-play", "firm", "good", "ok", "sound", "solid", "nothing"],
      },
      {
        word: "play",
        say: () => t`play that goes when a helper holds the brake`,
        short: () => t`play`,
        also: ["loose", "rocks", "worn", "wobbles", "knocks", "slack"],
      },
      {
        word: "play-stays",
        say: () => t`play that stays under the brake: ball joint or steering`,
        short: () => t`play stays`,
        also: ["ball-joint", "stays"],
      },
    ],
    chances: ({ sign }) => ({ play: Math.max(sign("bearing-play"), 0.03), "play-stays": 0.02 }),
  },
} as const satisfies Look;
