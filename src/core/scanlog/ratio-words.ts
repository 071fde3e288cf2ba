import { t } from "../words/words";
/** Ring counts further from the right one than this are not fitted by mistake. */
const MOST_TEETH_OFF = 6;
const CLOSE = 0.0025;

/**
 * Explains a steady speed ratio with its arithmetic: a ring of n teeth where m are expected reads n/m; a tyre whose
 * circumference is short by some percent reads fast by as much.
 * @param pulses of a turn that belong; undefined when nobody knows
 */
export function ratioWords(ratio: number, pulses: number | undefined): string {
  const tyre = t`a tyre ${(Math.abs(1 / ratio - 1) * 100).toFixed(1)} % ${ratio > 1 ? t`smaller` : t`larger`} round`;
  if (pulses === undefined) return t`${tyre}, or another count of teeth`;
  for (let off = 1; off <= MOST_TEETH_OFF; off++) {
    const teeth = ratio > 1 ? pulses + off : pulses - off;
    if (Math.abs(teeth / pulses - ratio) < CLOSE)
      return t`${tyre}, or a ring of ${teeth} where ${pulses} belong (${teeth}/${pulses} = ${(teeth / pulses).toFixed(3)})`;
  }
  return tyre;
}
