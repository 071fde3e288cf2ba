/** Longest line taken: whatever sends more without an end is no meter. */
const LONGEST_LINE = 400;
/** Signs from which it is judged whether they are text at all, and the share of them that may be none. */
const [JUDGED_SIGNS, MOST_ODD] = [16, 0.3];

/** Cuts what arrives into lines, whatever ends them: LF, CR or both. Endless ones are cut off. */
export class Lines {
  /** A sign a byte, until the line is whole. */
  private rest = "";

  /** Lines that are whole with these bytes, empty ones left out. */
  push(bytes: Uint8Array): string[] {
    for (const byte of bytes) this.rest += String.fromCharCode(byte);
    const lines = this.rest.split(/\r\n|\n|\r/);
    this.rest = lines.pop()!;
    if (this.rest.length > LONGEST_LINE) {
      lines.push(this.rest.slice(0, LONGEST_LINE));
      this.rest = "";
    }
    return lines.map((line) => textOf(line).trim()).filter((line) => line !== "");
  }

  /** Whether what has come since the last end of a line is no text: what a wrong speed makes of it. */
  get isGarbled(): boolean {
    return this.rest.length >= JUDGED_SIGNS && isGarbled(this.rest);
  }

  /** What was begun is thrown away. */
  drop(): void {
    this.rest = "";
  }
}

/** Whether a line holds more control signs than any text does. */
export function isGarbled(line: string): boolean {
  return (line.match(/(?!\t)[\p{Cc}\ufffd]/gu)?.length ?? 0) > MOST_ODD * line.length;
}

/** Bytes as UTF-8, or as the Western European ones that older meters write "µ" and "°" in. */
function textOf(bytes: string): string {
  const raw = Uint8Array.from(bytes, (sign) => sign.charCodeAt(0));
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(raw);
  } catch {
    return new TextDecoder("windows-1252").decode(raw);
  }
}
