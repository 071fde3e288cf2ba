import { nanoid } from "nanoid";
import type { FolderMemory, Synced } from "../core/shared-folder/sync-folder";
import { shelf } from "./shelf";

/** Among the flags: every room asks for it, and a place of its own would have to be made in each browser first. */
const folders = shelf("flags");
const KEY = "shop-folder";

/** The folder a shop chose, and what was made of it the last time. */
export interface ShopFolder {
  handle: FileSystemDirectoryHandle;
  memory: FolderMemory;
  last: (Pick<Synced, "taken" | "written" | "notRead"> & { at: string }) | null;
}

export async function shopFolder(): Promise<ShopFolder | null> {
  return folders.getItem<ShopFolder>(KEY);
}

export async function keepShopFolder(folder: ShopFolder): Promise<void> {
  await folders.setItem(KEY, folder);
}

/** Keeps a folder that was chosen; nothing is written to it yet. */
export async function chooseShopFolder(handle: FileSystemDirectoryHandle): Promise<void> {
  await keepShopFolder({ handle, memory: { author: nanoid(8), seen: {}, written: {}, met: [] }, last: null });
}

/** Forgets the folder; what is here and what is there stays. */
export async function leaveShopFolder(): Promise<void> {
  await folders.removeItem(KEY);
}
