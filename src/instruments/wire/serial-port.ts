import { t } from "@/core/words/words";
import type { BytePort } from "./port";

/** What is used here of the browser's own serial ports (WICG Web Serial). */
interface Serial {
  requestPort(): Promise<SerialPort>;
}
interface SerialPort {
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
}

/** Whether this browser hands out serial ports at all. */
export function hasSerial(): boolean {
  return "serial" in navigator;
}

/**
 * Lets the user choose a serial port and opens it.
 * @throws Error with a sentence to show: none chosen, taken by another program, a browser that cannot
 */
export async function serialPort(baudRate: number): Promise<BytePort> {
  if (!hasSerial())
    throw new Error(t`This browser hands out no serial ports. Chromium-based browsers on a computer do.`);
  const port = await (navigator as Navigator & { serial: Serial }).serial.requestPort().catch((error: unknown) => {
    throw new Error(t`No port chosen.`, { cause: error });
  });
  try {
    await port.open({ baudRate });
  } catch (error) {
    throw new Error(t`The port did not open: another program may have it.`, { cause: error });
  }
  return bytePort(port);
}

/**
 * A serial port as bytes in and out. After a broken byte (parity, framing, overrun) the port hands out a new stream and
 * goes on; one that hands out none is gone (WICG Web Serial, section 4.5).
 */
export function bytePort(port: SerialPort): BytePort {
  let reader = port.readable!.getReader();
  const writer = port.writable!.getWriter();
  return {
    read: async () => {
      try {
        const { value, done } = await reader.read();
        return done ? null : value;
      } catch {
        const next = port.readable;
        if (!next || next.locked) return null;
        reader = next.getReader();
        return "garbled";
      }
    },
    write: (bytes) => writer.write(bytes),
    async close() {
      await reader.cancel().catch(() => undefined);
      reader.releaseLock();
      writer.releaseLock();
      await port.close().catch(() => undefined);
    },
  };
}
