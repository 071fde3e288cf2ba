import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** The wheel whose pressure is released does not brake. */
export const pullsUnderBraking = {
  id: "pulls-under-braking",
  say: () => t`pulls to one side braking`,
  ratios: { rows: [{ effects: ["weak", "count"], times: 1.5 }] },
} as const satisfies Symptom;
