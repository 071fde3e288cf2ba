import { t } from "../../words/words";
import type { Look } from "./look";

/** A matching terminal drawn through each one of the sensor plug: a spread one does not grip. */
export const dragTest = {
  id: "drag-test",
  instrument: "hands",
  state: { key: "off", unplugged: ["plug"] },
  label: () => t`plug terminals, drag test`,
  sentence: () =>
    t`Sensor plug unplugged: draw a matching loose terminal through each of its terminals. Each must hold it with a light pull.`,
  minutes: 3,
  unplugs: true,
  answers: {
    list: [
      {
        word: "grips",
        say: () => t`every terminal grips`,
        short: () => t`grips`,
        also: ["tight", "ok", "good", "snug", "holds"],
      },
      {
        word: "loose",
        say: () => t`one is loose or falls through`,
        short: () => t`loose`,
        also: ["spread", "slips", "falls-through", "no-grip"],
      },
    ],
    chances: ({ car }) => ({ loose: car.circuit.contactOhms.at(-1)!.some((ohms) => ohms > SPREAD_OHMS) ? 0.85 : 0.04 }),
  },
} as const satisfies Look;

/** A contact over this stands open or barely touches. */
const SPREAD_OHMS = 10;
