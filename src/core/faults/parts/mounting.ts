import { t } from "../../words/words";
import { stands, dust, wheel } from "../repair-words";
import { RARELY, type PartDefinition } from "./part";

/** How the sensor sits: seat, foot, gap. */
export const mounting = {
  id: "mounting",
  label: () => t`sensor mounting and gap`,
  prior: 0.14,
  cost: 90,
  habit: 6,
  act: "clean-reseat",
  sensorComesOut: true,
  wakes: { ...RARELY, bump: 0.3 },
  repair: {
    get title() {
      return t`Seat the sensor`;
    },
    get steps() {
      return [
        t`Wheel off. Penetrating oil on a seized sensor and its screw; seat the key fully in a rusted screw.`,
        t`Pry a plastic body gently, never by its lead. Take the rust scale off seat and bore down to metal.`,
        t`Anti-corrosion film in the bore. Seat the sensor flat; do not over-tighten. Replace a worn bracket or clip.`,
        wheel(),
      ];
    },
    newPart: [],
    cautions: [stands(), dust()],
    get torques() {
      return [t`sensor screw`, t`wheel nuts`];
    },
    partsCost: 10,
    labourMin: 40,
  },
} as const satisfies PartDefinition;
