import type { Capture } from "../core/capture/capture";
import type { ScanLog } from "../core/scanlog/scan-log";
import { shelf } from "./shelf";

const captures = shelf("captures");
const scans = shelf("scans");
const photos = shelf("photos");

export async function saveCapture(id: string, capture: Capture): Promise<void> {
  await captures.setItem(id, capture);
}

/** Takes in what another store holds: a recording that is here already stands as it is. */
export async function addCaptures(coming: readonly { id: string; capture: Capture }[]): Promise<void> {
  for (const { id, capture } of coming) if (!(await loadCapture(id))) await saveCapture(id, capture);
}

export async function loadCapture(id: string): Promise<Capture | null> {
  return captures.getItem<Capture>(id);
}

export async function dropCapture(id: string): Promise<void> {
  await captures.removeItem(id);
}

export async function saveScan(id: string, log: ScanLog): Promise<void> {
  await scans.setItem(id, log);
}

export async function loadScan(id: string): Promise<ScanLog | null> {
  return scans.getItem<ScanLog>(id);
}

export async function savePhoto(id: string, photo: Blob): Promise<void> {
  await photos.setItem(id, photo);
}

export async function loadPhoto(id: string): Promise<Blob | null> {
  return photos.getItem<Blob>(id);
}
