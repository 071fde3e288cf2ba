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
  glance: true,
  needs: ["nearest-plug"],
  cautions: ["raised"],
  live: true,
  ofTheMoment: true,
  answers: {
    list: [
      {
        word: "alike",
        say: () => t`same shape and size as the other side`,
        short: () => t`alike`,
        also: ["same", "equal", "identical", "matches"],
      },
      {
        word: "weaker",
        say: () => t`same shape, clearly smaller`,
        short: () => t`weaker`,
        also: ["smaller", "lower", "less", "half"],
      },
      {
        word: "none",
        say: () => t`nothing here, good on the other side`,
        short: () => t`none`,
        also: ["dead", "flat", "zero", "nothing"],
      },
      {
        word: "different",
        say: () => t`other levels, or pulses the other side does not lose`,
        short: () => t`different`,
      },
    ],
    chances: besideChances,
  },
} as const satisfies Look;

/** What is laid over the other side's good capture; a few lost pulses are overlooked now and then. */
function besideChances({ car, module, besideOther }: Seen): Record<string, number> {
  const { step, share, bothLevels } = besideOther();
  const { lostShare } = module();
  const { ring } = car;
  if (car.circuit.sensor.mode === "noisy") return { different: 0.95 };
  if (step < 0.02 || ring.absent || lostShare > 0.9) return { none: 0.95 };
  if (!bothLevels) return { different: 0.95 };
  const size = share < 0.65 ? "weaker" : "alike";
  if (ring.missing || ring.crack || lostShare > 0.02 || ring.wobble > 0.08) return { different: 0.85, [size]: 0.12 };
  // One tooth of fifty that is only a little off is overlooked by every other eye (engineering judgement).
  if (ring.odd) return { different: 0.5, [size]: 0.46 };
  // Much runout shows as a swing that some call another shape.
  return ring.runoutMm > 0.2 ? { different: 0.3, [size]: 0.65 } : { [size]: 0.95 };
}
