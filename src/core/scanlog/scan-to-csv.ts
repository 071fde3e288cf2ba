import { corners } from "../units/corner";
import { csvLabel } from "../units/formula-safe";
import type { ScanLog } from "./scan-log";

/** Writes a four-wheel speed log as plain CSV, value for value, empty where nothing was sent. */
export function scanToCsv({ name, timeS, speedKmh }: ScanLog): string {
  const rows = Array.from(timeS, (time, i) =>
    [String(time), ...corners.map((corner) => cell(speedKmh[corner][i]!))].join(","),
  );
  return `# ${csvLabel(name)}\ntime (s),${corners.map((corner) => `${corner} (km/h)`).join(",")}\n${rows.join("\n")}\n`;
}

function cell(kmh: number): string {
  return Number.isNaN(kmh) ? "" : String(kmh);
}
