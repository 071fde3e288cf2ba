import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** The warning lamp: every customer has it, so it says nothing of which fault. */
export const lamp = {
  id: "lamp",
  say: () => t`lamp lit`,
  ratios: { rows: [] },
} as const satisfies Symptom;
