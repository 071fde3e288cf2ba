/** Longest line taken: whatever sends more without an end is no meter. */
const LONGEST_LINE = 400;

/** Cuts what arrives into lines, whatever ends them: LF, CR or both. Endless ones are cut off. */
export class Lines {
  private rest = "";
  private readonly decoder = new TextDecoder("utf-8");

  /** Lines that are whole with these bytes, empty ones left out. */
  push(bytes: Uint8Array): string[] {
    this.rest += this.decoder.decode(bytes, { stream: true });
    const lines = this.rest.split(/\r\n|\n|\r/);
    this.rest = lines.pop()!;
    if (this.rest.length > LONGEST_LINE) {
      lines.push(this.rest.slice(0, LONGEST_LINE));
      this.rest = "";
    }
    return lines.map((line) => line.trim()).filter((line) => line !== "");
  }
}
