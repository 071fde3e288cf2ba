import { settable, usualDialect, type Settable } from "./dialect";
import { Lines } from "./lines";
import type { BytePort } from "./meter";

/** How long it takes to settle and answer, in milliseconds. */
const ANSWERS_MS = 120;

/**
 * A bench meter that is none: a port that understands the usual SCPI commands and shows what the simulated car gives.
 * @param shows the number the probes see, in base units, for what it is set to; Infinity for over limit, null for nothing there
 */
export function simulatedMeterPort(shows: (instrument: Settable) => Promise<number | null>): BytePort {
  let at: Settable = "volts-dc";
  const lines = new Lines();
  const out: Uint8Array[] = [];
  let wake: (() => void) | null = null;
  let closed = false;
  const answer = (text: string) => {
    out.push(new TextEncoder().encode(`${text}\r\n`));
    wake?.();
  };
  const obey = async (message: string) => {
    if (message === usualDialect.identify) return answer("Tastatura,Simulated bench meter,0,1");
    const set = settable.find((one) => usualDialect.set[one] === message);
    if (set) at = set;
    else if (message === usualDialect.function) answer(`"${usualDialect.set[at].replace("CONF:", "")}"`);
    else if (message === usualDialect.read) {
      await new Promise((resolve) => setTimeout(resolve, ANSWERS_MS));
      const value = await shows(at);
      answer(value === null ? "+9.91000000E+37" : Number.isFinite(value) ? value.toExponential(6) : "+9.90000000E+37");
    }
  };
  return {
    async read() {
      while (out.length === 0 && !closed)
        await new Promise<void>((resolve) => {
          wake = resolve;
        });
      return out.shift() ?? null;
    },
    async write(bytes) {
      for (const message of lines.push(bytes)) await obey(message);
    },
    close() {
      closed = true;
      wake?.();
      return Promise.resolve();
    },
  };
}
