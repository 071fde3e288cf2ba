import { t } from "../../words/words";
import type { Wake } from "../../faults/wake";
import { steadyOrJumps } from "./wiggle";
import type { Look, Seen, LookCaution } from "./look";

const LABELS: Record<Wake, () => string> = {
  bump: () => t`bounced`,
  turn: () => t`steered lock to lock`,
  wet: () => t`wetted`,
  heat: () => t`warmed`,
};
const SENTENCES: Record<Wake, () => string> = {
  bump: () =>
    t`Back-probed and watched, key on: push the corner down hard and let it bounce, then tap the loom. Does the reading jump?`,
  turn: () => t`Back-probed and watched, key on: steer slowly from lock to lock. Does the reading jump?`,
  wet: () =>
    t`Back-probed and watched, key on: mist the plugs and the loom with salt water, except the module. Does the reading jump?`,
  heat: () =>
    t`Back-probed and watched, key on: warm the sensor and its lead with hot air, as warm as a hand bears. Does the reading jump?`,
};

const CAUTIONS: Partial<Record<Wake, readonly LookCaution[]>> = {
  wet: ["salt-water"],
  heat: ["hot-air"],
  bump: ["moving-parts"],
  turn: ["moving-parts"],
};

/** The whole corner bounced, steered, wetted or warmed while a reading is watched. */
export const provoke = (wake: Wake): Look => ({
  id: `wake-${wake}`,
  instrument: "hands",
  state: {},
  label: LABELS[wake],
  sentence: SENTENCES[wake],
  minutes: 6,
  ...(CAUTIONS[wake] ? { cautions: CAUTIONS[wake] } : {}),
  answers: { list: steadyOrJumps, chances: (seen) => ({ jumps: jumps(seen, wake) }) },
});

function jumps({ car, where: { comesAndGoes, wakes } }: Seen, wake: Wake): number {
  const moves =
    (wake === "bump" || wake === "turn") && (car.ring.wobble > 0.08 || (car.signs["bearing-play"] ?? 0) > 0.3);
  return comesAndGoes ? Math.max(0.03, 0.9 * wakes[wake]) : moves ? SHOWN_STANDING * wakes[wake] : 0.03;
}

/** Play that is there all the time mostly leaves a standing wheel's reading alone, whatever is done to the corner (judgement). */
const SHOWN_STANDING = 0.25;
