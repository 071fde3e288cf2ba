import { UnusableInput, type Capture } from "@/core/capture/capture";
import { parseCaptureCsv } from "@/core/capture/csv";
import { lastSeconds, ownCopy } from "@/core/capture/last-seconds";
import { t } from "@/core/words/words";
import type { LiveSource } from "./live-source";

/** A file that another program is writing; the browser's own file handle is one. */
export interface GrowingFile {
  readonly name: string;
  getFile(): Promise<Blob & { readonly size: number }>;
}

/** How often it is looked at, in milliseconds, and how much of its end is kept, in signs. */
const [LOOK_MS, KEPT_SIGNS] = [500, 4_000_000];
/** Lines before the first row of numbers are few. */
const HEAD_BYTES = 20_000;

/** Whether this browser lets a page read a file again while it grows. */
export function canFollowFiles(): boolean {
  return "showOpenFilePicker" in globalThis;
}

/**
 * Follows a logger's CSV while it is written: what has come is parsed as it comes, the last of it kept.
 * @throws UnusableInput where what is there so far cannot be read
 */
export async function fileSource(file: GrowingFile): Promise<LiveSource> {
  let seen = 0;
  let head = "";
  let rows = "";
  let latest: Capture | null = null;
  let stopped = false;
  const source = {
    name: file.name,
    channels: [] as string[],
    perUnit: Infinity,
    simulated: false,
    lostS: 0,
    ended: null as string | null,
    last: (seconds: number) => latest && ownCopy(lastSeconds(latest, endOf(latest), seconds)),
    stop() {
      stopped = true;
      clearInterval(timer);
    },
  };
  const grow = async (): Promise<void> => {
    const now = await file.getFile();
    if (now.size === seen) return;
    // Begun anew under the same name: what was there before is another recording.
    if (now.size < seen) [seen, head, rows] = [0, "", ""];
    if (head === "") head = headOf(await now.slice(0, HEAD_BYTES).text());
    const from = Math.max(seen, now.size - KEPT_SIGNS);
    const came = await now.slice(from, now.size).text();
    if (seen === 0 && from === 0) rows = came.slice(head.length);
    else rows = (from > seen ? "" : rows) + came;
    seen = now.size;
    if (rows.length > KEPT_SIGNS) rows = rows.slice(rows.indexOf("\n", rows.length - KEPT_SIGNS) + 1);
    // The row being written is left for the next look.
    const whole = rows.slice(0, rows.lastIndexOf("\n") + 1);
    latest = parseCaptureCsv(head + whole, file.name);
    source.channels = latest.channels.map(({ name }) => name);
  };
  await grow();
  let busy = false;
  const timer = setInterval(() => {
    if (busy || stopped) return;
    busy = true;
    grow()
      .catch((error: unknown) => {
        // Too little has come since it was begun anew: the next look will tell.
        if (error instanceof UnusableInput && rows.length < HEAD_BYTES) return;
        source.ended =
          error instanceof UnusableInput ? error.message : t`The file can no longer be read: ${String(error)}`;
        clearInterval(timer);
      })
      .finally(() => (busy = false));
  }, LOOK_MS);
  return source;
}

/** All lines before the first that is numbers alone. */
function headOf(text: string): string {
  let at = 0;
  while (at < text.length) {
    const end = text.indexOf("\n", at);
    const line = text.slice(at, end < 0 ? text.length : end).trim();
    if (/^[-+\d.,;\t eE]+$/.test(line) && /\d/.test(line)) return text.slice(0, at);
    if (end < 0) break;
    at = end + 1;
  }
  return text.slice(0, at);
}

function endOf({ startS, sampleS, channels }: Capture): number {
  // Half a sample over, so that no rounding leaves the newest out.
  return startS + (channels[0]!.samples.length + 0.5) * sampleS;
}
