import Papa from "papaparse";
import { t } from "../words/words";
import { UnusableInput } from "../capture/capture";
import { corners, type Corner } from "../units/corner";
import { KMH_PER_MPH } from "../units/quantity";
import type { ScanLog } from "./scan-log";

const LARGEST_HEADER_LINES = 120;
const LEAST_ROWS = 4;
const MOST_ROWS = 2_000_000;

/** Names a column may go by, per corner; matched as whole words in lower case. */
const NAMES: Record<Corner, RegExp> = {
  FL: /\b(fl|lf|vl|front[\s_-]*left|left[\s_-]*front|n\/?s\/?f|lhf|flh)\b/,
  FR: /\b(fr|rf|vr|front[\s_-]*right|right[\s_-]*front|o\/?s\/?f|rhf|frh)\b/,
  RL: /\b(rl|lr|hl|rear[\s_-]*left|left[\s_-]*rear|n\/?s\/?r|lhr|rlh)\b/,
  RR: /\b(rr|hr|rear[\s_-]*right|right[\s_-]*rear|o\/?s\/?r|rhr|rrh)\b/,
};

/**
 * Reads a four-wheel speed log: columns found by name, km/h or mph from the names or a unit row, empty cells kept as
 * gaps, times uneven, decimal point or comma.
 *
 * @throws UnusableInput saying what, where and how to mend it
 */
export function parseScanCsv(text: string, name: string): ScanLog {
  if (text.trim() === "")
    throw new UnusableInput(t`${name} is empty. Export the log again, with time and four speeds.`);
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\n|\r/);
  const header = lines.findIndex((line, at) => at < LARGEST_HEADER_LINES && namedCorners(line).size >= 2);
  if (header < 0)
    throw new UnusableInput(
      t`${name}: no row names the wheels. Name the columns time, FL, FR, RL and RR, or “front left speed” and so on.`,
    );
  const separator = separatorOf(lines[header]!);
  const table = cellsOf(lines.slice(header).join("\n"), separator);
  const labels = table[0]!.map(clean);
  const units = unitsOf(labels, table[1]?.map(clean) ?? []);
  const columns = columnsOf(labels, name);
  const decimalComma = separator !== "," && /\d,\d/.test(lines.slice(header + 1, header + 40).join("\n"));
  const rows: number[][] = [];
  let bad = 0;
  for (let at = 1; at < table.length && rows.length < MOST_ROWS; at++) {
    const cells = table[at]!;
    const time = toNumber(cells[columns.time], decimalComma);
    if (Number.isNaN(time)) {
      if (cells.some((cell) => cell.trim() !== "") && rows.length > 0) bad++;
      continue;
    }
    rows.push([time, ...corners.map((corner) => toNumber(cells[columns[corner] ?? -1], decimalComma))]);
  }
  if (bad > 0.2 * rows.length + 5)
    throw new UnusableInput(
      t`${name}: ${bad} rows have no time that can be read. Export again with seconds in a column.`,
    );
  if (rows.length < LEAST_ROWS)
    throw new UnusableInput(
      t`${name} holds ${rows.length} rows of speeds; at least ${LEAST_ROWS} are needed. Record a drive and a stop.`,
    );
  return assemble(rows, columns, units, labels, name);
}

type Columns = { time: number } & Partial<Record<Corner, number>>;

function namedCorners(line: string): Set<Corner> {
  const cells = (cellsOf(line, separatorOf(line))[0] ?? []).map(clean);
  return new Set(corners.filter((corner) => cells.some((cell) => NAMES[corner].test(cell))));
}

function columnsOf(labels: string[], name: string): Columns {
  const time = labels.findIndex((label) => /\b(time|zeit|t|seconds?|sec|ms|stamp|timestamp)\b/.test(label));
  if (time < 0) throw new UnusableInput(t`${name} has no time column. Name it “time (s)” or “time (ms)”.`);
  const columns: Columns = { time };
  for (const corner of corners) {
    const at = labels.findIndex((label, i) => i !== time && NAMES[corner].test(label));
    if (at >= 0) columns[corner] = at;
  }
  const missing = corners.filter((corner) => columns[corner] === undefined);
  if (missing.length > 2)
    throw new UnusableInput(t`${name} has no column for ${missing.join(", ")}. Log all four wheels together.`);
  return columns;
}

function unitsOf(labels: string[], next: string[]): string[] {
  const hasUnitRow = next.some((cell) => /^\W*(km\/?h|kph|mph|s|ms|sec)\W*$/.test(cell));
  return labels.map((label, i) => (hasUnitRow ? `${label} ${next[i] ?? ""}` : label));
}

function assemble(rows: number[][], columns: Columns, units: string[], labels: string[], name: string): ScanLog {
  const milliseconds = /\bms\b|milli/.test(units[columns.time] ?? "");
  const order = rows.sort((a, b) => a[0]! - b[0]!);
  const timeS = Float64Array.from(order, ([time]) => (milliseconds ? time! / 1000 : time!));
  const speedKmh = {} as Record<Corner, Float64Array>;
  corners.forEach((corner, i) => {
    const at = columns[corner];
    const miles = at !== undefined && /\bmph\b|mi\/h|mile/.test(units[at] ?? "");
    const kmh = at !== undefined && /km\/?h|kph/.test(units[at] ?? "");
    const scale = miles || (!kmh && units.some((unit) => /\bmph\b/.test(unit))) ? KMH_PER_MPH : 1;
    speedKmh[corner] = Float64Array.from(order, (row) => row[i + 1]! * scale);
  });
  const impossible = corners.find((corner) => speedKmh[corner].some((value) => value > 450 || value < -50));
  if (impossible)
    throw new UnusableInput(
      t`${name}: the column “${labels[columns[impossible]!]}” holds values no wheel can have. Choose speeds in km/h or mph.`,
    );
  return { name, timeS, speedKmh };
}

function separatorOf(line: string): string {
  return line.includes("\t") ? "\t" : line.includes(";") ? ";" : ",";
}

/** Cells by row; a separator inside quotes is none. */
function cellsOf(text: string, delimiter: string): string[][] {
  return Papa.parse<string[]>(text, { delimiter }).data;
}

function clean(cell: string): string {
  return cell.trim().toLowerCase().replace(/_/g, " ");
}

/** A cell's number; NaN for an empty cell or a word. */
function toNumber(cell: string | undefined, decimalComma: boolean): number {
  const text = (cell ?? "").trim();
  if (text === "") return NaN;
  const clock = /^(\d+):(\d{2}):(\d{2}(?:[.,]\d+)?)$/.exec(text);
  if (clock) return Number(clock[1]) * 3600 + Number(clock[2]) * 60 + Number(clock[3]!.replace(",", "."));
  return Number(decimalComma ? text.replace(",", ".") : text);
}
