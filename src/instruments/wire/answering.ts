import { Lines } from "./lines";
import type { BytePort } from "./port";

/**
 * A port with an instrument of our own at its other end.
 * @param obey what it answers to one message; null for an order, which is not answered
 */
export function answeringPort(obey: (message: string) => Promise<string | Uint8Array | null>): BytePort {
  const lines = new Lines();
  const out: Uint8Array[] = [];
  let wake: (() => void) | null = null;
  let closed = false;
  return {
    async read() {
      while (out.length === 0 && !closed)
        await new Promise<void>((resolve) => {
          wake = resolve;
        });
      return out.shift() ?? null;
    },
    async write(bytes) {
      for (const message of lines.push(bytes)) {
        const answer = await obey(message);
        if (answer === null) continue;
        out.push(typeof answer === "string" ? new TextEncoder().encode(`${answer}\r\n`) : answer);
        wake?.();
      }
    },
    close() {
      closed = true;
      wake?.();
      return Promise.resolve();
    },
  };
}
