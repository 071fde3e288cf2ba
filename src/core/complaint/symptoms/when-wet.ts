import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** What the driver says brings it on weighs as a check that provokes it so would. */
export const whenWet = {
  id: "when-wet",
  say: () => t`when wet`,
  ratios: { wake: "wet", least: 0.5, most: 2.5 },
} as const satisfies Symptom;
