import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Runout under which a wave is not to be seen (engineering judgement). */
const SEEN_FROM_MM = 0.15;

/** A slow wave once a turn: the ring runs out, or the bearing has play. */
export const eccentric = {
  code: "eccentric",
  title: () => t`Excessive runout, or bearing play`,
  say: ({ wave, swing }) =>
    t`${
      wave === "period"
        ? t`Speed seems to swing by ${Math.round(swing * 100)} %`
        : wave === "height"
          ? t`The height swings by ${Math.round(swing * 100)} %`
          : t`The high share of a pulse swings by ${(swing * 100).toFixed(1)} % of a pulse, the gap with it,`
    } once a turn: excessive ring runout, or bearing play. Not a wire.`,
  ringLocked: true,
  rank: 8,
  answer: {
    say: () => t`slow wave once a turn`,
    short: () => t`eccentric`,
    also: ["swells", "wobble", "wobbles", "runout", "amplitude-modulated"],
  },
  raster: () => t`A slow wave once a turn: excessive ring runout, or bearing play.`,
  shows: ({ car }) => car.ring.runoutMm > SEEN_FROM_MM,
} as const satisfies FindingKind<{ wave: "period" | "height" | "duty"; swing: number }>;
