import { t } from "../../words/words";
import { activeFamilies } from "../../faults/fault";
import type { Look } from "./look";

/** The supply at another corner's sensor plug: what feeds all of them is low at each, a channel only at its own. */
export const otherSupply = {
  id: "other-supply",
  instrument: "compare",
  state: {},
  families: activeFamilies,
  label: () => t`supply at the other side`,
  sentence: () =>
    t`Key on: DC volts from the supply wire at the other side's sensor plug to battery −. Is it what this side ought to have, low, or none?`,
  minutes: 5,
  glance: true,
  ofTheCar: true,
  ofTheMoment: true,
  answers: {
    list: [
      {
        word: "good",
        say: () => t`good at the other side`,
        short: () => t`good`,
        also: ["ok", "there", "fine", "present"],
      },
      { word: "low", say: () => t`low at the other side too`, short: () => t`low`, also: ["weak"] },
      {
        word: "none",
        say: () => t`none at the other side either`,
        short: () => t`none`,
        also: ["dead", "zero", "missing", "absent"],
      },
    ],
    chances: ({ car }) => {
      const shared = Math.max(car.othersDown, 0.02);
      return { low: 0.7 * shared, none: 0.3 * shared };
    },
  },
} as const satisfies Look;
