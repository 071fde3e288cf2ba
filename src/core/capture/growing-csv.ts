import { t } from "../words/words";
import { UnusableInput, type Capture } from "./capture";
import { pastMidnight } from "./clock";
import { linesBeforeRows, startOfLine } from "./csv";
import { encodingOf } from "./text-of";

/** Signs in which a header must be over; no logger writes as many before its first row. */
const LONGEST_HEAD = 20_000;

/**
 * A capture's file while another program goes on writing it: its header and the last of its rows are kept, whole rows
 * only, in whatever letters they are written. Rows that gave way still count: time goes on from the first of all.
 */
export class GrowingCsv {
  /** Bytes of the file that were taken or passed over. */
  seen = 0;
  private readonly name: string;
  private keptSigns: number;
  private decoder: TextDecoder | null = null;
  private head: string | null = null;
  /** All that came until the header is known: how its letters are written is told by it. */
  private begun: Uint8Array = new Uint8Array(0);
  private rows = "";
  /** Rows that gave way; a part of one where it had to be reckoned from the bytes passed over. */
  private gone = 0;
  private cutFirst = false;
  private bytesARow = 0;
  private readonly onward = pastMidnight();

  /** @param keptSigns so much of its end is kept */
  constructor(name: string, keptSigns: number) {
    this.name = name;
    this.keptSigns = keptSigns;
  }

  /** Whether nothing but the beginning has come so far. */
  get isBeginning(): boolean {
    return this.head === null;
  }

  /** Takes the bytes that follow those seen. @throws UnusableInput where what has come is no capture */
  push(bytes: Uint8Array): void {
    this.seen += bytes.length;
    if (this.head === null) return this.findHead(bytes);
    this.rows += this.decoder!.decode(bytes, { stream: true });
    this.letGo();
  }

  /** Goes on at a later byte of the file, not before the next whole row. */
  passOver(toByte: number): void {
    const skipped = toByte - this.seen;
    if (this.bytesARow > 0) this.gone += countOf(this.rows, this.lineEnd) + skipped / this.bytesARow;
    this.seen = toByte;
    this.decoder = new TextDecoder(this.decoder?.encoding ?? "utf-8");
    // What is left of the row in which it goes on is cut off with the first end of a line.
    this.rows = "";
    this.cutFirst = true;
  }

  /** The header and the last rows, as far as whole; null before the first. */
  text(): string | null {
    const end = this.rows.lastIndexOf(this.lineEnd) + 1;
    return this.head === null || end === 0 ? null : this.head + this.rows.slice(0, end);
  }

  /** Keeps no more than so many seconds from here on. @param read what `text` was read as */
  keepSeconds(seconds: number, read: Capture): void {
    const lastsS = read.channels[0]!.samples.length * read.sampleS;
    if (lastsS > seconds) this.keptSigns = Math.min(this.keptSigns, Math.ceil((this.rows.length * seconds) / lastsS));
  }

  /** What was read of `text`, at its time since the first row of the file. */
  placed(capture: Capture): Capture {
    // Without times of its own a capture begins at nought, wherever it was cut.
    const fromS = capture.startS === 0 ? this.gone * capture.sampleS : capture.startS;
    return { ...capture, startS: this.onward(fromS) };
  }

  private get lineEnd(): string {
    return (this.head ?? this.rows).includes("\n") || !this.rows.includes("\r") ? "\n" : "\r";
  }

  private findHead(bytes: Uint8Array): void {
    this.begun = joined(this.begun, bytes);
    this.decoder = new TextDecoder(encodingOf(this.begun));
    this.rows = this.decoder.decode(this.begun, { stream: true });
    if (this.rows.includes("\u0000"))
      throw new UnusableInput(t`${this.name} is not text. Let the logger write CSV, one row per sample.`);
    try {
      // The row being written may yet turn out as anything.
      const whole = this.rows.slice(0, this.rows.lastIndexOf(this.lineEnd) + 1);
      const from = startOfLine(whole, linesBeforeRows(whole, this.name));
      this.bytesARow = this.seen / Math.max(1, countOf(this.rows, this.lineEnd));
      this.head = this.rows.slice(0, from);
      this.rows = this.rows.slice(from);
      this.begun = new Uint8Array(0);
    } catch (error) {
      // Too little has come to tell: loggers write what they have gathered, many rows at a time.
      if (!(error instanceof UnusableInput) || this.rows.length > LONGEST_HEAD) throw error;
    }
  }

  private letGo(): void {
    const end = this.lineEnd;
    if (this.cutFirst) {
      const first = this.rows.indexOf(end);
      if (first < 0) return;
      this.rows = this.rows.slice(first + 1);
      this.cutFirst = false;
    }
    if (this.rows.length <= this.keptSigns) return;
    const from = this.rows.indexOf(end, this.rows.length - this.keptSigns) + 1;
    this.gone += countOf(this.rows.slice(0, from), end);
    this.rows = this.rows.slice(from);
  }
}

function joined(one: Uint8Array, other: Uint8Array): Uint8Array {
  const both = new Uint8Array(one.length + other.length);
  both.set(one);
  both.set(other, one.length);
  return both;
}

function countOf(text: string, sign: string): number {
  let count = 0;
  for (let at = text.indexOf(sign); at >= 0; at = text.indexOf(sign, at + 1)) count++;
  return count;
}
