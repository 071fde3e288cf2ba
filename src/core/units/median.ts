import { median as middleOf } from "simple-statistics";

/** The middle value, the mean of the middle two for an even count; NaN of nothing. The list is left as it is. */
export function median(values: readonly number[]): number {
  return values.length === 0 ? NaN : middleOf([...values]);
}
