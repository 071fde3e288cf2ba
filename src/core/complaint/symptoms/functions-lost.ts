import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** Functions that hang on wheel speed are lost with any of these faults. */
export const functionsLost = {
  id: "functions-lost",
  say: () => t`traction, cruise or hill hold lost`,
  ratios: { rows: [] },
} as const satisfies Symptom;
