import type { Instrument } from "@/core/checks/instruments";
import { t } from "@/core/words/words";
import { introduced } from "../wire/introduced";
import type { BytePort } from "../wire/port";
import { scpiNumber } from "../wire/scpi";
import { Talk } from "../wire/talk";
import { settable, type Dialect, type Settable } from "./dialect";
import { functionOf } from "./function-of";
import { linePattern } from "./line-pattern";
import type { Heard, Meter } from "./meter";

/** How often it is asked, in milliseconds. */
const ASK_MS = 250;
/** What it is set to is in its memory: no answer by then is none. */
const MODE_ANSWER_MS = 1500;
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

/** A number with its unit behind it, as some answer. */
const withUnit = linePattern("{value} {unit}");

/**
 * A meter that takes orders by SCPI: asked who it is, set to what the check reads, and read again and again. After each
 * reading it is asked what it is set to: an order may have been refused, or somebody turned its knob.
 * @throws Error with a sentence where it does not answer
 */
export async function scpiMeter(port: BytePort, dialect: Dialect, heard: (one: Heard) => void): Promise<Meter> {
  const talk = new Talk(port);
  const name = await introduced(talk, dialect, t`meter`).catch(async (error: unknown) => {
    await port.close();
    throw error;
  });
  let at: Settable | "other" | null = null;
  let says = dialect.function !== "";
  let closed = false;
  let turn: Promise<unknown> = Promise.resolve();
  const order = <T>(work: () => Promise<T>): Promise<T> => {
    const mine = turn.then(work, work);
    turn = mine.catch(() => undefined);
    return mine;
  };
  void (async () => {
    for (;;) {
      const said = await order(async () => {
        const answer = await talk.ask(dialect.read);
        if (!says) return { answer, mode: at };
        // One that does not know the question is not asked again: each time it would add an error to its list.
        const mode = functionOf(await talk.ask(dialect.function, MODE_ANSWER_MS).catch(() => ""));
        says = mode !== null;
        return { answer, mode: mode ?? at };
      }).catch(() => null);
      if (closed) return;
      if (said === null)
        return heard({
          kind: "gone",
          say: t`The meter no longer answers: unplugged, switched off, or taken out of remote control.`,
        });
      heard(heardOf(said.answer, said.mode));
      await new Promise((resolve) => setTimeout(resolve, ASK_MS));
    }
  })();
  return {
    name,
    simulated: false,
    async set(instrument: Instrument) {
      const wanted = settable.find((one) => one === instrument);
      if (!wanted || dialect.set[wanted] === "") {
        // Turned by hand from here on: what it was set to by wire says no more.
        at = null;
        return false;
      }
      await order(async () => {
        await talk.tell(dialect.set[wanted]);
        at = wanted;
      });
      return true;
    },
    async close() {
      closed = true;
      await port.close();
    },
  };
}

function heardOf(answer: string, mode: Settable | "other" | null): Heard {
  const value = scpiNumber(answer);
  if (value !== null) return { kind: "reading", text: typedText(value, mode), instrument: mode };
  const text = withUnit.ok ? withUnit.read(answer) : null;
  // A bare number that is none by the grammar stands for "no reading".
  return text === null || /\d$/.test(text)
    ? { kind: "line", text: answer }
    : { kind: "reading", text, instrument: mode };
}

/** A number as somebody would type it: five digits, as most displays have. */
function typedText(value: number, at: Settable | "other" | null): string {
  if (at === "continuity") return Math.abs(value) < BEEPS_UNDER_OHMS ? "beep" : "no-beep";
  if (!Number.isFinite(value)) return "OL";
  return `${scaled(value)}${at && at !== "other" ? UNIT[at] : ""}`;
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
