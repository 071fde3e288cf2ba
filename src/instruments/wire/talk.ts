import { DataAnswer, type Data } from "./data-answer";
import { Lines } from "./lines";
import type { BytePort } from "./port";

/** How long an answer may take to begin or to go on, in milliseconds: slow ranges of bench meters take a second. */
const ANSWER_MS = 4000;
/** A block without a length has ended when nothing has come for so long. */
const QUIET_MS = 700;

/** Questions and answers on one line, one at a time. */
export class Talk {
  private readonly lines = new Lines();
  private readonly waiting: string[] = [];
  /** Where what arrives goes while data is waited for. */
  private taking: Uint8Array[] | null = null;
  private ended = false;
  /** Bytes came broken since data was asked for. */
  private isBroken = false;
  private wake: (() => void) | null = null;
  private readonly port: BytePort;

  constructor(port: BytePort) {
    this.port = port;
    void this.listen();
  }

  tell(message: string): Promise<void> {
    return this.port.write(new TextEncoder().encode(`${message}\n`));
  }

  /** @throws Error where no answer came in time, or the line is closed */
  async ask(question: string, withinMs = ANSWER_MS): Promise<string> {
    this.waiting.length = 0;
    await this.tell(question);
    const until = Date.now() + withinMs;
    for (;;) {
      const line = this.waiting.shift();
      // Some send back what they are told before they answer.
      if (line === question) continue;
      if (line !== undefined) return line;
      const left = until - Date.now();
      if (this.ended || left <= 0) throw new Error("no answer");
      await this.more(left);
    }
  }

  /**
   * Asks for data: a line of text or a block of bytes, of any length, as slow as the line is.
   * @param told how many bytes have come, and of how many
   * @throws Error where nothing came for as long as an answer may take, or the line is closed; RangeError for a length nobody would send
   */
  async askData(question: string, told: (progress: { came: number; of: number | null }) => void): Promise<Data> {
    const pieces: Uint8Array[] = [];
    [this.taking, this.isBroken] = [pieces, false];
    try {
      await this.tell(question);
      const answer = new DataAnswer();
      let heardAt = Date.now();
      for (;;) {
        const piece = pieces.shift();
        if (piece) heardAt = Date.now();
        let whole = piece ? answer.push(piece) : Date.now() - heardAt >= QUIET_MS ? answer.quiet() : null;
        if (whole?.kind === "text" && whole.text === question) whole = answer.push(new Uint8Array());
        if (whole) return whole;
        if (answer.progress) told(answer.progress);
        if (pieces.length > 0) continue;
        if (this.ended || this.isBroken || Date.now() - heardAt >= ANSWER_MS) throw new Error("no answer");
        await this.more(QUIET_MS);
      }
    } finally {
      this.taking = null;
    }
  }

  private more(withinMs: number): Promise<void> {
    return new Promise((resolve) => {
      const timer = setTimeout(resolve, withinMs);
      this.wake = () => {
        clearTimeout(timer);
        resolve();
      };
    });
  }

  private async listen(): Promise<void> {
    for (;;) {
      const bytes = await this.port.read();
      if (!bytes) break;
      if (bytes === "garbled") {
        this.lines.drop();
        this.isBroken = true;
      } else if (this.taking) this.taking.push(bytes);
      else this.waiting.push(...this.lines.push(bytes));
      this.wake?.();
    }
    this.ended = true;
    this.wake?.();
  }
}
