import type { Corner } from "../units/corner";
import type { ScanLog } from "./scan-log";

const MOST_POINTS = 4000;

/** One corner's trace for drawing; null where nothing was sent; long logs by every so-many-th row. */
export function scanTrace({ timeS, speedKmh }: ScanLog, corner: Corner): [timeS: number, kmh: number | null][] {
  const step = Math.max(1, Math.ceil(timeS.length / MOST_POINTS));
  return Array.from({ length: Math.ceil(timeS.length / step) }, (_, i) => {
    const value = speedKmh[corner][i * step]!;
    return [timeS[i * step]!, Number.isNaN(value) ? null : value];
  });
}
