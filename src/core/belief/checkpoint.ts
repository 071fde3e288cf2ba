import * as z from "zod/mini";
import type { Suspectable } from "../faults/catalogue";
import { suspectId } from "../faults/catalogue";
import { together } from "../faults/pair";
import type { Observation } from "../observation/observation";

const numbers = z.custom<Float64Array>((value) => value instanceof Float64Array);
const bytes = z.custom<Uint8Array>((value) => value instanceof Uint8Array);

/**
 * All that readings have made of one draw of candidates, as plain values: with the same set-up, complaint and seed it goes on from here
 * instead of weighing its whole log anew. No part of it is worth keeping when the model has changed.
 */
const drawSchema = z.object({
  /** Pairs of faults in the running, each by the ids of its two and its prior. */
  pairs: z.array(z.tuple([z.string(), z.string(), z.number()])),
  scores: numbers,
  weight: numbers,
  covariances: z.array(numbers),
  /** For each observation, in order: what each hypothesis made of it, what all did, each candidate's chance of a slip. */
  weighed: z.array(z.object({ byHypothesis: numbers, overall: z.number(), slips: bytes })),
  unlisted: z.number(),
  /** For each hypothesis, 1 where its fault can change a reading of the log. */
  touched: bytes,
  stoodAt: z.nullable(z.union([z.literal(0), z.literal(1)])),
  /** What the channels read so far say of the last recording. */
  recording: z.optional(z.object({ name: z.string(), channels: z.number(), came: numbers })),
  initial: numbers,
});

export type DrawCheckpoint = z.infer<typeof drawSchema>;

/** The same of a belief: of the draw that leads, which of the two it is, and of the other one where there is one. */
export const checkpointSchema = z.extend(drawSchema, {
  draw: z.union([z.literal(0), z.literal(1)]),
  other: z.optional(drawSchema),
});

export type Checkpoint = z.infer<typeof checkpointSchema>;

/** A checkpoint and the observations it was made of, in order. */
export interface Resume<C extends DrawCheckpoint = Checkpoint> {
  checkpoint: C;
  log: readonly Observation[];
}

export function pairNames(pairs: readonly Suspectable[]): DrawCheckpoint["pairs"] {
  return pairs.map(({ of, prior }) => {
    const [first, second] = of!.map(({ fault, place }) => suspectId(fault, place)) as [string, string];
    return [first, second, prior];
  });
}

/** The pairs of those names. @throws RangeError for a fault that is not among these */
export function pairsNamed(names: DrawCheckpoint["pairs"], singles: readonly Suspectable[]): Suspectable[] {
  const byId = new Map(singles.map(({ fault, place, prior }) => [suspectId(fault, place), { fault, place, prior }]));
  const single = (id: string): Suspectable => {
    const found = byId.get(id);
    if (!found) throw new RangeError(`no fault ${id} on this corner`);
    return found;
  };
  return names.map(([first, second, prior]) => together(single(first), single(second), prior));
}

/**
 * A chance of a slip in one byte, the small ones kept finest: thousands of candidates for each reading of a long log.
 */
export function packedSlip(chance: number): number {
  return Math.round(255 * Math.cbrt(Math.min(1, Math.max(0, chance))));
}

/** @param packed by `packedSlip` */
export function slipOf(packed: number): number {
  return SLIPS[packed]!;
}

const SLIPS = Float64Array.from({ length: 256 }, (_, i) => (i / 255) ** 3);
