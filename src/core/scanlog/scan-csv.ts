import Papa from "papaparse";
import { t } from "../words/words";
import { UnusableInput } from "../capture/capture";
import { CLOCK, clockSeconds, pastMidnight } from "../capture/clock";
import { intervalS, sinceEpoch } from "../capture/interval";
import { corners, type Corner } from "../units/corner";
import { KMH_PER_MPH } from "../units/quantity";
import { LEAST_ROWS, type ScanLog } from "./scan-log";
import { cleanLabel, namesWheel } from "./wheel-names";

const LARGEST_HEADER_LINES = 120;
const MOST_ROWS = 2_000_000;
const KMH_PER_MS = 3.6;

/**
 * Reads a four-wheel speed log: columns found by name, or a value a row; km/h, mph or m/s from the names, a unit row or
 * behind the values; empty cells kept as gaps, times uneven, in seconds or by the clock, decimal point or comma.
 *
 * @throws UnusableInput saying what, where and how to mend it
 */
export function parseScanCsv(text: string, name: string): ScanLog {
  if (text.trim() === "")
    throw new UnusableInput(t`${name} is empty. Export the log again, with time and four speeds.`);
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\n|\r/);
  const table = wheelsAsColumns(lines, name);
  const labels = table[0]!.map(cleanLabel);
  const filled = table.slice(1, 40);
  const units = unitsOf(labels, filled);
  const everyS = intervalS(lines);
  const columns = columnsOf(labels, name, everyS);
  const decimalComma = filled.some((cells) => cells.some((cell) => /\d,\d/.test(cell)));
  const read = cellReader(decimalComma);
  const rows: number[][] = [];
  let bad = 0;
  for (let at = 1; at < table.length && rows.length < MOST_ROWS; at++) {
    const cells = table[at]!;
    const speeds = corners.map((corner) => read.number(cells[columns[corner] ?? -1]));
    const evenly = columns.time < 0 && speeds.some((speed) => !Number.isNaN(speed));
    const time = evenly ? rows.length * everyS : read.time(cells[columns.time]);
    if (Number.isNaN(time)) {
      if (cells.some((cell) => cell.trim() !== "") && rows.length > 0) bad++;
      continue;
    }
    rows.push([time, ...speeds]);
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

/**
 * The rows of a log with a column for each wheel, the row of names first. Where each row is one value with the name of what
 * it is (time, parameter, value), the wheels are made columns.
 */
function wheelsAsColumns(lines: readonly string[], name: string): string[][] {
  const header = lines.findIndex((line, at) => at < LARGEST_HEADER_LINES && namedCorners(line).size >= 2);
  if (header >= 0) return cellsOf(lines.slice(header).join("\n"), separatorOf(lines[header]!));
  const listed = listedValues(lines);
  if (!listed)
    throw new UnusableInput(
      t`${name}: no row names the wheels. Name the columns time, FL, FR, RL and RR, or “front left speed” and so on.`,
    );
  return listed;
}

const TIME =
  /\b(time\d?|date ?time|elapsed|zeit|uhrzeit|temps|heure|tiempo|hora|tempo|t|seconds?|sec|ms|stamp|timestamp)\b/;
const SPEED = /speed|wss|veloc|vitesse|geschw|dreh|km\/?h|kph|mph|m\/s/;
const OTHER = /press|druck|temp|volt|status|torque|valve|ventil/;
const VALUE = /\b(value|wert|valeur|valor|valore|reading|speed|data)\b/;
const UNIT = /\b(units?|einheit|unit[eéà]|unidad)\b/;

function listedValues(lines: readonly string[]): string[][] | null {
  const header = lines.findIndex((line, at) => at < LARGEST_HEADER_LINES && TIME.test(cleanLabel(line)));
  if (header < 0) return null;
  const [head, ...rows] = cellsOf(lines.slice(header).join("\n"), separatorOf(lines[header]!));
  const labels = head!.map(cleanLabel);
  const [time, value, unit] = [TIME, VALUE, UNIT].map((pattern) => labels.findIndex((label) => pattern.test(label)));
  const some = rows.slice(0, 400);
  const named = labels.findIndex((_, c) => {
    const cells = some.map((row) => cleanLabel(row[c] ?? ""));
    return corners.filter((corner) => cells.some((cell) => namesWheel(cell, corner))).length >= 2;
  });
  if (named < 0 || time! < 0 || value! < 0) return null;
  const said = some.map((row) => row[unit!] ?? "").find((cell) => cell.trim() !== "") ?? "";
  const each = rows.flatMap((row) => {
    const of = corners.findIndex((corner) => namesWheel(cleanLabel(row[named] ?? ""), corner));
    return of < 0 ? [] : [[row[time!] ?? "", ...corners.map((_, c) => (c === of ? (row[value!] ?? "") : ""))]];
  });
  return [[head![time!]!, ...corners.map((corner) => `${corner} ${said}`)], ...each];
}

type Columns = { time: number } & Partial<Record<Corner, number>>;

function namedCorners(line: string): Set<Corner> {
  const cells = (cellsOf(line, separatorOf(line))[0] ?? []).map(cleanLabel);
  return new Set(corners.filter((corner) => cells.some((cell) => namesWheel(cell, corner))));
}

/** @param everyS what the head says of the rows' distance, for a log without a time column: its time is then column −1 */
function columnsOf(labels: string[], name: string, everyS: number): Columns {
  const time = labels.findIndex((label) => TIME.test(label) && !corners.some((corner) => namesWheel(label, corner)));
  if (time < 0 && !(everyS > 0))
    throw new UnusableInput(t`${name} has no time column. Name it “time (s)” or “time (ms)”.`);
  const columns: Columns = { time };
  for (const corner of corners) {
    const named = [...labels.keys()].filter((i) => i !== time && namesWheel(labels[i]!, corner));
    // A tool may log pressures and temperatures by wheel as well.
    const at = named.find((i) => SPEED.test(labels[i]!)) ?? named.find((i) => !OTHER.test(labels[i]!));
    if (at !== undefined) columns[corner] = at;
  }
  const missing = corners.filter((corner) => columns[corner] === undefined);
  if (missing.length > 2)
    throw new UnusableInput(t`${name} has no column for ${missing.join(", ")}. Log all four wheels together.`);
  return columns;
}

const TURNS = /\brpm\b|\b1\/min\b|\bu\/min\b|\btr\/min\b/;
const COUNTED = /\bk?hz\b|\bpulses?\b|\bcounts?\b|\bimpulse?\b/;
/** A car's tyre rolls 1.7 to 2.3 m a turn, 195/65R15 1.95 m: speeds by turns are right within a sixth, and beside each other exact. */
const KMH_PER_RPM = (60 * 1.95) / 1000;

/** Labels with the unit below them, in a row of units or behind the first values. */
function unitsOf(labels: string[], rows: readonly string[][]): string[] {
  const isUnit = (cell: string) => /^\W*(km\/?h|kph|mph|m\/s|rpm|hz|s|ms|sec)\W*$/i.test(cell.trim());
  const row = rows[0]?.some(isUnit) ? rows[0] : [];
  const behind = (c: number) => rows.map((cells) => UNIT_BEHIND.exec(cells[c]?.trim() ?? "")?.[1]).find(Boolean);
  return labels.map((label, c) => `${label} ${row[c]?.trim().toLowerCase() ?? ""} ${behind(c)?.toLowerCase() ?? ""}`);
}

const UNIT_BEHIND = /\d\s*(km\/?h|kph|mph|m\/s|rpm|hz|ms|s|sec)$/i;

function assemble(rows: number[][], columns: Columns, units: string[], labels: string[], name: string): ScanLog {
  const milliseconds = /\bms\b|milli/.test(units[columns.time] ?? "");
  const order = rows.sort((a, b) => a[0]! - b[0]!);
  const toSeconds = milliseconds ? 1e-3 : (sinceEpoch(order[0]![0]!) ?? 1);
  const timeS = Float64Array.from(order, ([time]) => time! * toSeconds);
  const speedKmh = {} as Record<Corner, Float64Array>;
  corners.forEach((corner, i) => {
    const at = columns[corner];
    const miles = at !== undefined && /\bmph\b|mi\/h|mile/.test(units[at] ?? "");
    const kmh = at !== undefined && /km\/?h|kph/.test(units[at] ?? "");
    const metres = at !== undefined && /\bm\/s\b/.test(units[at] ?? "");
    const other = !kmh && !metres && units.some((unit) => /\bmph\b/.test(unit));
    const turns = at !== undefined && TURNS.test(units[at] ?? "");
    const counted = at !== undefined && COUNTED.exec(units[at] ?? "")?.[0];
    if (counted)
      throw new UnusableInput(
        t`${name}: the column “${labels[at]!}” is in ${counted}, counted from pulses, not a speed. Choose speeds in km/h or mph.`,
      );
    const scale = turns ? KMH_PER_RPM : miles || other ? KMH_PER_MPH : metres ? KMH_PER_MS : 1;
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

const CLOCK_CELL = new RegExp(`^${CLOCK}$`, "i");

/** Reads cells: a number, with its unit or without, and a time, as seconds or by the clock; NaN for an empty cell or a word. */
function cellReader(decimalComma: boolean): Record<"number" | "time", (cell: string | undefined) => number> {
  const onward = pastMidnight();
  const number = (cell: string | undefined): number => {
    const text = (cell ?? "").trim();
    const plain = UNIT_BEHIND.test(text) ? text.replace(/\s*[a-z/]+$/i, "") : text;
    return plain === "" ? NaN : Number(decimalComma ? plain.replace(",", ".") : plain);
  };
  const time = (cell: string | undefined): number => {
    const clock = CLOCK_CELL.exec((cell ?? "").trim());
    return clock ? onward(clockSeconds(clock[1], clock[2]!, clock[3]!, clock[4])) : number(cell);
  };
  return { number, time };
}
