import { t } from "../words/words";

/** Why a check is put off; each reason also puts off what fails for the same cause. */
export const skipReasons = [
  "can't reach it",
  "no tool for it",
  "not raised now",
  "too cold to lift",
  "would do harm",
] as const;
export type SkipReason = (typeof skipReasons)[number];

/** Each as it is offered; the log keeps the English, by which the plan goes. */
export const skipWords: Record<SkipReason, string> = {
  "can't reach it": t`can't reach it`,
  "no tool for it": t`no tool for it`,
  "not raised now": t`not raised now`,
  "too cold to lift": t`too cold to lift`,
  "would do harm": t`would do harm`,
};
