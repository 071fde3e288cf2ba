import { t } from "../../words/words";
import { stands, wheel } from "../repair-words";
import { type PartDefinition } from "./part";

/** The wheel bearing. */
export const bearing = {
  id: "bearing",
  label: () => t`wheel bearing`,
  prior: 0.06,
  cost: 330,
  habit: 2,
  act: "fit-bearing",
  wakes: { bump: 0.6, turn: 0.95, wet: 0.12, heat: 0.25 },
  repair: {
    get title() {
      return t`Replace the wheel bearing`;
    },
    get steps() {
      return [
        t`Hub out as the maker describes.`,
        t`New bearing, encoder face toward the sensor where it has one.`,
        t`No play, turns freely, nothing touches the sensor.`,
        wheel(),
      ];
    },
    get newPart() {
      return [t`Encoder side under the viewing film.`, t`Count of poles as listed.`];
    },
    get cautions() {
      return [stands(), t`A bearing with play can let the wheel go: the car is not driven until it is done.`];
    },
    get torques() {
      return [t`hub nut`, t`caliper carrier`, t`wheel nuts`];
    },
    partsCost: 110,
    labourMin: 150,
  },
} as const satisfies PartDefinition;
