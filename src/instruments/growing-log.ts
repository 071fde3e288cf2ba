import { appendFile, mkdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import type { Capture } from "@/core/capture/capture";
import { captureToCsv } from "@/core/capture/csv";

/** Rows are written so often, in milliseconds. */
const WRITE_MS = 250;

/**
 * Writes a recording into a folder as a logger does: row by row as its time comes, in one file after another, each from
 * the recording's beginning.
 * @returns how to stop
 */
export async function growingLog(recording: Capture, folder: string): Promise<() => void> {
  await mkdir(folder, { recursive: true });
  const lines = captureToCsv(recording).split("\n");
  const rows = recording.channels[0]!.samples.length;
  const head = lines.length - 1 - rows;
  const every = Math.round(WRITE_MS / 1000 / recording.sampleS);
  let [file, written] = [0, rows];
  let path = "";
  const write = async () => {
    if (written >= rows) {
      path = join(folder, `logger-${++file}.csv`);
      written = 0;
      await writeFile(path, `${lines.slice(0, head).join("\n")}\n`);
    }
    const next = lines.slice(head + written, head + Math.min(rows, written + every));
    written += next.length;
    await appendFile(path, `${next.join("\n")}\n`);
  };
  await write();
  let busy = false;
  const timer = setInterval(() => {
    if (busy) return;
    busy = true;
    // A disk that is full ends the log as it would end a logger's.
    write()
      .catch(() => clearInterval(timer))
      .finally(() => (busy = false));
  }, WRITE_MS);
  return () => clearInterval(timer);
}
