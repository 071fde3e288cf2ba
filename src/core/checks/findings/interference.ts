import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Hash over a good signal. */
export const interference = {
  code: "interference",
  title: () => t`Hash`,
  say: ({ rmsV }) =>
    t`Hash of ${Math.round(1000 * rmsV)} mV RMS rides on it all the time, not locked to the ring. Clip the probe's ground at the sensor's own ground and look again before blaming a wire.`,
  ringLocked: false,
  as: "clean",
} as const satisfies FindingKind<{ rmsV: number }>;
