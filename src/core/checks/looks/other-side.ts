import { t } from "../../words/words";
import type { Look, Seen } from "./look";

/** This side's signal laid beside the other side's. */
export const otherSide = {
  id: "other-side",
  instrument: "compare",
  state: { wheel: "hand", speedKmh: 7 },
  label: () => t`beside the other side`,
  sentence: () =>
    t`Both wheels raised, key on, spun alike one turn a second: the same capture here and at the other side's plug. Lay one over the other.`,
  minutes: 6,
  needs: ["nearest-plug"],
  cautions: ["raised"],
  live: true,
  answers: {
    list: [
      { word: "alike", say: () => t`same shape and size as the other side`, short: () => t`alike`, also: ["same"] },
      { word: "weaker", say: () => t`same shape, clearly smaller`, short: () => t`weaker`, also: ["smaller"] },
      {
        word: "none",
        say: () => t`nothing here, good on the other side`,
        short: () => t`none`,
        also: ["dead", "flat", "zero"],
      },
      {
        word: "different",
        say: () => t`other levels, or pulses the other side does not lose`,
        short: () => t`different`,
      },
    ],
    chances: (seen) => ({ [besideWord(seen)]: 0.95 }),
  },
} satisfies Look;

function besideWord({ car, module, besideOther }: Seen): string {
  const { step, share, bothLevels } = besideOther();
  const { lostShare } = module();
  if (car.circuit.sensor.mode === "noisy") return "different";
  if (step < 0.02 || car.ring.absent || lostShare > 0.9) return "none";
  if (car.ring.missing || car.ring.crack || lostShare > 0.02 || !bothLevels) return "different";
  return share < 0.65 ? "weaker" : "alike";
}
