import { t } from "../words/words";

/** Why a check is put off; each reason also puts off what fails for the same cause. */
export const skipReasons = [
  "can't reach it",
  "no tool for it",
  "not raised now",
  "too cold to lift",
  "would do harm",
  "could not see",
] as const;
export type SkipReason = (typeof skipReasons)[number];

/** Those a measurement can be put off for; a thing to look at is seen or not. */
export const benchReasons = skipReasons.filter((reason) => reason !== "could not see");

/** Each as it is offered; the log keeps the English, by which the plan goes. */
export const skipWords: Record<SkipReason, string> = {
  get "can't reach it"() {
    return t`can't reach it`;
  },
  get "no tool for it"() {
    return t`no tool for it`;
  },
  get "not raised now"() {
    return t`not raised now`;
  },
  get "too cold to lift"() {
    return t`too cold to lift`;
  },
  get "would do harm"() {
    return t`would do harm`;
  },
  get "could not see"() {
    return t`could not see`;
  },
};
