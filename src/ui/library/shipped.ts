import { t } from "@/core/words/words";
import * as z from "zod/mini";
import type { Capture } from "@/core/capture/capture";
import { parseCaptureCsv } from "@/core/capture/csv";
import { libraryItemSchema, type LibraryItem } from "@/core/library/library";

/** The simulated recordings that come with the app. */
export async function listShipped(): Promise<LibraryItem[]> {
  const response = await fetch("/shipped/library.json");
  if (!response.ok) throw new Error(t`the shipped library: ${response.status}`);
  return z.array(libraryItemSchema).parse(await response.json());
}

/** One of them by its capture's id; null for any other id. */
export async function loadShipped(captureId: string): Promise<Capture | null> {
  if (!/^shipped-\d+$/.test(captureId)) return null;
  const response = await fetch(`/shipped/${captureId}.csv`);
  return response.ok ? parseCaptureCsv(await response.text(), captureId) : null;
}
