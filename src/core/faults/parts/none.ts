import { t } from "../../words/words";
import { RARELY, type PartDefinition } from "./part";

/** Nothing wrong at this corner. */
export const nothing = {
  id: "none",
  label: () => t`nothing wrong at this corner`,
  prior: 0.01,
  cost: 0,
  habit: 10,
  wakes: RARELY,
  repair: {
    get title() {
      return t`Nothing to repair at this corner`;
    },
    get steps() {
      return [
        t`Clear the codes, drive, and see whether they come back.`,
        t`Look at the other corners, and at what the code really says.`,
      ];
    },
    newPart: [],
    cautions: [],
    torques: [],
    partsCost: 0,
    labourMin: 20,
  },
} as const satisfies PartDefinition;
