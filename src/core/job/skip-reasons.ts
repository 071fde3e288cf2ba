/** Why a check is put off; each reason also puts off what fails for the same cause. */
export const skipReasons = [
  "can't reach it",
  "no tool for it",
  "not raised now",
  "too cold to lift",
  "would do harm",
] as const;
export type SkipReason = (typeof skipReasons)[number];
