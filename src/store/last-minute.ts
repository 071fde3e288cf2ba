import { endOf, type Capture } from "../core/capture/capture";
import { after, joinedSegments, segmentBytes, segmentOf } from "../core/capture/segment";

/** Seconds of one piece and how many are kept: the last minute, in full. */
const PIECE_S = 5;
const PIECES = 12;

/** Why a watch cannot be kept in full: this browser has no private files, or no room. */
export type NotInFull = "no-files" | "no-room";

/**
 * Keeps the last minute of a watch in full in the browser's private file system (WHATWG File System), piece by piece, so that
 * a page that dies takes nothing with it.
 */
export class LastMinute {
  private readonly jobId: string;
  private untilS: number | null = null;
  private written = 0;
  private letGo: () => void = () => undefined;

  constructor(jobId: string) {
    this.jobId = jobId;
    // Held while it runs: another page of the same job takes up only what nobody writes any more.
    void navigator.locks?.request(lockOf(jobId), () => new Promise<void>((free) => (this.letGo = free)));
  }

  /** Writes what is new since the last piece, once there is enough of it. @returns why it could not, or null */
  async keep(last: (seconds: number) => Capture | null): Promise<NotInFull | null> {
    const folder = await folderOf(this.jobId, true);
    if (!folder) return "no-files";
    const newest = last(2 * PIECE_S);
    const piece = newest && after(newest, this.untilS ?? newest.startS);
    if (!piece || endOf(piece) - piece.startS < PIECE_S / 2) return null;
    try {
      const file = await folder.getFileHandle(String(this.written++ % PIECES), { create: true });
      const writing = await file.createWritable();
      await writing.write(segmentBytes(piece));
      await writing.close();
    } catch (error) {
      if (error instanceof DOMException && error.name === "QuotaExceededError") return "no-room";
      throw error;
    }
    this.untilS = endOf(piece);
    return null;
  }

  /** A watch that ended well needs it no more. */
  async end(): Promise<void> {
    await dropLastMinute(this.jobId);
    this.letGo();
  }
}

/**
 * Takes up the last minute that a page which died has kept of a watch, as one recording; what `keep` has kept is dropped here.
 * Nothing is done where none has, or where a page is at it.
 */
export async function takeUpLastMinute(jobId: string, keep: (capture: Capture) => Promise<void>): Promise<void> {
  const takeUp = async () => {
    const capture = await lastMinute(jobId);
    if (!capture) return;
    await keep(capture);
    await dropLastMinute(jobId);
  };
  if (!navigator.locks) return takeUp();
  await navigator.locks.request(lockOf(jobId), { ifAvailable: true }, (lock) => (lock ? takeUp() : undefined));
}

async function lastMinute(jobId: string): Promise<Capture | null> {
  const folder = await folderOf(jobId, false);
  if (!folder) return null;
  const pieces: Capture[] = [];
  for await (const handle of folder.values()) {
    if (handle.kind !== "file") continue;
    const file = await (handle as FileSystemFileHandle).getFile();
    const piece = segmentOf(new Uint8Array(await file.arrayBuffer()));
    if (piece) pieces.push(piece);
  }
  return joinedSegments(pieces);
}

async function dropLastMinute(jobId: string): Promise<void> {
  const watches = await watchFolder(false);
  await watches?.removeEntry(nameOf(jobId), { recursive: true }).catch(orMissing);
}

async function folderOf(jobId: string, create: boolean): Promise<FileSystemDirectoryHandle | null> {
  const watches = await watchFolder(create);
  return watches ? watches.getDirectoryHandle(nameOf(jobId), { create }).catch(orMissing) : null;
}

/** Null where this browser has no private files that a page can write. */
async function watchFolder(create: boolean): Promise<FileSystemDirectoryHandle | null> {
  const canWrite = typeof FileSystemFileHandle !== "undefined" && "createWritable" in FileSystemFileHandle.prototype;
  if (!canWrite || !navigator.storage?.getDirectory) return null;
  const root = await navigator.storage.getDirectory().catch(orRefused);
  return root ? root.getDirectoryHandle("watches", { create }).catch(orMissing) : null;
}

function lockOf(jobId: string): string {
  return `tastatura-watch-${jobId}`;
}

function nameOf(jobId: string): string {
  return encodeURIComponent(jobId);
}

function orMissing(error: unknown): null {
  if (error instanceof DOMException && error.name === "NotFoundError") return null;
  throw error;
}

/** A private window may refuse it. */
function orRefused(error: unknown): null {
  if (error instanceof DOMException && error.name === "SecurityError") return null;
  throw error;
}
