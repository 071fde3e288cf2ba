import { t } from "../../words/words";
import { stands, battery } from "../repair-words";
import { type PartDefinition } from "./part";

/** The wires between the plugs. */
export const harness = {
  id: "harness",
  label: () => t`wiring`,
  prior: 0.16,
  cost: 160,
  habit: 5,
  act: "splice",
  wakes: { bump: 0.6, turn: 0.55, wet: 0.36, heat: 0.15 },
  repair: {
    get title() {
      return t`Repair the wire`;
    },
    get steps() {
      return [
        battery(),
        t`Cut back to bright copper both ways; black strands go too.`,
        t`New wire of the same size, sealed heat-shrink joints, neighbours' joints set apart, the pair's twist kept.`,
        t`Re-sleeve and clip clear of exhaust, springs and edges, with slack for full travel.`,
        t`Measure end to end, to ground and under a lamp again.`,
      ];
    },
    newPart: [],
    get cautions() {
      return [
        t`Eye protection when cutting.`,
        stands(),
        t`Hot air and soldering away from fuel, brake hoses and the canister.`,
        t`Airbag and orange cables are not for this job.`,
      ];
    },
    torques: [],
    partsCost: 15,
    labourMin: 90,
  },
} as const satisfies PartDefinition;
