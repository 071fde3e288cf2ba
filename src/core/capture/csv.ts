import { t } from "../words/words";
import { csvLabel } from "../units/formula-safe";
import { UnusableInput, type Capture } from "./capture";
import { evenRows } from "./even-time";
import { withoutHoles } from "./holes";
import { GROUPED, readRows } from "./csv-rows";
import { intervalS, SECONDS_PER, sinceEpoch } from "./interval";
import { plainRows } from "./plain-rows";

/** Largest file read into memory at once; longer recordings should be cut or thinned first. */
export const LARGEST_FILE_BYTES = 400 * 1024 * 1024;
const LARGEST_HEADER_LINES = 120;
const MOST_CHANNELS = 20;
/** No row of twenty channels is as long; a longer one among the first is no capture, and patterns would stall on it. */
const LONGEST_LINE = 20_000;
/** What is read of a header line for its sample interval, and of a cell for its name and unit. */
const LONGEST_LABEL = 200;

/** How much of a file is taken: bounds that hold while it is being read. */
export interface ReadLimits {
  /** Bytes once unpacked. */
  bytes: number;
  /** Samples, all channels together. */
  samples: number;
}

/** What a browser or a command takes. */
export const usualLimits: ReadLimits = { bytes: LARGEST_FILE_BYTES, samples: 60_000_000 };

/**
 * Reads a capture as instruments write it: comments and metadata lines, a row of names, perhaps a row of units,
 * comma, semicolon or tab, decimal point or comma, exponents, seconds or milliseconds, volts or millivolts.
 *
 * @param text the whole file @param name what to call it in messages @param onShare told how much is read, 0 to 1
 * @throws UnusableInput saying what, where and how to mend it
 */
export function parseCaptureCsv(
  text: string,
  name: string,
  onShare?: (share: number) => void,
  { samples: mostSamples }: ReadLimits = usualLimits,
): Capture {
  if (text.trim() === "")
    throw new UnusableInput(t`${name} is empty. Export the capture again, as text with one row per sample.`);
  if (looksBinary(text))
    throw new UnusableInput(t`${name} is not text. Export the capture as CSV; instrument files cannot be read.`);
  const written = text.replace(/^\uFEFF/, "");
  const body = plainRows(written, firstLines(written, name));
  const lines = firstLines(body, name);
  const format = findFormat(lines, name);
  let bad = 0;
  const { columns, count } = readRows(
    body,
    startOfLine(body, format.firstRow),
    { ...format, columns: format.labels.length },
    (row, line) => {
      bad++;
      // An input that was not ready when the recording began.
      if (bad === row + 1 && /nan/i.test(line)) return;
      if (bad > 50 && bad > 0.05 * row)
        throw new UnusableInput(
          t`${name}, line ${format.firstRow + row + 1}: “${line.slice(0, 40)}” has no number in every column, and ${bad} rows like it. Export again without gaps.`,
        );
    },
    (share, rows) => {
      if (rows * format.labels.length > mostSamples)
        throw new UnusableInput(
          t`${name} holds over ${Math.round(mostSamples / 1e6)} million samples. Cut the recording shorter, or thin it.`,
        );
      onShare?.(share);
    },
  );
  if (count < 16)
    throw new UnusableInput(t`${name} holds ${count} rows of samples; at least 16 are needed. Record longer.`);
  return assemble(columns, format, name, lines);
}

/**
 * How many lines stand before the first row of numbers. @param text the beginning of a file, or all of it
 * @throws UnusableInput where there is none in as many lines as a header may have
 */
export function linesBeforeRows(text: string, name: string): number {
  const written = text.replace(/^\uFEFF/, "");
  return findFormat(firstLines(plainRows(written, firstLines(written, name)), name), name).firstRow;
}

/** As many lines as headers and the rows judged by can take. */
function firstLines(text: string, name: string): string[] {
  const head = text.slice(0, Math.min(startOfLine(text, HEAD_LINES), HEAD_LINES * LONGEST_LINE));
  const lines = head.split(/\r\n|\n|\r/);
  const long = lines.findIndex((line) => line.length > LONGEST_LINE);
  if (long >= 0)
    throw new UnusableInput(
      t`${name}, line ${long + 1} is over ${LONGEST_LINE} characters long: no row of a capture. Export it as CSV, one row per sample.`,
    );
  return lines;
}

const HEAD_LINES = LARGEST_HEADER_LINES + 60;

/** Where a line begins, counted from 0; the text's end where it has not so many. */
export function startOfLine(text: string, line: number): number {
  const ends = /\r\n|\n|\r/g;
  for (let i = 0; i < line; i++) if (!ends.exec(text)) return text.length;
  return ends.lastIndex;
}

interface Format {
  /** Null where any white space stands between cells. */
  separator: string | null;
  decimalComma: boolean;
  labels: { name: string; unit: string }[];
  firstRow: number;
}

