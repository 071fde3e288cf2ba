import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** A speed lost before the wheel stops is taken for a locking wheel. */
export const falseAbsLowSpeed = {
  id: "false-abs-low-speed",
  say: () => t`pedal buzzes in the last few km/h`,
  ratios: {
    rows: [
      { effects: ["weak", "count"], times: 4 },
      { parts: ["bearing"], times: 2.5 },
      { effects: ["erratic"], times: 1.5 },
    ],
    otherwise: 0.4,
  },
} as const satisfies Symptom;
