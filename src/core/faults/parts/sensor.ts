import { t } from "../../words/words";
import { stands, dust, wheel } from "../repair-words";
import { type PartDefinition } from "./part";

/** The sensor itself. */
export const sensor = {
  id: "sensor",
  label: () => t`sensor`,
  prior: 0.18,
  cost: 220,
  habit: 1,
  act: "fit-sensor",
  sensorComesOut: true,
  wakes: { bump: 0.28, turn: 0.15, wet: 0.15, heat: 0.6 },
  repair: {
    get title() {
      return t`Replace the sensor`;
    },
    get steps() {
      return [
        t`Wheel off. Unclip the lead and unplug it.`,
        t`Clean round the sensor before it comes out; soak a seized one and twist, do not pull at the lead.`,
        t`Clean the bore and the seat. Anti-corrosion film in the bore.`,
        t`Fit the new sensor flat and clip its lead exactly as the old one lay, with slack for full lock and travel.`,
        wheel(),
      ];
    },
    get newPart() {
      return [
        t`Same family, plug and lead length.`,
        t`Plug clean, seal there, terminals straight.`,
        t`A new sensor that is dead is unlikely but has happened: measure it before blaming anything else.`,
      ];
    },
    get cautions() {
      return [stands(), dust(), t`A seized sensor can break on its way out: say so in the quote.`];
    },
    get torques() {
      return [t`sensor screw`, t`wheel nuts`];
    },
    partsCost: 70,
    labourMin: 75,
  },
} as const satisfies PartDefinition;
