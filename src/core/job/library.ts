import * as z from "zod";
import { families } from "../circuit/setup";

/** A recording kept for comparison, without the car's name or plate. */
export const libraryItemSchema = z.object({
  id: z.string().min(1).max(60),
  captureId: z.string().min(1).max(60),
  kind: z.enum(["known-good", "known-bad"]),
  /** Model as said, number stripped. */
  model: z.string().max(120),
  family: z.enum(families),
  pulses: z.number().int().min(8).max(400),
  finding: z.string().max(60),
  at: z.string().max(40),
});
export type LibraryItem = z.infer<typeof libraryItemSchema>;

/** “Osmund Drover 09” as “Osmund Drover”: a fleet number or plate at the end is nobody else's business. */
export function modelName(carName: string): string {
  return carName.replace(/[\s#-]*[A-Z]{0,3}\d[\w-]*$/i, "").trim() || "car";
}

/** Items that fit a search: every word must be somewhere in what is shown. */
export function searchLibrary(items: readonly LibraryItem[], query: string): LibraryItem[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return items.filter((item) => {
    const text = `${item.model} ${item.kind} ${item.family} ${item.finding} ${item.pulses}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
