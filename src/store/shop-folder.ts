import { UnusableInput } from "../core/capture/capture";
import { packCapture, unpackCapture } from "../core/job-file/capture-pack";
import type { Job } from "../core/job/schema";
import { parseScanCsv } from "../core/scanlog/scan-csv";
import { scanToCsv } from "../core/scanlog/scan-to-csv";
import type { FolderShelf, SharedFolder } from "../core/shared-folder/shared-folder";
import { syncFolder, type Attachment } from "../core/shared-folder/sync-folder";
import { loadCapture, loadPhoto, loadScan, saveCapture, savePhoto, saveScan } from "./captures";
import { listJobs, saveJob } from "./jobs";
import { keepShopFolder, shopFolder, type ShopFolder } from "./kept-folder";

/**
 * Joins what is kept here with what lies in the folder, one tab at a time.
 * @returns null where there is no folder, or another tab is at it
 * @throws DOMException where the folder is gone or may not be used
 */
export async function syncShopFolder(
  onProgress: (done: number, of: number) => void,
  now: () => Date,
): Promise<ShopFolder["last"]> {
  return navigator.locks.request("shop-folder", { ifAvailable: true }, async (lock) => {
    const kept = lock && (await shopFolder());
    if (!kept) return null;
    const folder = new DirectoryFolder(kept.handle);
    const { memory, ...done } = await syncFolder(folder, SHOP, kept.memory, onProgress);
    const last = { ...done, at: now().toISOString() };
    // It may have been left meanwhile.
    if (await shopFolder()) await keepShopFolder({ handle: kept.handle, memory, last });
    return last;
  });
}

/** A folder of this machine, with one folder in it for each kind of file. */
class DirectoryFolder implements SharedFolder {
  private readonly root: FileSystemDirectoryHandle;

  constructor(root: FileSystemDirectoryHandle) {
    this.root = root;
  }

  async list(shelf: FolderShelf) {
    const found: { name: string; bytes: number; modified: number }[] = [];
    for await (const entry of (await this.at(shelf)).values()) {
      if (entry.kind !== "file") continue;
      const { size, lastModified } = await (entry as FileSystemFileHandle).getFile();
      found.push({ name: entry.name, bytes: size, modified: lastModified });
    }
    return found;
  }

  async read(shelf: FolderShelf, name: string) {
    const file = await (await this.at(shelf)).getFileHandle(name);
    return new Uint8Array(await (await file.getFile()).arrayBuffer());
  }

  /** The browser writes beside the file and puts it in its place when it is whole. */
  async write(shelf: FolderShelf, name: string, bytes: Uint8Array) {
    const file = await (await this.at(shelf)).getFileHandle(name, { create: true });
    const stream = await file.createWritable();
    await stream.write(bytes as Uint8Array<ArrayBuffer>);
    await stream.close();
  }

  private at(shelf: FolderShelf): Promise<FileSystemDirectoryHandle> {
    return this.root.getDirectoryHandle(shelf, { create: true });
  }
}

const idsOf =
  <K extends "capture" | "scan" | "photo">(
    kind: K,
    id: (entry: Extract<Job["entries"][number], { kind: K }>) => string,
  ) =>
  (job: Job): string[] =>
    job.entries.flatMap((entry) => (entry.kind === kind ? [id(entry as Extract<typeof entry, { kind: K }>)] : []));

const CAPTURES: Attachment = {
  shelf: "captures",
  idsIn: idsOf("capture", ({ captureId }) => captureId),
  isHere: async (id) => (await loadCapture(id)) !== null,
  files: async (id) => {
    const capture = await loadCapture(id);
    // The samples first: where the description is there, all is.
    return capture && packCapture(id, capture).map(inFolder).reverse();
  },
  names: (id) =>
    packCapture(id, NOTHING)
      .map((file) => inFolder(file)[0])
      .reverse(),
  keep: async (id, files) => {
    const inZip = Object.fromEntries([...files].map(([name, bytes]) => [`captures/${name}`, bytes]));
    const capture = unpackCapture(inZip, id, "captures");
    if (capture) await saveCapture(id, capture);
  },
};

const NOTHING = { name: "", sampleS: 1, startS: 0, channels: [] };

function inFolder([name, bytes]: [string, Uint8Array]): [string, Uint8Array] {
  return [name.replace("captures/", ""), bytes];
}

const SCANS: Attachment = {
  shelf: "scans",
  idsIn: idsOf("scan", ({ scanId }) => scanId),
  isHere: async (id) => (await loadScan(id)) !== null,
  files: async (id) => {
    const log = await loadScan(id);
    return log && [[`${encodeURIComponent(id)}.csv`, new TextEncoder().encode(scanToCsv(log))]];
  },
  names: (id) => [`${encodeURIComponent(id)}.csv`],
  keep: async (id, files) => {
    const [[name, bytes]] = [...files] as [[string, Uint8Array]];
    await saveScan(id, parseScanCsv(new TextDecoder().decode(bytes), name));
  },
};

/** Kinds of picture, by the ending of their file's name. */
const PICTURES: Record<string, string> = { jpg: "image/jpeg", png: "image/png", webp: "image/webp" };

const PHOTOS: Attachment = {
  shelf: "photos",
  idsIn: (job) => [...idsOf("photo", ({ photoId }) => photoId)(job), ...(job.diagram ? [job.diagram.photoId] : [])],
  isHere: async (id) => (await loadPhoto(id)) !== null,
  files: async (id) => {
    const photo = await loadPhoto(id);
    if (!photo) return null;
    const ending = Object.keys(PICTURES).find((one) => PICTURES[one] === photo.type) ?? "jpg";
    return [[`${encodeURIComponent(id)}.${ending}`, new Uint8Array(await photo.arrayBuffer())]];
  },
  names: (id, listed) =>
    Object.keys(PICTURES)
      .map((ending) => `${encodeURIComponent(id)}.${ending}`)
      .filter((name) => listed.includes(name))
      .slice(0, 1),
  keep: async (id, files) => {
    const [[name, bytes]] = [...files] as [[string, Uint8Array]];
    if (bytes.length === 0) throw new UnusableInput(`${name} is empty`);
    await savePhoto(id, new Blob([bytes as Uint8Array<ArrayBuffer>], { type: PICTURES[name.split(".").at(-1)!]! }));
  },
};

const SHOP = {
  jobs: async () => (await listJobs()).jobs,
  join: async (job: Job) => void (await saveJob(job)),
  attachments: [CAPTURES, SCANS, PHOTOS],
};
