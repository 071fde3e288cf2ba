import { t } from "@/core/words/words";
import { linePattern } from "./line-pattern";
import { isGarbled, Lines } from "../wire/lines";
import type { BytePort } from "../wire/port";
import type { Heard, Meter } from "./meter";

/**
 * A meter that sends a line for each reading and takes no orders.
 * @param pattern how its lines are read (see `linePattern`)
 * @throws Error with a sentence where the pattern cannot be used
 */
export function lineMeter(port: BytePort, pattern: string, name: string, heard: (one: Heard) => void): Meter {
  const reads = linePattern(pattern);
  if (!reads.ok) throw new Error(reads.say);
  let closed = false;
  void (async () => {
    const lines = new Lines();
    for (;;) {
      const bytes = await port.read();
      if (!bytes) break;
      const whole = bytes === "garbled" ? [] : lines.push(bytes);
      for (const line of whole) {
        const text = reads.read(line);
        if (text !== null) heard({ kind: "reading", text, instrument: null });
        else heard(isGarbled(line) ? garbled() : { kind: "line", text: line });
      }
      if (bytes === "garbled" || lines.isGarbled) {
        lines.drop();
        heard(garbled());
      }
    }
    if (!closed) heard({ kind: "gone", say: t`The meter is gone: unplugged, or its line closed.` });
  })();
  return {
    name,
    simulated: false,
    set: () => Promise.resolve(false),
    close: () => {
      closed = true;
      return port.close();
    },
  };
}

function garbled(): Heard {
  return { kind: "garbled", say: t`What arrives is no text. Is the speed (baud) the same as the meter's?` };
}
