import type { Hookup } from "../checks/hookup";
import type { CornerSetup } from "../circuit/setup";
import { toScale } from "../observation/scale";
import { typedValue } from "../observation/typed-value";

/**
 * Place of what is being typed on a forecast strip's axis, 0 to 1, without asking the line-up: it moves with the key.
 * @param axis ends on the scale readings are compared on @returns null for words, OL, and what cannot be read yet
 */
export function needleAt(
  hookup: Hookup,
  axis: { low: number; high: number } | null,
  typed: string,
  setup: CornerSetup,
): number | null {
  if (!axis || typed.trim() === "") return null;
  const read = typedValue(hookup, typed, setup);
  if (!read.ok || read.observed.value.kind === "word" || read.observed.value.kind === "over-limit") return null;
  const { value } = read.observed;
  const shown = value.kind === "range" ? value.high : value.value;
  const at = (toScale(hookup.instrument, shown) - axis.low) / (axis.high - axis.low);
  return Math.max(0, Math.min(1, at));
}
