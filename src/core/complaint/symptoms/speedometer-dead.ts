import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** Some cars take the speedometer from this wheel: a signal that is gone or wrong kills it, one merely weak may not. */
export const speedometerDead = {
  id: "speedometer-dead",
  say: () => t`speedometer dead`,
  ratios: { rows: [{ effects: ["weak", "count"], times: 0.6 }], otherwise: 1.3 },
} as const satisfies Symptom;
