import { t } from "../words/words";
import { corners, type Corner } from "../units/corner";
import { analyseScan, type ScanCar } from "./analyse-scan";
import type { ScanFinding, ScanLog } from "./scan-log";

const ROWS = 10;

/** Four numbers read off at one steady speed, as the shortest of logs with its findings. */
export function steadyLog(speeds: Record<string, number>, car: ScanCar): { log: ScanLog; findings: ScanFinding[] } {
  const log: ScanLog = {
    name: t`typed speeds`,
    timeS: Float64Array.from({ length: ROWS }, (_, i) => i),
    speedKmh: Object.fromEntries(
      corners.map((corner) => [corner, new Float64Array(ROWS).fill(speeds[corner] ?? NaN)]),
    ) as Record<Corner, Float64Array>,
  };
  return { log, findings: analyseScan(log, car) };
}
