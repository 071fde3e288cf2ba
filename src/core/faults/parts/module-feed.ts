import { t } from "../../words/words";
import { battery } from "../repair-words";
import { type PartDefinition } from "./part";

/** What feeds the module, and its ground. */
export const moduleFeed = {
  id: "module-feed",
  label: () => t`module supply or ground`,
  prior: 0.03,
  cost: 120,
  habit: 7,
  act: "mend-feed",
  shared: true,
  wakes: { bump: 0.28, turn: 0.1, wet: 0.25, heat: 0.25 },
  repair: {
    get title() {
      return t`Repair the module's feed or ground`;
    },
    get steps() {
      return [
        t`Fuse, fuse holder and link under load.`,
        t`Ground point to bright metal, screwed home, protected.`,
        t`Volts at the module's own pins under load again.`,
      ];
    },
    newPart: [],
    cautions: [battery()],
    get torques() {
      return [t`ground point`];
    },
    partsCost: 15,
    labourMin: 75,
  },
} as const satisfies PartDefinition;
