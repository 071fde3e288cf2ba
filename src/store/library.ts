import type { Capture } from "../core/capture/capture";
import { libraryItemSchema, type LibraryItem } from "../core/library/library";
import type { KeptCapture } from "../core/job-file/zip";
import { addCaptures, saveCapture } from "./captures";
import { shelf } from "./shelf";

const library = shelf("library");

/** Every kept recording, newest first. */
export async function listLibrary(): Promise<LibraryItem[]> {
  const found: LibraryItem[] = [];
  await library.iterate((value: unknown) => {
    const parsed = libraryItemSchema.safeParse(value);
    if (parsed.success) found.push(parsed.data);
  });
  return found.sort((a, b) => (a.at < b.at ? 1 : -1));
}

/** Keeps a recording with its samples, its own name left behind. */
export async function keepInLibrary(item: LibraryItem, capture: Capture): Promise<void> {
  await saveCapture(item.captureId, { ...capture, name: `${item.model}, ${item.kind}` });
  await library.setItem(item.id, item);
}

/** Adds another shop's items and their recordings; a recording under a name that is taken stays as it is. */
export async function addToLibrary(items: readonly LibraryItem[], captures: readonly KeptCapture[]): Promise<void> {
  await addCaptures(captures);
  for (const item of items) await library.setItem(item.id, item);
}

/** Takes an item off the shelf; its recording stays with any job that has it. */
export async function removeFromLibrary(id: string): Promise<void> {
  await library.removeItem(id);
}
