import type { CornerSetup } from "../circuit/setup";
import { hookupOfLook } from "./catalogue";
import type { Hookup } from "./hookup";
import { looksOf } from "./looks/looks";

/** The looks and feels of one corner in the order a person walks it: nothing opened first, wheel off once, sensor last. */
export function walkRound(setup: CornerSetup): Hookup[] {
  return looksOf(setup)
    .filter(({ walk }) => walk !== undefined)
    .sort((a, b) => a.walk! - b.walk!)
    .map(hookupOfLook);
}
