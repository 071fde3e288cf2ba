import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** What the driver says brings it on weighs as a check that provokes it so would. */
export const whenHot = {
  id: "when-hot",
  say: () => t`when hot`,
  ratios: { wake: "heat", least: 0.5, most: 2.5 },
} as const satisfies Symptom;
