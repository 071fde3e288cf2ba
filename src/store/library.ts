import localforage from "localforage";
import type { Capture } from "../core/capture/capture";
import { libraryItemSchema, type LibraryItem } from "../core/job/library";
import { saveCapture } from "./jobs";

const library = localforage.createInstance({ name: "tastatura", storeName: "library" });

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