function findFormat(lines: string[], name: string): Format {
  const firstRow = lines.findIndex(
    (line, at) => at < LARGEST_HEADER_LINES && isDataRow(line) && nextRows(lines, at).every(isDataRow),
  );
  if (firstRow < 0)
    throw new UnusableInput(
      t`${name}: no rows of numbers in the first ${LARGEST_HEADER_LINES} lines. A capture has a time column and one column per channel.`,
    );
  const sample = lines[firstRow]!;
  const rows = lines.slice(firstRow, firstRow + 50);
  const lone =
    isLoneColumn(rows) && (intervalS(lines) > 0 || !lines.slice(0, firstRow).some((line) => line.includes(",")));
  const separator = sample.includes("\t")
    ? "\t"
    : sample.includes(";")
      ? ";"
      : lone || decimalCommaOnly(sample)
        ? null
        : ",";
  const several = rows.join("\n");
  const pointed = several.split(/[;\t\s]+/).filter((cell) => /\d\.\d/.test(cell));
  const decimalComma =
    separator !== "," && /\d,\d/.test(several) && pointed.every((cell) => separator !== null && GROUPED.test(cell));
  const width = cellsOf(sample, separator).length;
  if (width > MOST_CHANNELS + 1)
    throw new UnusableInput(
      t`${name} has ${width} columns; ${MOST_CHANNELS} channels are the most. Export only the channels of this corner.`,
    );
  return { separator, decimalComma, labels: labelsAbove(lines, firstRow, separator, width), firstRow };
}

/** The two lines after one, blank ones passed over. */
function nextRows(lines: readonly string[], at: number): string[] {
  const after = lines.slice(at + 1, at + 7).filter((line) => line.trim() !== "");
  return after.length < 2 ? ["", ""] : after.slice(0, 2);
}

/** The cells of a line; what some write after the last one is none. */
function cellsOf(line: string, separator: string | null): string[] {
  const cells = separator === null ? line.trim().split(/\s+/) : line.split(separator);
  return cells.slice(0, cells.findLastIndex((cell) => cell.trim() !== "") + 1);
}

/** Whether each row is one number with a decimal comma: what stands before the comma does not only grow, as a time would. */
function isLoneColumn(rows: readonly string[]): boolean {
  const filled = rows.filter((row) => row.trim() !== "");
  return (
    filled.every((row) => /^\s*[-+]?\d+,\d+\s*$/.test(row)) &&
    !isRamp(Float64Array.from(filled, (row) => parseInt(row, 10)))
  );
}

function decimalCommaOnly(line: string): boolean {
  return !line.includes(",") && /\S\s+\S/.test(line.trim());
}

/** What stands in a cell that has no value, or one over its range. */
const NO_NUMBER = /^(nan|[-+]?inf(inity)?)$/i;

function isDataRow(line: string): boolean {
  const cells = line
    .trim()
    .replace(/[\s,;]+$/, "")
    .split(/[\t;]|,(?=\s*(?:[-+.\d]*[\d.]|nan|[-+]?inf))|\s+/i)
    .filter((cell) => cell !== "");
  return (
    cells.length > 0 &&
    cells.every((cell) => /^[-+]?(\d+([.,]\d*)?|[.,]\d+)([ed][-+]?\d+)?$/i.test(cell) || NO_NUMBER.test(cell)) &&
    cells.some((cell) => /\d/.test(cell))
  );
}

