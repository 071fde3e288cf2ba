import { t } from "../../words/words";
import { battery } from "../repair-words";
import { type PartDefinition } from "./part";

/** The module and its inputs. */
export const modulePart = {
  id: "module",
  label: () => t`module`,
  prior: 0.01,
  cost: 900,
  habit: 8,
  act: "fit-module",
  wakes: { bump: 0.2, turn: 0.1, wet: 0.15, heat: 0.4 },
  repair: {
    get title() {
      return t`Replace or repair the module`;
    },
    get steps() {
      return [
        t`Once more: its own supplies and grounds under load, and the corner's wires and sensor, are proven good.`,
        t`Follow the maker's procedure for changing, coding and bleeding.`,
      ];
    },
    get newPart() {
      return [t`Part number and coding for this car.`];
    },
    get cautions() {
      return [t`Brake hydraulics: local law may reserve this to licensed people.`, battery()];
    },
    get torques() {
      return [t`brake lines`, t`module bracket`];
    },
    partsCost: 650,
    labourMin: 180,
  },
} as const satisfies PartDefinition;
