import { t } from "@/core/words/words";
import { linePattern } from "./line-pattern";
import { Lines } from "./lines";
import type { BytePort, Heard, Meter } from "./meter";

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
      for (const line of lines.push(bytes)) {
        const text = reads.read(line);
        heard(text === null ? { kind: "line", text: line } : { kind: "reading", text, instrument: null });
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