/** Names and units from the lines just above the first row of numbers: `Time`, `CH1 (V)`, or a row of `s;mV`. */
function labelsAbove(
  lines: string[],
  firstRow: number,
  separator: string | null,
  width: number,
): { name: string; unit: string }[] {
  const above = lines
    .slice(Math.max(0, firstRow - 4), firstRow)
    .map((line) =>
      cellsOf(line.replace(/^[#%]/, "").replaceAll("\u03bc", "µ").trimStart(), separator).map((cell) =>
        cell.trim().slice(0, LONGEST_LABEL).replace(/^"|"$/g, ""),
      ),
    )
    .filter((cells) => cells.length === width);
  const units = above.findLast((cells) => cells.every((cell) => UNIT_CELL.test(cell) || cell === ""));
  const names = above.findLast((cells) => cells !== units && cells.some((cell) => /[a-z]/i.test(cell)));
  return Array.from({ length: width }, (_, c) => {
    const raw = names?.[c] ?? "";
    const inName =
      IN_BRACKETS.exec(raw) ??
      /(?:^|[_ /])(ms|us|µs|ns|s|µV|mV|V|mA|k?Hz|mph|rpm)$/i.exec(raw) ??
      // “Channel A” is a letter, not a unit.
      (CURRENT.test(raw) ? /(?:^|[_ /])(A)$/i.exec(raw) : null) ??
      /[_ ](km\/?h)$/i.exec(raw);
    const unit = units?.[c]?.replace(/[()[\]]/g, "") || inName?.[1] || "";
    return { name: raw.replace(/[([].*$/, "").trim() || (c === 0 ? "time" : t`channel ${c}`), unit };
  });
}

/** A name that tells of a current. */
const CURRENT = /curr|strom|\bamp(?!l)|clamp|zange|shunt|courant|corrente|corriente|^i(?![a-z])/i;

const UNITS = String.raw`ms|us|µs|ns|s|sec|seconds?|milliseconds|microseconds|nanoseconds|µV|mV|kV|V|millivolts|volts?|mA|A|min|uncalibrated|k?Hz|km\/?h|mph|rpm|°C|%`;
const IN_BRACKETS = new RegExp(String.raw`[([]\s*(${UNITS})\s*[)\]]`, "i");
const UNIT_CELL = new RegExp(String.raw`^[([]?\s*(${UNITS})\s*[)\]]?$`, "i");

/** Stands in place of the unit where numbers are no volts. */
const NOT_CALIBRATED = "uncalibrated";
const SCALE: Record<string, { unit: "V" | "A"; by: number }> = {
  mv: { unit: "V", by: 1e-3 },
  millivolts: { unit: "V", by: 1e-3 },
  µv: { unit: "V", by: 1e-6 },
  kv: { unit: "V", by: 1e3 },
  ma: { unit: "A", by: 1e-3 },
  a: { unit: "A", by: 1 },
};

function assemble(columns: Float64Array[], format: Format, name: string, lines: string[]): Capture {
  const at = timeColumn(columns, format.labels);
  if (at < 0) return withoutTime(columns, format.labels, name, lines);
  // What stands before the time is a count of rows, or a signal.
  const order = [at, ...columns.keys()].filter(
    (c, i) => i === 0 || (c !== at && (c > at || !(INDEX.test(format.labels[c]!.name) || isRamp(columns[c]!)))),
  );
  const labels = order.map((c) => format.labels[c]!);
  columns = inTheirTime(order.map((c) => columns[c]!));
  if (columns.length === 1) return withoutTime(columns, labels, name, lines);
  const time = columns[0]!;
  const scale = SECONDS_PER[labels[0]!.unit.toLowerCase()] ?? sinceEpoch(time[0]!) ?? 1;
  const backwards = time.findIndex((t, i) => i > 0 && t < time[i - 1]!);
  if (backwards > 0)
    throw new UnusableInput(
      t`${name}, line ${format.firstRow + backwards + 1}: time runs backwards (${time[backwards - 1]} then ${time[backwards]}). Export one capture per file.`,
    );
  if (!(time.at(-1)! > time[0]!))
    throw new UnusableInput(t`${name}: the time column does not advance. Export it with enough digits.`);
  const signals = signalColumns(columns, labels, name);
  const {
    time: times,
    columns: values,
    holes,
  } = withoutHoles(
    time,
    signals.map((c) => columns[c]!),
  );
  const even = evenRows(times, values);
  return {
    name,
    sampleS: scale * (even?.step ?? (times.at(-1)! - times[0]!) / (times.length - 1)),
    startS: times[0]! * scale,
    channels: signals.map((c, i) => channel(even?.columns[i] ?? values[i]!, labels[c]!)),
    ...(holes
      ? { holes: { count: holes.count, longestS: holes.longest * scale, leftOutS: holes.leftOut * scale } }
      : {}),
  };
}

/** Rows from the newest to the oldest, as some lists are kept, are turned about. */
function inTheirTime(columns: Float64Array[]): Float64Array[] {
  const time = columns[0]!;
  const backwards = time[0]! > time.at(-1)! && time.every((t, i) => i === 0 || t <= time[i - 1]!);
  return backwards ? columns.map((column) => column.toReversed()) : columns;
}

/** Numbers an instrument makes of a signal, which are none themselves. */
const NO_SIGNAL = /^(k?hz|km\/?h|kph|mph|rpm|1\/min|u\/min|°c|%)$/i;
/** A “speed” may be a speed sensor's volts: without a unit only these are no signal for sure. */
const NAMED_NO_SIGNAL = /^(frequency|freq|frequenz|rpm|drehzahl)$/i;

/** The columns that hold a signal. @throws UnusableInput where none does: what is asked for, and where such numbers belong */
function signalColumns(columns: readonly Float64Array[], labels: Format["labels"], name: string): number[] {
  const all = columns.map((_, c) => c).slice(1);
  const signals = all.filter((c) => {
    const { unit, name: called } = labels[c]!;
    // Some write the time once for every channel.
    if (columns[c]!.every((value, row) => value === columns[0]![row])) return false;
    if (TIME.test(called) && isRamp(columns[c]!)) return false;
    return !NO_SIGNAL.test(unit) && !(unit === "" && NAMED_NO_SIGNAL.test(called));
  });
  if (signals.length === 0)
    throw new UnusableInput(
      t`${name}: column “${labels[1]!.name}” holds numbers counted from a signal${labels[1]!.unit ? ` (${labels[1]!.unit})` : ""}, not the signal itself. Export the volts; wheel speeds belong in Look.`,
    );
  return signals;
}

const TIME = /^(time|timestamp|elapsed|zeit|temps|t|secs?|seconds?|ms|us|µs|x)(?![a-z])/i;
/** A count of samples: it says where a row stands, not when. */
const INDEX = /^(sample|samples|index|idx|no|nr|row|point|n|#|i)\b|^#/i;

/** Which column holds the time: the one called so or given in seconds, else a first one that only grows and counts nothing; -1 for none. */
function timeColumn(columns: Float64Array[], labels: Format["labels"]): number {
  const grows = (c: number) => columns.length > 1 && (isRamp(columns[c]!) || isRamp(columns[c]!.slice(-50).reverse()));
  const named = labels.findIndex(
    ({ name, unit }, c) => (TIME.test(name) || unit.toLowerCase() in SECONDS_PER) && c < 3,
  );
  // A name alone may be a signal's; a first column of that name is the time whatever it holds, so that a fault in it is told.
  if (named === 0 || (named > 0 && grows(named))) return named;
  return grows(0) && !INDEX.test(labels[0]!.name) ? 0 : -1;
}

function withoutTime(columns: Float64Array[], labels: Format["labels"], name: string, lines: string[]): Capture {
  const sampleS = intervalS(lines);
  if (!(sampleS > 0))
    throw new UnusableInput(
      t`${name} has ${columns.length === 1 ? t`one column and ` : ""}no time column and no sample interval in its header. Export with time, or add a line “interval,0.0001 s”.`,
    );
  const from = Number(columns.length > 1 && INDEX.test(labels[0]!.name) && isRamp(columns[0]!));
  return {
    name,
    sampleS,
    startS: 0,
    channels: columns.slice(from).map((values, c) => channel(values, labels[c + from]!)),
  };
}

function channel(values: Float64Array, label: { name: string; unit: string }): Capture["channels"][number] {
  const { unit, by } = SCALE[label.unit.toLowerCase()] ?? { unit: "V" as const, by: 1 };
  // Noughts and ones without a unit are an input's yes and no.
  const isLogic = label.unit === "" && values.every((value) => value === 0 || value === 1) && values.includes(1);
  const scale = isLogic || label.unit.toLowerCase() === NOT_CALIBRATED ? { scale: "unknown" as const } : {};
  return { name: label.name, unit, ...scale, samples: scaled(values, by) };
}

/** What was over the range stands at the outermost value that was not: a flat top. */
function scaled(values: Float64Array, by: number): Float32Array {
  const samples = new Float32Array(values.length);
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < samples.length; i++) {
    const value = values[i]! * by;
    samples[i] = value;
    if (value < least && value !== -Infinity) least = value;
    if (value > most && value !== Infinity) most = value;
  }
  if (values.includes(Infinity) || values.includes(-Infinity))
    return samples.map((value) => Math.max(least, Math.min(most, value)));
  return samples;
}

function isRamp(values: Float64Array): boolean {
  return values.length > 2 && values.subarray(0, 50).every((value, i) => i === 0 || value > values[i - 1]!);
}

function looksBinary(text: string): boolean {
  const head = text.slice(0, 4000);
  let strange = 0;
  for (let i = 0; i < head.length; i++) {
    const code = head.charCodeAt(i);
    if (code === 0 || code === 0xfffd || (code < 32 && code !== 9 && code !== 10 && code !== 13)) strange++;
  }
  return strange > head.length * 0.02;
}

/** Writes a capture as plain CSV, sample for sample: a comment line, names with units, one row per sample. */
export function captureToCsv({ name, sampleS, startS, channels }: Capture): string {
  const head = `# ${csvLabel(name)}\ntime (s),${channels.map((one) => `${csvLabel(one.name)} (${one.scale ? NOT_CALIBRATED : one.unit})`).join(",")}\n`;
  const rows: string[] = [];
  for (let i = 0; i < (channels[0]?.samples.length ?? 0); i++)
    rows.push(
      `${Number((startS + i * sampleS).toPrecision(12))},${channels.map(({ samples }) => shortest(samples[i]!)).join(",")}`,
    );
  return `${head}${rows.join("\n")}\n`;
}

/** The fewest digits of seven or nine that are read back as the same 32-bit number: nine always are. */
function shortest(value: number): number {
  const seven = Number(value.toPrecision(7));
  return Math.fround(seven) === value ? seven : Number(value.toPrecision(9));
}
