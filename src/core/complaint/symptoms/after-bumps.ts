import { t } from "../../words/words";
import type { Symptom } from "./symptom";

/** What the driver says brings it on weighs as a check that provokes it so would. */
export const afterBumps = {
  id: "after-bumps",
  say: () => t`after bumps`,
  ratios: { wake: "bump", least: 0.5, most: 2.5 },
} as const satisfies Symptom;
