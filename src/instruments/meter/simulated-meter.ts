import { answeringPort } from "../wire/answering";
import type { BytePort } from "../wire/port";
import { settable, usualDialect, type Settable } from "./dialect";

/** How long it takes to settle and answer, in milliseconds. */
const ANSWERS_MS = 120;

/**
 * A bench meter that is none: a port that understands the usual SCPI commands and shows what the simulated car gives.
 * @param shows the number the probes see, in base units, for what it is set to; Infinity for over limit, null for nothing there
 */
export function simulatedMeterPort(shows: (instrument: Settable) => Promise<number | null>): BytePort {
  let at: Settable = "volts-dc";
  return answeringPort(async (message) => {
    if (message === usualDialect.identify) return "Tastatura,Simulated bench meter,0,1";
    if (message === usualDialect.function) return `"${usualDialect.set[at].replace("CONF:", "")}"`;
    if (message !== usualDialect.read) {
      at = settable.find((one) => usualDialect.set[one] === message) ?? at;
      return null;
    }
    await new Promise((resolve) => setTimeout(resolve, ANSWERS_MS));
    const value = await shows(at);
    if (value === null) return "+9.91000000E+37";
    return Number.isFinite(value) ? value.toExponential(6) : "+9.90000000E+37";
  });
}
