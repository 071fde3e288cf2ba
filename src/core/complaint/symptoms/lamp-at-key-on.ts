import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** The module checks its circuits at key-on (from memory). */
export const lampAtKeyOn = {
  id: "lamp-at-key-on",
  say: () => t`lamp comes on with the key`,
  ratios: { rows: [{ effects: ["open", "ground", "power", "feed"], times: 1.8 }], otherwise: 0.6 },
} as const satisfies Symptom;
