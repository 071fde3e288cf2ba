import { createServer, type Server } from "node:net";
import type { BytePort } from "./wire/port";

/**
 * Puts a simulated instrument on a TCP port of this machine alone, one caller at a time beside others: what it is told
 * comes in as bytes, what it answers goes out as them.
 * @returns the server, once it listens @throws Error where the port is taken
 */
export async function serveInstrument(open: () => BytePort, port: number): Promise<Server> {
  const server = createServer((socket) => {
    const instrument = open();
    socket.on("data", (bytes) => void instrument.write(bytes));
    socket.on("close", () => void instrument.close());
    // A caller that hangs up in the middle of an answer is gone, and nothing else.
    socket.on("error", () => socket.destroy());
    void (async () => {
      for (let bytes; (bytes = await instrument.read());) if (bytes !== "garbled") socket.write(bytes);
    })();
  });
  await new Promise<void>((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, "127.0.0.1", resolve);
  });
  return server;
}
