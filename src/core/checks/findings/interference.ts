import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Hash over a good signal. */
export const interference = {
  code: "interference",
  title: () => t`Hash`,
  say: ({ rmsV, whileS, hides }) =>
    hides
      ? t`Hash of ${rmsV.toFixed(1)} V RMS hides whatever the wheel does: more than a leaking coil picks up. Clip the probe's ground at the sensor's own ground, keep the lead off coils and cables, record again.`
      : whileS
        ? t`Hash of ${Math.round(1000 * rmsV)} mV RMS rides on it from ${whileS[0].toFixed(1)} s to ${whileS[1].toFixed(1)} s, not locked to the ring. Find what ran just then, a pump or a fan, before blaming a wire.`
        : t`Hash of ${Math.round(1000 * rmsV)} mV RMS rides on it all the time, not locked to the ring. Clip the probe's ground at the sensor's own ground and look again before blaming a wire.`,
  ringLocked: false,
  as: "clean",
} as const satisfies FindingKind<{ rmsV: number; whileS?: readonly [from: number, to: number]; hides?: boolean }>;
