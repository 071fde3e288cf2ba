import { errorWords } from "../core/words/error-words";
import type { Capture } from "@/core/capture/capture";
import { t } from "@/core/words/words";
import { fileSource, type GrowingFile } from "./file-source";
import type { LiveSource } from "./live-source";

/** A folder a logger writes its files into; the browser's own directory handle is one. */
export interface GrowingFolder {
  readonly name: string;
  values(): AsyncIterable<GrowingFolderEntry>;
}
type GrowingFolderEntry =
  | { readonly kind: "file"; readonly name: string; getFile(): Promise<File> }
  | { readonly kind: "directory"; readonly name: string };

/** How often it is looked for a newer file, in milliseconds. */
const LOOK_MS = 2000;
/** Names of what loggers write. */
const LOGGED = /\.(csv|tsv|txt)$/i;

/**
 * Follows the newest file of a folder while it is written, and the next one as soon as the logger begins it.
 * @param parse reads a whole text, away from what draws the screen; rejects with UnusableInput
 * @throws UnusableInput where the newest file so far cannot be read
 */
export async function folderSource(
  folder: GrowingFolder,
  parse: (text: string, name: string) => Promise<Capture>,
): Promise<LiveSource> {
  /** `laterS`: each file begins its own time; what is followed goes on with that of the first. */
  let followed: { name: string; source: LiveSource; laterS: number } | null = null;
  let beganAt: { endS: number; ms: number } | null = null;
  let ended: string | null = null;
  const turnToNewest = async () => {
    const newest = await newestOf(folder);
    if (!newest || newest.name === followed?.name) return;
    const source = await fileSource(newest, parse);
    followed?.source.stop();
    const endS = endOf(source);
    beganAt ??= { endS, ms: Date.now() };
    followed = { name: newest.name, source, laterS: beganAt.endS + (Date.now() - beganAt.ms) / 1000 - endS };
  };
  await turnToNewest();
  let busy = false;
  const timer = setInterval(() => {
    if (busy) return;
    busy = true;
    turnToNewest()
      .catch((error: unknown) => {
        // One begun but not readable yet, or gone again: what was followed goes on.
        ended = followed ? null : t`The folder can no longer be read: ${errorWords(error)}`;
      })
      .finally(() => (busy = false));
  }, LOOK_MS);
  return {
    get name() {
      return followed ? `${folder.name}/${followed.name}` : folder.name;
    },
    get channels() {
      return followed?.source.channels ?? [];
    },
    perUnit: Infinity,
    simulated: false,
    lostS: 0,
    get ended() {
      return ended ?? followed?.source.ended ?? null;
    },
    get waiting() {
      return followed ? (followed.source.waiting ?? null) : t`No file of numbers in ${folder.name} yet.`;
    },
    last(seconds) {
      const last = followed?.source.last(seconds);
      return last ? { ...last, startS: last.startS + followed!.laterS } : null;
    },
    stop() {
      clearInterval(timer);
      followed?.source.stop();
    },
  };
}

/** The file last written to; null where there is none. */
async function newestOf(folder: GrowingFolder): Promise<GrowingFile | null> {
  let newest: { file: GrowingFile; at: number } | null = null;
  for await (const entry of folder.values()) {
    if (entry.kind !== "file" || !LOGGED.test(entry.name)) continue;
    const at = (await entry.getFile()).lastModified;
    if (!newest || at > newest.at) newest = { file: entry, at };
  }
  return newest?.file ?? null;
}

function endOf(source: LiveSource): number {
  const last = source.last(1);
  return last ? last.startS + last.channels[0]!.samples.length * last.sampleS : 0;
}
