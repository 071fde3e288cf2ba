/** What a question for data was answered: a line of text, or a block of bytes. */
export type Data = { kind: "text"; text: string } | { kind: "block"; bytes: Uint8Array };

/** What claims to be longer is no recording of an oscilloscope's screen. */
const MOST_BYTES = 256_000_000;
/** A text line of so many signs without an end is none. */
const LONGEST_TEXT = 64_000_000;
const [HASH, LF, CR, SPACE, ZERO] = [35, 10, 13, 32, 48];

/**
 * Collects the answer to a question for data, however its bytes are cut: arbitrary blocks of definite length
 * (`#`, how many digits, that many digits of length, the bytes) and of indefinite length (`#0`, the bytes until the
 * message ends), with or without a header before them, or a line of text (IEEE 488.2-1992, sections 8.7.9 and 8.7.10;
 * from memory).
 */
export class DataAnswer {
  private bytes = new Uint8Array(1024);
  private size = 0;
  /** Where the block's bytes begin; null while it is not known to be one. */
  private block: { from: number; length: number | null } | null = null;
  private scanned = 0;

  /** Bytes of the block that have come, and how many it says it has; null where it does not say, or is none. */
  get progress(): { came: number; of: number | null } | null {
    return this.block && { came: this.size - this.block.from, of: this.block.length };
  }

  /** Takes what has come. @returns the answer once it is whole @throws RangeError for a length nobody would send */
  push(more: Uint8Array): Data | null {
    this.keep(more);
    this.block ??= this.blockBegun();
    if (this.block) {
      const { from, length } = this.block;
      if (length === null || this.size < from + length) return null;
      return { kind: "block", bytes: this.bytes.slice(from, from + length) };
    }
    const line = this.line();
    return line === null ? null : { kind: "text", text: line };
  }

  /** Nothing more has come for a while: the end of a block that does not say how long it is. */
  quiet(): Data | null {
    if (!this.block || this.block.length !== null) return null;
    let end = this.size;
    if (this.bytes[end - 1] === LF) end--;
    return { kind: "block", bytes: this.bytes.slice(this.block.from, end) };
  }

  /** The first line of text that is whole, taken out; lines without a sign are passed over. */
  private line(): string | null {
    for (;;) {
      const end = this.bytes.subarray(0, this.size).findIndex((byte, i) => i >= this.scanned && isEnd(byte));
      if (end < 0) {
        this.scanned = this.size;
        if (this.size > LONGEST_TEXT) throw new RangeError("a line without an end");
        return null;
      }
      const text = new TextDecoder().decode(this.bytes.subarray(0, end)).trim();
      this.bytes.copyWithin(0, end + 1, this.size);
      this.size -= end + 1;
      this.scanned = 0;
      if (text !== "") return text;
    }
  }

  /** A block stands at the beginning of a line, or behind a header and a space. */
  private blockBegun(): { from: number; length: number | null } | null {
    const begun = this.bytes.subarray(0, Math.min(this.size, LONGEST_HEADER));
    const from = begun.findIndex((byte) => !isEnd(byte));
    const at = begun.findIndex(
      (byte, i) => byte === HASH && (i === 0 || begun[i - 1]! <= SPACE) && isDigit(begun[i + 1]),
    );
    // What stands on a line of its own before it, an echo, is taken out as one first.
    if (at < 0 || begun.subarray(from, at).some(isEnd)) return null;
    const digits = begun[at + 1]! - ZERO;
    const first = at + 2 + digits;
    if (digits === 0) return { from: first, length: null };
    if (this.size < first) return null;
    const length = Number(new TextDecoder().decode(this.bytes.subarray(at + 2, first)));
    if (!Number.isInteger(length) || length > MOST_BYTES) throw new RangeError("a block of no usable length");
    return { from: first, length };
  }

  private keep(more: Uint8Array): void {
    const needed = this.size + more.length;
    if (needed > this.bytes.length) {
      const room = new Uint8Array(Math.max(needed, 2 * this.bytes.length));
      room.set(this.bytes.subarray(0, this.size));
      this.bytes = room;
    }
    this.bytes.set(more, this.size);
    this.size = needed;
  }
}

/** A header before a block is a word or two. */
const LONGEST_HEADER = 200;

function isDigit(byte: number | undefined): boolean {
  return byte !== undefined && byte >= ZERO && byte <= ZERO + 9;
}

function isEnd(byte: number): boolean {
  return byte === LF || byte === CR;
}
