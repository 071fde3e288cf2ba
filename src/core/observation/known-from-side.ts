import type { CornerSetup } from "../circuit/setup";
import { cornerWords, type Corner } from "../units/corner";
import { parseRange } from "../units/reading";
import type { Reading } from "./reading";
import { t } from "../words/words";

/** Two currents of one sensor stand 1.9 to 2.2 apart (data sheets, from memory): levels further off are no reference. */
const GOOD_RATIO = [1.7, 2.4] as const;

/** Both levels of the other side's return, where they were seen to toggle: the next best thing to the maker's figure. */
export function knownFromSide(readings: readonly Reading[], side: Corner): NonNullable<CornerSetup["known"]> | null {
  for (const { instrument, red, value } of readings) {
    if (instrument !== "volts-dc" || !red?.endsWith(".return")) continue;
    const range = parseRange(String(value), "volts");
    if (!range?.ok) continue;
    const { low: lowV, high: highV } = range.value;
    if (highV > GOOD_RATIO[0] * lowV && highV < GOOD_RATIO[1] * lowV)
      return { from: t`the other side, ${cornerWords[side]}`, side, lowV, highV };
  }
  return null;
}
