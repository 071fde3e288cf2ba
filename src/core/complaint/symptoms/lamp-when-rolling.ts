import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** The module checks its signals only once wheels turn (from memory). */
export const lampWhenRolling = {
  id: "lamp-when-rolling",
  say: () => t`lamp comes on when rolling`,
  ratios: { rows: [{ effects: ["open", "ground", "power", "feed"], times: 0.7 }], otherwise: 1.5 },
} as const satisfies Symptom;
