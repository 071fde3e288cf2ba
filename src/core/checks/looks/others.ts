import { t } from "../../words/words";
import type { Look } from "./look";

/** The other corners on the scan tool. */
export const others = {
  id: "others",
  instrument: "scan",
  state: {},
  label: () => t`the other corners`,
  sentence: () => t`Scan tool: do the other corners show good speeds and no codes?`,
  minutes: 3,
  glance: true,
  walk: 1,
  answers: {
    list: [
      { word: "only-this", say: () => t`the other corners are good`, short: () => t`only this`, also: ["one"] },
      {
        word: "several",
        say: () => t`other corners are down or coded too`,
        short: () => t`several`,
        also: ["all", "more"],
      },
    ],
    chances: ({ car }) => ({ several: Math.max(car.othersDown, 0.03) }),
  },
} as const satisfies Look;
