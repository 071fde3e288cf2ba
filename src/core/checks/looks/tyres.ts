import { t } from "../../words/words";
import type { Look } from "./look";

/** The four tyres. */
export const tyres = {
  id: "tyres",
  instrument: "eyes",
  state: { key: "off" },
  label: () => t`tyre sizes`,
  sentence: () => t`Read all four tyre sizes and wear.`,
  minutes: 1,
  walk: 2,
  ofTheCar: true,
  answers: {
    list: [
      {
        word: "alike",
        say: () => t`all four sizes alike`,
        short: () => t`alike`,
        also: ["same", "equal", "identical", "matching"],
      },
      {
        word: "different",
        say: () => t`this one is another size`,
        short: () => t`different`,
        also: ["other", "odd", "mixed"],
      },
    ],
    chances: ({ sign }) => ({ different: Math.max(sign("wrong-tyre"), 0.02) }),
  },
} as const satisfies Look;
