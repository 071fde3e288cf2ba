import { t } from "../words/words";
import * as z from "zod/mini";
import { typedText } from "../units/typed-text";
import { isNarrowed } from "../car/tolerances";
import { families, nominalPulses, type CornerSetup } from "../circuit/setup";
import type { ChannelAnalysis } from "../waveform/analyse";
import type { Whose } from "../waveform/compare";

/** A recording kept for comparison, without the car's name or plate. */
export const libraryItemSchema = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(60)),
  captureId: z.string().check(z.minLength(1), z.maxLength(60)),
  kind: z.enum(["known-good", "known-bad"]),
  /** Model as said, number stripped. */
  model: typedText("model"),
  family: z.enum(families),
  pulses: z.int().check(z.gte(8), z.lte(400)),
  finding: z.string().check(z.maxLength(60)),
  at: z.string().check(z.maxLength(40)),
  /** What the recording measured, for tolerances and for reading beside a meter. */
  levels: z.optional(
    z.object({
      lowV: z.nullable(z.number()),
      highV: z.nullable(z.number()),
      millivoltsPerKmh: z.nullable(z.number()),
      dutyPct: z.nullable(z.number()),
    }),
  ),
  /** Made by the simulated car, not by a workshop. */
  simulated: z._default(z.boolean(), false),
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
  const levelled = channel.inVolts && channel.signal === "two-level";
  return {
    simulated: false,
    ...stamp,
    kind,
    model: modelName(carName),
    family: setup.family,
    pulses: channel.pulsesPerRevolution ?? nominalPulses(setup),
    finding: channel.leading,
    levels: {
      lowV: levelled ? channel.levels.lowV : null,
      highV: levelled ? channel.levels.highV : null,
      millivoltsPerKmh:
        channel.inVolts && channel.size && channel.frequencyHz && channel.speedKmh
          ? (1000 * channel.size.voltsPerHertz * channel.frequencyHz.median) / channel.speedKmh.median
          : null,
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
    from: t`${item.model}, known-good`,
    ...(lowV !== null ? { lowV } : {}),
    ...(highV !== null ? { highV } : {}),
    ...(millivoltsPerKmh !== null ? { millivoltsPerKmh } : {}),
  };
  return isNarrowed({ ...setup, known }) ? known : null;
}

/** Whose a recording is that is compared with one of this car; none of the library is one of its own job. */
export function whoseRecording(item: LibraryItem | undefined, carName: string): Whose {
  if (!item) return "this-car";
  return carName.trim() !== "" && item.model === modelName(carName) ? "this-model" : "another-car";
}

/** Items that fit a search: every word must be somewhere in what is shown. */
export function searchLibrary(items: readonly LibraryItem[], query: string): LibraryItem[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return items.filter((item) => {
    const text = `${item.model} ${item.kind} ${item.family} ${item.finding} ${item.pulses}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

/**
 * Two shops' libraries joined. An item of one id with the same content is the same item; with other content it clashes
 * and comes in under a new id beside the one that is there, so that neither is lost.
 */
export function mergeLibraries(
  own: readonly LibraryItem[],
  other: readonly LibraryItem[],
  newId: () => string,
): { added: LibraryItem[]; known: number; clashing: number } {
  const byId = new Map(own.map((item) => [item.id, item]));
  const added: LibraryItem[] = [];
  let [known, clashing] = [0, 0];
  for (const item of other) {
    const here = byId.get(item.id);
    if (!here) added.push(item);
    else if (JSON.stringify(here) === JSON.stringify(item)) known++;
    else {
      clashing++;
      added.push({ ...item, id: newId() });
    }
  }
  return { added, known, clashing };
}
