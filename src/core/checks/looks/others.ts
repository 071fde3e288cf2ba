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
  // The same codes stand in the same memory.
  alike: 0.9,
  walk: 1,
  ofTheCar: true,
  answers: {
    list: [
      {
        word: "only-this",
        say: () => t`the other corners are good`,
        short: () => t`only this`,
        also: ["one", "alone", "just-this", "single"],
      },
      {
        word: "several",
        say: () => t`other corners are down or coded too`,
        short: () => t`several`,
        also: ["all", "more", "two", "both", "others-too"],
      },
    ],
    chances: ({ car }) => ({ several: Math.max(car.othersDown, ANOTHER_TOO) }),
  },
} as const satisfies Look;

/**
 * How often a car with a fault of its own at one corner has another at another: salt reaches both sides (engineering
 * judgement; a second fault is a practice car's as often).
 */
const ANOTHER_TOO = 0.1;
