import { corners, type Corner } from "../units/corner";
import type { ScanLog } from "./scan-log";

/** The rows of a log until a moment, that included. */
export function logUntil({ name, timeS, speedKmh }: ScanLog, untilS: number): ScanLog {
  const after = timeS.findIndex((time) => time > untilS);
  const rows = after < 0 ? timeS.length : after;
  return {
    name,
    timeS: timeS.slice(0, rows),
    speedKmh: Object.fromEntries(corners.map((corner) => [corner, speedKmh[corner].slice(0, rows)])) as Record<
      Corner,
      Float64Array
    >,
  };
}
