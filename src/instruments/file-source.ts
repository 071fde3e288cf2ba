import { errorWords } from "../core/words/error-words";
import { UnusableInput, type Capture } from "@/core/capture/capture";
import { GrowingCsv } from "@/core/capture/growing-csv";
import { lastSeconds, ownCopy } from "@/core/capture/last-seconds";
import { t } from "@/core/words/words";
import type { LiveSource } from "./live-source";

/** A file that another program is writing; the browser's own file handle is one. */
export interface GrowingFile {
  readonly name: string;
  getFile(): Promise<Blob & { readonly size: number }>;
}

/** How often it is looked at, in milliseconds; how much of its end is kept, in signs and no more than in seconds; and how much is taken at once, in bytes. */
const [LOOK_MS, KEPT_SIGNS, KEPT_S, PIECE_BYTES] = [500, 4_000_000, 40, 1_000_000];

/** Whether this browser lets a page read a file again while it grows. */
export function canFollowFiles(): boolean {
  return "showOpenFilePicker" in globalThis;
}

/**
 * Follows a logger's CSV while it is written: what has come is parsed as it comes, the last of it kept. A file that has
 * no rows yet is waited for.
 * @param parse reads a whole text, away from what draws the screen; rejects with UnusableInput
 * @throws UnusableInput where what is there so far cannot be read
 */
export async function fileSource(
  file: GrowingFile,
  parse: (text: string, name: string) => Promise<Capture>,
  keptSigns = KEPT_SIGNS,
): Promise<LiveSource> {
  let csv = new GrowingCsv(file.name, keptSigns);
  let latest: Capture | null = null;
  let stopped = false;
  const source = {
    name: file.name,
    channels: [] as string[],
    perUnit: Infinity,
    simulated: false,
    lostS: 0,
    ended: null as string | null,
    waiting: t`No rows of numbers in ${file.name} yet.` as string | null,
    last: (seconds: number) => latest && ownCopy(lastSeconds(latest, endOf(latest), seconds)),
    stop() {
      stopped = true;
      clearInterval(timer);
    },
  };
  const grow = async (): Promise<void> => {
    const now = await file.getFile();
    if (now.size === csv.seen) return;
    // Begun anew under the same name: what was there before is another recording.
    if (now.size < csv.seen) [csv, latest] = [new GrowingCsv(file.name, keptSigns), null];
    while (csv.seen < now.size) {
      // Even, for letters of two bytes.
      const from = now.size - (now.size % 2) - 2 * keptSigns;
      if (!csv.isBeginning && from - csv.seen > PIECE_BYTES) csv.passOver(from);
      csv.push(new Uint8Array(await now.slice(csv.seen, Math.min(now.size, csv.seen + PIECE_BYTES)).arrayBuffer()));
    }
    const text = csv.text();
    if (text === null) return;
    const read = await parse(text, file.name);
    csv.keepSeconds(KEPT_S, read);
    latest = csv.placed(read);
    source.waiting = null;
    source.channels = latest.channels.map(({ name }) => name);
  };
  /** What has come is too little yet; the next look will tell. */
  const isEarly = (error: unknown) => error instanceof UnusableInput && csv.seen < FEW_BYTES;
  await grow().catch((error: unknown) => {
    if (!isEarly(error)) throw error;
    source.waiting = messageOf(error);
  });
  let busy = false;
  const timer = setInterval(() => {
    if (busy || stopped) return;
    busy = true;
    grow()
      .catch((error: unknown) => {
        if (isEarly(error)) return void (source.waiting = messageOf(error));
        source.ended =
          error instanceof UnusableInput ? messageOf(error) : t`The file can no longer be read: ${errorWords(error)}`;
        clearInterval(timer);
      })
      .finally(() => (busy = false));
  }, LOOK_MS);
  return source;
}

/** A header and sixteen rows are written in this. */
const FEW_BYTES = 4000;

function messageOf(error: unknown): string {
  return errorWords(error);
}

function endOf({ startS, sampleS, channels }: Capture): number {
  // Half a sample over, so that no rounding leaves the newest out.
  return startS + (channels[0]!.samples.length + 0.5) * sampleS;
}
