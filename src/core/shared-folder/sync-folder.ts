import { strFromU8, strToU8 } from "fflate";
import { UnusableInput } from "../capture/capture";
import { exportJob, importJob } from "../job-file/file";
import { mergeJobs } from "../job/merge";
import type { Job } from "../job/schema";
import type { FolderFile, FolderShelf, SharedFolder } from "./shared-folder";

/** What stands beside a job in files of its own: recordings, drives, photos. */
export interface Attachment {
  shelf: FolderShelf;
  /** Those a job's log names. */
  idsIn(job: Job): string[];
  isHere(id: string): Promise<boolean>;
  /** Its files, the one that is written last named last; null where it is not here either. */
  files(id: string): Promise<[name: string, bytes: Uint8Array][] | null>;
  /** The names it has in the folder. */
  names(id: string, listed: readonly string[]): string[];
  /** @throws UnusableInput for files that are damaged, or not whole yet */
  keep(id: string, files: ReadonlyMap<string, Uint8Array>): Promise<void>;
}

/** What one browser keeps, as far as a folder is concerned. */
export interface Shop {
  jobs(): Promise<Job[]>;
  /** Keeps a job, joined with what is kept of it. */
  join(job: Job): Promise<void>;
  attachments: readonly Attachment[];
}

/** What is remembered of a folder from one time to the next. */
export interface FolderMemory {
  /** Names this browser's own files: nobody writes another's. */
  author: string;
  /** Files dealt with, as they were then; why one could not be read. */
  seen: Record<string, { state: string; why?: string }>;
  /** Each job as it was written last, in a few signs, and the state its file had then. */
  written: Record<string, { text: string; file: string }>;
  /** Jobs that were here and there: one that is here no more was deleted here, and is not taken in again. */
  met: string[];
}

export interface Synced {
  memory: FolderMemory;
  /** Jobs that are new here or have grown, and jobs written. */
  taken: number;
  written: number;
  /** Files that could not be read: half written, of another program, of a newer version. */
  notRead: { name: string; why: string }[];
}

/**
 * Joins what is kept here with what lies in a folder, and writes there what has changed here. Each browser writes files of
 * its own and nobody else's, so that no write can undo another; logs are joined entry by entry (see mergeJobs), so it does
 * not matter which file comes first, twice, late, under another name, or torn: what is torn is read again once it is whole.
 * @param onProgress told how many of how many files were dealt with
 */
export async function syncFolder(
  folder: SharedFolder,
  shop: Shop,
  { author, seen, written, met }: FolderMemory,
  onProgress: (done: number, of: number) => void = () => undefined,
): Promise<Synced> {
  const files = await folder.list("jobs");
  const memory: FolderMemory = { author, seen: {}, written: { ...written }, met };
  const here = new Map((await shop.jobs()).map((job) => [job.id, job]));
  const known = new Set(met);
  const notRead: Synced["notRead"] = [];
  const jobFiles = files.filter((file) => isJobFile(file, author));
  const due = jobFiles.filter((file) => seen[file.name]?.state !== stateOf(file));
  for (const { name } of jobFiles) if (seen[name]) memory.seen[name] = seen[name];
  let [taken, done] = [0, 0];
  const grown = new Set<string>();
  for (const file of due) {
    try {
      const job = importJob(strFromU8(await folder.read("jobs", file.name)), file.name);
      memory.seen[file.name] = { state: stateOf(file) };
      const own = here.get(job.id);
      if (own || !known.has(job.id)) {
        const joined = own ? mergeJobs(own, job) : job;
        if (!own || told(joined) !== told(own)) {
          here.set(job.id, joined);
          grown.add(job.id);
        }
      }
    } catch (error) {
      if (!(error instanceof UnusableInput)) throw error;
      memory.seen[file.name] = { state: stateOf(file), why: error.message };
    }
    onProgress(++done, due.length + here.size);
  }
  for (const [name, { why }] of Object.entries(memory.seen)) if (why !== undefined) notRead.push({ name, why });
  const listed = new Map(files.map((file) => [file.name, stateOf(file)]));
  const wrote = new Map<string, string>();
  const beside = await besideIn(folder, shop);
  for (const job of here.values()) {
    onProgress(++done, due.length + here.size);
    if (isDemo(job)) continue;
    const missing = await exchange(folder, shop, job, beside);
    notRead.push(...missing);
    if (grown.has(job.id)) {
      await shop.join(job);
      taken++;
    }
    known.add(job.id);
    const text = fingerprint(told(job));
    const name = ownFile(job.id, author);
    const before = memory.written[job.id];
    // A service that carries files about may have put an older one back in its place.
    if (before?.text === text && before.file === listed.get(name)) continue;
    await folder.write("jobs", name, strToU8(exportJob(job)));
    memory.written[job.id] = { text, file: "" };
    wrote.set(name, job.id);
  }
  if (wrote.size > 0)
    for (const file of await folder.list("jobs")) {
      const id = wrote.get(file.name);
      if (id !== undefined) memory.written[id]!.file = stateOf(file);
    }
  return { memory: { ...memory, met: [...known] }, taken, written: wrote.size, notRead };
}

