import * as z from "zod";
import { isNarrowed } from "../car/tolerances";
import { families, type CornerSetup } from "../circuit/setup";
import type { ChannelAnalysis } from "../waveform/analyse";

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
  /** What the recording measured, for tolerances and for reading beside a meter. */
  levels: z
    .object({
      lowV: z.number().nullable(),
      highV: z.number().nullable(),
      millivoltsPerKmh: z.number().nullable(),
      dutyPct: z.number().nullable(),
    })
    .optional(),
  /** Made by the simulated car, not by a workshop. */
  simulated: z.boolean().default(false),
});
export type LibraryItem = z.infer<typeof libraryItemSchema>;

/** “Osmund Drover 09” as “Osmund Drover”: a fleet number or plate at the end is nobody else's business. */
export function modelName(carName: string): string {
  return carName.replace(/[\s#-]*[A-Z]{0,3}\d[\w-]*$/i, "").trim() || "car";
}

/** A recording as a library item: what it measured, and nothing of whose car it was. */
export function libraryItem(
  { carName, setup }: { carName: string; setup: CornerSetup },
  channel: ChannelAnalysis,
  kind: LibraryItem["kind"],
  stamp: { id: string; captureId: string; at: string; simulated?: boolean },
): LibraryItem {
  const levelled = channel.signal === "two-level";
  return {
    simulated: false,
    ...stamp,
    kind,
    model: modelName(carName),
    family: setup.family,
    pulses: setup.pulsesPerRevolution,
    finding: channel.leading,
    levels: {
      lowV: levelled ? channel.levels.lowV : null,
      highV: levelled ? channel.levels.highV : null,
      millivoltsPerKmh:
        channel.signal === "sine" && channel.speedKmh ? (1000 * channel.peakToPeakV) / channel.speedKmh.max : null,
      dutyPct: channel.dutyPct,
    },
  };
}

/** What a known-good item tells of every car of its model; null when it tells nothing of this kind of sensor. */
export function knownFrom(item: LibraryItem, setup: CornerSetup): NonNullable<CornerSetup["known"]> | null {
  const { levels } = item;
  if (item.kind !== "known-good" || item.family !== setup.family || !levels) return null;
  const { lowV, highV, millivoltsPerKmh } = levels;
  const known = {
    from: `${item.model}, known-good`,
    ...(lowV !== null ? { lowV } : {}),
    ...(highV !== null ? { highV } : {}),
    ...(millivoltsPerKmh !== null ? { millivoltsPerKmh } : {}),
  };
  return isNarrowed({ ...setup, known }) ? known : null;
}

/** Items that fit a search: every word must be somewhere in what is shown. */
export function searchLibrary(items: readonly LibraryItem[], query: string): LibraryItem[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return items.filter((item) => {
    const text = `${item.model} ${item.kind} ${item.family} ${item.finding} ${item.pulses}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
