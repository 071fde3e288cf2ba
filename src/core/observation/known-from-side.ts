import { isCurrentRatio } from "../circuit/current-ratio";
import type { CornerSetup } from "../circuit/setup";
import { cornerWords, type Corner } from "../units/corner";
import { parseRange } from "../units/reading";
import type { Reading } from "./reading";
import { t } from "../words/words";

/** Both levels of the other side's return, where they were seen to toggle: the next best thing to the maker's figure. */
export function knownFromSide(readings: readonly Reading[], side: Corner): NonNullable<CornerSetup["known"]> | null {
  for (const { instrument, red, value } of readings) {
    if (instrument !== "volts-dc" || !red?.endsWith(".return")) continue;
    const range = parseRange(String(value), "volts");
    if (!range?.ok) continue;
    const { low: lowV, high: highV } = range.value;
    // Levels that stand otherwise apart are no reference.
    if (isCurrentRatio(highV / lowV)) return { from: t`the other side, ${cornerWords[side]}`, side, lowV, highV };
  }
  return null;
}
