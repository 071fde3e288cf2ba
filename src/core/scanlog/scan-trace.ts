import type { Corner } from "../units/corner";
import { toLocal, type UnitChoice } from "../units/local-units";
import type { ScanLog } from "./scan-log";

const MOST_POINTS = 4000;

/** One corner's trace for drawing, in the speed unit chosen; null where nothing was sent; long logs by every so-many-th row. */
export function scanTrace(
  { timeS, speedKmh }: ScanLog,
  corner: Corner,
  units: UnitChoice,
): [timeS: number, speed: number | null][] {
  const step = Math.max(1, Math.ceil(timeS.length / MOST_POINTS));
  return Array.from({ length: Math.ceil(timeS.length / step) }, (_, i) => {
    const value = speedKmh[corner][i * step]!;
    return [timeS[i * step]!, Number.isNaN(value) ? null : toLocal(value, "km/h", units)];
  });
}
