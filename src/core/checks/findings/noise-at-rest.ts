import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Nothing in it repeats with a wheel. */
export const noiseAtRest = {
  code: "noise-at-rest",
  title: () => t`Noise without a wheel`,
  say: () => t`Only noise: nothing in it repeats with a wheel. A leaking coil, or the probe's ground.`,
  ringLocked: false,
  rank: 0,
  answer: {
    say: () => t`noise with the wheel at rest`,
    short: () => t`noise at rest`,
    also: ["noise-standing", "noise-with-wheel-stopped", "hash-at-rest"],
  },
  shows: ({ car }) => car.circuit.sensor.mode === "noisy",
} as const satisfies FindingKind<Record<string, never>>;
