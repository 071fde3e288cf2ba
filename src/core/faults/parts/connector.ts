import { t } from "../../words/words";
import { battery } from "../repair-words";
import { type PartDefinition } from "./part";

/** Plugs and their terminals. */
export const connector = {
  id: "connector",
  label: () => t`connector`,
  prior: 0.18,
  cost: 110,
  habit: 4,
  act: "renew-terminal",
  wakes: { bump: 0.6, turn: 0.3, wet: 0.6, heat: 0.15 },
  repair: {
    get title() {
      return t`Repair the connector`;
    },
    get steps() {
      return [
        battery(),
        t`Dry and clean it; bring spread terminals to tension, replace corroded ones or fit a pigtail.`,
        t`Seals and latch whole; a cable tie is no latch.`,
        t`Tug each wire, plug together until it clicks.`,
      ];
    },
    get newPart() {
      return [t`Terminals of the same size and plating.`, t`Seals there.`];
    },
    get cautions() {
      return [t`Electronics cleaner only.`];
    },
    torques: [],
    partsCost: 25,
    labourMin: 60,
  },
} as const satisfies PartDefinition;