/** Nobody's car. */
function isDemo({ simulated }: Job): boolean {
  return simulated !== undefined;
}

/** What lies beside the jobs already, by shelf. */
async function besideIn(folder: SharedFolder, { attachments }: Shop): Promise<Map<FolderShelf, Set<string>>> {
  const beside = new Map<FolderShelf, Set<string>>();
  for (const { shelf } of attachments) beside.set(shelf, new Set((await folder.list(shelf)).map(({ name }) => name)));
  return beside;
}

/** Writes what a job has beside it and the folder has not, and takes in what the folder has and is not here. */
async function exchange(
  folder: SharedFolder,
  { attachments }: Shop,
  job: Job,
  beside: Map<FolderShelf, Set<string>>,
): Promise<Synced["notRead"]> {
  const notRead: Synced["notRead"] = [];
  for (const { shelf, idsIn, isHere, files, names, keep } of attachments) {
    const there = beside.get(shelf)!;
    for (const id of idsIn(job)) {
      const listed = names(id, [...there]);
      const isThere = listed.length > 0 && listed.every((name) => there.has(name));
      const isKept = await isHere(id);
      if (isKept && !isThere)
        for (const [name, bytes] of (await files(id)) ?? []) {
          await folder.write(shelf, name, bytes);
          there.add(name);
        }
      else if (!isKept && isThere)
        try {
          const found = new Map<string, Uint8Array>();
          for (const name of listed) found.set(name, await folder.read(shelf, name));
          await keep(id, found);
        } catch (error) {
          if (!(error instanceof UnusableInput)) throw error;
          notRead.push({ name: listed.at(-1)!, why: error.message });
        }
    }
  }
  return notRead;
}

/** Largest a job's file may be. */
const MOST_BYTES = 32 * 1024 * 1024;

function isJobFile({ name, bytes }: FolderFile, author: string): boolean {
  return /\.json$/i.test(name) && !name.endsWith(ending(author)) && bytes <= MOST_BYTES;
}

/** What this browser calls its file of a job; the job's id is in it for people, and inside it for us. */
function ownFile(id: string, author: string): string {
  return `${encodeURIComponent(id)}${ending(author)}`;
}

function ending(author: string): string {
  return `~${author}.json`;
}

function stateOf({ bytes, modified }: FolderFile): string {
  return `${bytes} ${modified}`;
}

/** All a copy says; two that say the same are the same. */
function told(job: Job): string {
  return JSON.stringify(job);
}

/** A text in a few signs (FNV-1a, twice from different starts: G. Fowler, L. C. Noll and K.-P. Vo, 1991). */
function fingerprint(text: string): string {
  let [one, other] = [0x811c9dc5, 0x01000193];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    one = Math.imul(one ^ code, 0x01000193);
    other = Math.imul(other ^ code, 0x01000197);
  }
  return `${text.length.toString(36)}-${(one >>> 0).toString(36)}-${(other >>> 0).toString(36)}`;
}
