import type { Instrument } from "@/core/checks/instruments";
import { t } from "@/core/words/words";
import { settable, type Dialect, type Settable } from "./dialect";
import { Lines } from "./lines";
import type { BytePort, Heard, Meter } from "./meter";
import { identityOf, scpiNumber } from "./scpi";

/** How often it is asked, and how long an answer may take, in milliseconds: slow ranges of bench meters take a second. */
const [ASK_MS, ANSWER_MS] = [250, 4000];
/** A continuity range answers in ohms; beepers fire under some 30 Ω (common practice). */
const BEEPS_UNDER_OHMS = 30;

const UNIT: Record<Settable, string> = {
  "volts-dc": "V",
  "volts-ac": "V",
  ohms: "Ω",
  continuity: "Ω",
  "amps-dc": "A",
  hertz: "Hz",
  capacitance: "F",
};

/**
 * A meter that takes orders by SCPI: asked who it is, set to what the check reads, and read again and again.
 * @throws Error with a sentence where it does not answer
 */
export async function scpiMeter(port: BytePort, dialect: Dialect, heard: (one: Heard) => void): Promise<Meter> {
  const talk = new Talk(port);
  const name = await introduced(talk, dialect, port);
  let at: Settable | null = null;
  let closed = false;
  let turn: Promise<unknown> = Promise.resolve();
  const order = <T>(work: () => Promise<T>): Promise<T> => {
    const mine = turn.then(work, work);
    turn = mine.catch(() => undefined);
    return mine;
  };
  void (async () => {
    for (;;) {
      const said = await order(() => talk.ask(dialect.read)).catch(() => null);
      if (closed) return;
      if (said === null)
        return heard({
          kind: "gone",
          say: t`The meter no longer answers: unplugged, switched off, or taken out of remote control.`,
        });
      const value = scpiNumber(said);
      heard(
        value === null ? { kind: "line", text: said } : { kind: "reading", text: typedText(value, at), instrument: at },
      );
      await new Promise((resolve) => setTimeout(resolve, ASK_MS));
    }
  })();
  return {
    name,
    simulated: false,
    async set(instrument: Instrument) {
      const wanted = settable.find((one) => one === instrument);
      if (!wanted || dialect.set[wanted] === "") return false;
      if (wanted !== at) await order(() => talk.tell(dialect.set[wanted]));
      at = wanted;
      return true;
    },
    async close() {
      closed = true;
      await port.close();
    },
  };
}

async function introduced(talk: Talk, dialect: Dialect, port: BytePort): Promise<string> {
  try {
    if (dialect.remote) await talk.tell(dialect.remote);
    if (!dialect.identify) return t`meter`;
    const said = await talk.ask(dialect.identify);
    const who = identityOf(said);
    return who ? `${who.maker} ${who.model}` : said.slice(0, 40);
  } catch (error) {
    await port.close();
    throw new Error(
      t`Nothing answered. Is it switched on, is its interface on, and is the speed (baud) the same on both?`,
      {
        cause: error,
      },
    );
  }
}

/** A number as somebody would type it: five digits, as most displays have. */
function typedText(value: number, at: Settable | null): string {
  if (at === "continuity") return Math.abs(value) < BEEPS_UNDER_OHMS ? "beep" : "no-beep";
  if (!Number.isFinite(value)) return "OL";
  return `${scaled(value)}${at ? UNIT[at] : ""}`;
}

const STEPS: readonly [number, string][] = [
  [1e6, " M"],
  [1e3, " k"],
  [1, " "],
  [1e-3, " m"],
  [1e-6, " µ"],
  [1e-9, " n"],
  [1e-12, " p"],
];

function scaled(value: number): string {
  const size = Math.abs(value);
  // What is next to nothing is nothing in the instrument's own unit, not so many pico of it.
  const [step, prefix] = size < 1e-12 ? ([1, " "] as const) : (STEPS.find(([one]) => size >= one) ?? STEPS.at(-1)!);
  return `${Number((value / step).toPrecision(5))}${prefix}`;
}

/** Questions and answers on one line, one at a time. */
class Talk {
  private readonly lines = new Lines();
  private readonly waiting: string[] = [];
  private ended = false;
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
  async ask(question: string): Promise<string> {
    this.waiting.length = 0;
    await this.tell(question);
    const until = Date.now() + ANSWER_MS;
    for (;;) {
      const line = this.waiting.shift();
      if (line !== undefined) return line;
      const left = until - Date.now();
      if (this.ended || left <= 0) throw new Error("no answer");
      await new Promise<void>((resolve) => {
        this.wake = resolve;
        setTimeout(resolve, left);
      });
    }
  }

  private async listen(): Promise<void> {
    for (;;) {
      const bytes = await this.port.read();
      if (!bytes) break;
      this.waiting.push(...this.lines.push(bytes));
      this.wake?.();
    }
    this.ended = true;
    this.wake?.();
  }
}
