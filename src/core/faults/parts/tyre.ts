import { t } from "../../words/words";
import { stands, wheel } from "../repair-words";
import { RARELY, type PartDefinition } from "./part";

/** Tyre size and ring count. */
export const tyre = {
  id: "tyre",
  label: () => t`tyre or ring count`,
  prior: 0.01,
  cost: 110,
  habit: 9,
  act: "fit-tyre",
  wakes: RARELY,
  repair: {
    get title() {
      return t`Fit like tyres`;
    },
    get steps() {
      return [
        t`Same size and like wear on the axle, pressures as the plate says.`,
        t`Reset what the maker says must be reset.`,
        wheel(),
      ];
    },
    get newPart() {
      return [t`Size on the side wall.`];
    },
    cautions: [stands()],
    get torques() {
      return [t`wheel nuts`];
    },
    partsCost: 90,
    labourMin: 25,
  },
} as const satisfies PartDefinition;
