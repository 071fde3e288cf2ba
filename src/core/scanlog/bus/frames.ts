import Papa from "papaparse";
import { UnusableInput } from "../../capture/capture";
import { t } from "../../words/words";

/** Frames of a vehicle bus over time, one after another in flat arrays. */
export interface BusFrames {
  name: string;
  /** Seconds, rising. */
  timeS: Float64Array;
  /** The identifier; those of 29 bits have `EXTENDED` added, so that no two kinds are taken for one. */
  id: Float64Array;
  /** Where each frame's bytes begin, with the end of the last behind it. */
  start: Uint32Array;
  bytes: Uint8Array;
}

/** Added to an identifier of 29 bits. */
export const EXTENDED = 2 ** 31;
/** An identifier with this bit is no message but the bus's own report of an error (the open logs' convention, from memory). */
const ERROR_BIT = 0x20000000;
const MOST_FRAMES = 6_000_000;
const MOST_BYTES = 64;
const FEWEST_FRAMES = 20;
/** So many lines tell what a file is. */
const TOLD_BY_LINES = 60;

/** `(1436509052.249713) can0 1F4#0BB8` and `(…)  can0  1F4   [2]  0B B8`; a date and time in place of the seconds too. */
const LOGGED =
  /^\s*(?:\((?<time>[\d.]+|\d{4}-\d\d-\d\d[ T][\d:.]+)\)\s+)?(?<channel>[a-z]+\d*)\s+(?:(?<id>[0-9a-f]{3}|[0-9a-f]{8})(?:##?)(?<packed>\S*)|(?<spacedId>[0-9a-f]{3}|[0-9a-f]{8})\s+\[(?<length>\d+)\]\s+(?<spaced>(?:[0-9a-f]{2}(?:\s|$))*|remote.*))/i;

/** Whether a text is a log of bus frames, by its first lines. */
export function isBusLog(text: string): boolean {
  const lines = firstLines(text);
  return lines.filter((line) => LOGGED.test(line)).length > lines.length / 2 || tableOf(lines) !== null;
}

/**
 * Reads a log of bus frames in the open text forms of general-purpose tools: a line a frame, packed or spaced, or a table
 * with columns for time, identifier and data. Remote frames and error reports are passed over.
 * @throws UnusableInput saying what, where and how to mend it
 */
export function parseBusLog(text: string, name: string): BusFrames {
  const table = tableOf(firstLines(text));
  const frames = new Gathered();
  if (table) readTable(text, table, frames);
  else readLines(text, name, frames);
  if (frames.count >= MOST_FRAMES)
    throw new UnusableInput(t`${name} holds over ${MOST_FRAMES / 1e6} million frames. Cut the recording shorter.`);
  if (frames.count < FEWEST_FRAMES)
    throw new UnusableInput(
      t`${name} holds ${frames.count} frames that could be read; at least ${FEWEST_FRAMES} are needed. Record the bus through a drive.`,
    );
  return frames.done(name, table ? tableSeconds(table, frames) : 1);
}

function firstLines(text: string): string[] {
  return text
    .slice(0, TOLD_BY_LINES * 400)
    .split(/\r\n|\n|\r/)
    .slice(0, TOLD_BY_LINES)
    .filter((line) => line.trim() !== "");
}

function readLines(text: string, name: string, frames: Gathered): void {
  let clockless = 0;
  for (const line of linesOf(text)) {
    const groups = LOGGED.exec(line)?.groups;
    if (!groups) continue;
    const data = dataOf(line, groups);
    const id = parseInt(groups.id ?? groups.spacedId!, 16);
    const isExtended = (groups.id ?? groups.spacedId!).length > 3;
    if (data === null || (isExtended && (id & ERROR_BIT) !== 0)) continue;
    if (groups.time === undefined) clockless++;
    else frames.add(secondsOf(groups.time), isExtended ? id + EXTENDED : id, data);
  }
  if (clockless > frames.count)
    throw new UnusableInput(
      t`${name} has no times: ${clockless} frames without. Record it again with a time for each frame.`,
    );
}

function* linesOf(text: string): Generator<string> {
  let at = 0;
  while (at < text.length) {
    const end = text.indexOf("\n", at);
    yield text.slice(at, end < 0 ? text.length : end);
    at = end < 0 ? text.length : end + 1;
  }
}

/** A frame's bytes; null for a remote frame and for what is cut off. */
function dataOf(line: string, groups: Record<string, string | undefined>): number[] | null {
  if (groups.spaced !== undefined) {
    const bytes = groups.spaced.trim().split(/\s+/);
    return bytes.length === Number(groups.length) ? hexBytes(bytes.join("")) : null;
  }
  const packed = groups.packed!;
  if (/^R/i.test(packed)) return null;
  // With two signs of a hash the first digit is flags of the longer frames.
  return hexBytes((line.includes("##") ? packed.slice(1) : packed).replaceAll(".", ""));
}

function hexBytes(hex: string): number[] | null {
  if (hex.length % 2 !== 0 || hex.length > 2 * MOST_BYTES || !/^[0-9a-f]*$/i.test(hex)) return null;
  return Array.from({ length: hex.length / 2 }, (_, i) => parseInt(hex.slice(2 * i, 2 * i + 2), 16));
}

function secondsOf(time: string): number {
  return /^[\d.]+$/.test(time)
    ? Number(time)
    : Date.parse(`${time.slice(0, 23).replace(" ", "T")}Z`) / 1000 + finer(time);
}

/** What a date's own reader leaves out: the digits after the milliseconds. */
function finer(time: string): number {
  return Number(`0.000${time.slice(23).replace(/\D/g, "")}`) || 0;
}

/** A table's columns. */
interface Table {
  header: string;
  separator: string;
  time: number;
  id: number;
  extended: number;
  remote: number;
  error: number;
  /** One with all bytes, or one a byte. */
  data: number[];
  base64: boolean;
  unit: string;
}

function tableOf(lines: readonly string[]): Table | null {
  for (const [at, header] of lines.slice(0, 30).entries()) {
    const separator = [";", "\t", ","].find((sign) => header.includes(sign));
    if (!separator) continue;
    const labels = header.split(separator).map((label) => label.trim().replaceAll(/^"|"$/g, "").toLowerCase());
    const column = (pattern: RegExp) => labels.findIndex((label) => pattern.test(label));
    const [time, id] = [column(/^time|timestamp|^t\b/), column(/(^|[_ ])id\b|identifier/)];
    const one = column(/^(data|payload|bytes|data ?bytes)\b/);
    const each = labels.flatMap((label, c) => (/^(d|b|data|byte)[ _]?\d$/.test(label) ? [c] : []));
    if (time < 0 || id < 0 || (one < 0 && each.length === 0)) continue;
    const cells = lines.slice(at + 1).map((line) => line.split(separator)[one] ?? "");
    return {
      header,
      separator,
      time,
      id,
      extended: column(/^ext|^ide$/),
      remote: column(/^(remote|rtr)/),
      error: column(/^err/),
      data: one >= 0 ? [one] : each,
      base64: one >= 0 && cells.some((cell) => /[g-z/+=]/i.test(cell.replace(/^"?0x/i, ""))),
      unit: /[([]\s*(ms|us|µs|s)\s*[)\]]/.exec(labels[time]!)?.[1] ?? "",
    };
  }
  return null;
}

function readTable(text: string, table: Table, frames: Gathered): void {
  const body = text.slice(text.indexOf(table.header) + table.header.length);
  const rows = Papa.parse<string[]>(body.trimStart(), { delimiter: table.separator }).data;
  const isYes = (cell: string | undefined) => /^(1|true|yes|x|ext)/i.test(cell?.trim() ?? "");
  for (const row of rows) {
    const time = Number(row[table.time]?.replace(",", "."));
    const written = row[table.id]?.trim() ?? "";
    const id = parseInt(written.replace(/^0x/i, ""), 16);
    if (!Number.isFinite(time) || Number.isNaN(id) || isYes(row[table.remote]) || isYes(row[table.error])) continue;
    const cells = table.data.map((c) => row[c]?.trim() ?? "");
    const data = table.base64 ? base64Bytes(cells[0]!) : hexBytes(cells.map(byteCell).join(""));
    if (data) frames.add(time, isYes(row[table.extended]) || id > 0x7ff ? id + EXTENDED : id, data);
  }
}

/** Two digits a byte, whatever stands between them; a lone digit is a byte below sixteen. */
function byteCell(cell: string): string {
  const plain = cell.replaceAll(/0x|[\s.:-]/gi, "");
  return plain.length === 1 ? `0${plain}` : plain;
}

function base64Bytes(cell: string): number[] | null {
  try {
    return Array.from(atob(cell), (sign) => sign.charCodeAt(0));
  } catch (error) {
    if (error instanceof DOMException) return null;
    throw error;
  }
}

/** A bus carries between some twenty and twenty thousand frames a second: this tells a table's unit of time where it does not. */
const [FEWEST_A_SECOND, MOST_A_SECOND] = [20, 20_000];

function tableSeconds({ unit }: Table, frames: Gathered): number {
  const per: Record<string, number> = { s: 1, ms: 1e-3, us: 1e-6, µs: 1e-6 };
  const rate = frames.count / Math.max(frames.spanned, 1e-9);
  const fits = (scale: number) => rate / scale >= FEWEST_A_SECOND && rate / scale <= MOST_A_SECOND;
  return per[unit] ?? [1, 1e-3, 1e-6].find(fits) ?? 1;
}

/** Frames as they come, in arrays that widen. */
class Gathered {
  count = 0;
  private length = 0;
  private times = new Float64Array(4096);
  private ids = new Float64Array(4096);
  private starts = new Uint32Array(4097);
  private data = new Uint8Array(32_768);

  get spanned(): number {
    return this.count === 0 ? 0 : this.times[this.count - 1]! - this.times[0]!;
  }

  add(timeS: number, id: number, bytes: readonly number[]): void {
    if (this.count >= MOST_FRAMES) return;
    if (this.count === this.times.length) {
      this.times = widened(this.times, Float64Array);
      this.ids = widened(this.ids, Float64Array);
      const starts = new Uint32Array(2 * this.count + 1);
      starts.set(this.starts);
      this.starts = starts;
    }
    while (this.length + bytes.length > this.data.length) this.data = widened(this.data, Uint8Array);
    this.times[this.count] = timeS;
    this.ids[this.count] = id;
    this.data.set(bytes, this.length);
    this.length += bytes.length;
    this.starts[++this.count] = this.length;
  }

  /** @param secondsPer seconds in one unit of the times taken */
  done(name: string, secondsPer: number): BusFrames {
    return {
      name,
      timeS: rising(this.times.subarray(0, this.count)).map((time) => time * secondsPer),
      id: this.ids.slice(0, this.count),
      start: this.starts.slice(0, this.count + 1),
      bytes: this.data.slice(0, this.length),
    };
  }
}

/** Times from the first; where each is only the time since the one before, they are added up. */
function rising(times: Float64Array): Float64Array {
  let back = 0;
  for (let i = 1; i < times.length; i++) if (times[i]! < times[i - 1]!) back++;
  if (back < 0.2 * times.length) return times.map((time) => time - times[0]!);
  let sum = 0;
  return times.map((time) => (sum += time));
}

function widened<A extends Float64Array | Uint8Array>(array: A, make: new (length: number) => A): A {
  const wider = new make(2 * array.length);
  wider.set(array);
  return wider;
}
