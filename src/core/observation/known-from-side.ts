import * as z from "zod/mini";
import type { CornerSetup } from "../circuit/setup";
import { cornerWords, type Corner } from "../units/corner";
import { parseRange } from "../units/reading";
import { t } from "../words/words";

const toggledSchema = z.object({
  instrument: z.literal("volts-dc"),
  red: z.string().check(z.regex(/\.return$/)),
  value: z.string(),
});

/** Two currents of one sensor stand 1.9 to 2.2 apart (data sheets, from memory): levels further off are no reference. */
const GOOD_RATIO = [1.7, 2.4] as const;

/** Both levels of the other side's return, where they were seen to toggle: the next best thing to the maker's figure. */
export function knownFromSide(readings: readonly unknown[], side: Corner): NonNullable<CornerSetup["known"]> | null {
  for (const reading of readings) {
    const toggled = toggledSchema.safeParse(reading);
    const range = toggled.success ? parseRange(toggled.data.value, "volts") : null;
    if (!range?.ok) continue;
    const { low: lowV, high: highV } = range.value;
    if (highV > GOOD_RATIO[0] * lowV && highV < GOOD_RATIO[1] * lowV)
      return { from: t`the other side, ${cornerWords[side]}`, side, lowV, highV };
  }
  return null;
}
