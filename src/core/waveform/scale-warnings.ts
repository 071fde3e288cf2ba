import { t } from "../words/words";
import { isCurrentRatio } from "../circuit/current-ratio";
import type { Found } from "./finding";
import type { SignalShape } from "./signal";

/** No sensor's levels are higher than a charged battery's; a coil's wave is some ten volts, and tens at speed (domain: 9 V at speed). */
const HIGHEST_LEVEL_V = 60;
const HIGHEST_WAVE_V = 500;
/** A sensor's lower level is hardly under a fifth of a volt (domain: 30 Ω and more). */
const TENTH_LEVEL_V = [0.03, 0.15] as const;
/** A size of about a tenth of the usual. */
const TENTH = [0.07, 0.14] as const;

/** Whether the volts of a recording are another thing's: millivolts, or a tenth of the signal. */
export function scaleWarnings(
  unit: "V" | "A",
  { kind, lowV, highV }: SignalShape,
  findings: readonly Found[],
): string[] {
  if (unit === "A") return [];
  const highest = Math.max(Math.abs(lowV), Math.abs(highV));
  if (highest > (kind === "sine" || kind === "noise" ? HIGHEST_WAVE_V : HIGHEST_LEVEL_V))
    return [
      t`${Number(highest.toPrecision(3))} V is no speed sensor's: are these millivolts? Write the unit in the header, as in “CH1 (mV)”.`,
    ];
  const lowLevels = kind === "two-level" && isIn(lowV, TENTH_LEVEL_V) && isCurrentRatio(highV / lowV);
  const small = findings.some((one) => one.code === "low-amplitude" && isIn(one.facts.share, TENTH));
  if (!lowLevels && !small) return [];
  return [
    t`About a tenth of what is usual: is a ×10 probe set as ×10 in the instrument? Ask that before the gap or the coil.`,
  ];
}

function isIn(value: number, [least, most]: readonly [number, number]): boolean {
  return value >= least && value <= most;
}
