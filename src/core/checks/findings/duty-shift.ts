import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** High and low uneven: the field is near the sensor's switching points. */
export const dutyShift = {
  code: "duty-shift",
  title: () => t`High and low uneven`,
  say: ({ dutyPct }) =>
    t`High for ${Math.round(dutyPct)} % of the time instead of about half: the air gap is too large, or the encoder is weak.`,
  ringLocked: false,
  rank: 10,
  answer: { say: () => t`high and low uneven`, short: () => t`duty shift`, also: ["duty", "duty-off"] },
} as const satisfies FindingKind<{ dutyPct: number }>;
