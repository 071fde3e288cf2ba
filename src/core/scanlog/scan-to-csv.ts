import { corners } from "../units/corner";
import type { ScanLog } from "./scan-log";

/** Writes a four-wheel speed log as plain CSV, empty where nothing was sent. */
export function scanToCsv({ name, timeS, speedKmh }: ScanLog): string {
  const rows = Array.from(timeS, (time, i) =>
    [time.toFixed(2), ...corners.map((corner) => cell(speedKmh[corner][i]!))].join(","),
  );
  return `# ${name}\ntime (s),${corners.map((corner) => `${corner} (km/h)`).join(",")}\n${rows.join("\n")}\n`;
}

function cell(kmh: number): string {
  return Number.isNaN(kmh) ? "" : kmh.toFixed(1);
}
