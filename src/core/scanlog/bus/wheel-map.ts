import * as z from "zod/mini";
import { corners, type Corner } from "../../units/corner";
import { numberField, positiveField, wholeField } from "../../units/number-field";
import type { WheelSignals } from "./bus-to-scan";
import type { Place } from "./likely-wheels";

export const firstBitField = wholeField(0, 511);
export const bitsField = wholeField(8, 32);
export const stepField = positiveField(1000);
export const offsetField = numberField(-10_000, 10_000);

const wheelSchema = z.object({
  /** The identifier, with `EXTENDED` added for one of 29 bits. */
  id: z.number().check(z.int(), z.gte(0), z.lte(2 ** 32)),
  firstBit: firstBitField.schema,
});

/** Where a car's bus carries its four wheel speeds: they are packed alike, each at a place of its own. */
export const wheelMapSchema = z.object({
  bits: bitsField.schema,
  order: z.enum(["high-first", "low-first"]),
  signed: z.boolean(),
  /** km/h a step. */
  scale: stepField.schema,
  offsetKmh: offsetField.schema,
  wheels: z.object({
    FL: z.optional(wheelSchema),
    FR: z.optional(wheelSchema),
    RL: z.optional(wheelSchema),
    RR: z.optional(wheelSchema),
  }),
});
export type WheelMap = z.infer<typeof wheelMapSchema>;

/** What a step is worth most often (common practice, no source). */
const USUAL_STEP_KMH = 0.01;

export function signalsOf({ wheels, ...packed }: WheelMap): WheelSignals {
  return Object.fromEntries(
    corners.flatMap((corner) => (wheels[corner] ? [[corner, { ...packed, ...wheels[corner] }]] : [])),
  );
}

/** A map to begin with: places as they were found, in the order most cars have them. */
export function mapOf(places: readonly Place[]): WheelMap {
  const [first] = places;
  return {
    bits: first?.bits ?? 16,
    order: first?.order ?? "high-first",
    signed: false,
    scale: USUAL_STEP_KMH,
    offsetKmh: 0,
    wheels: Object.fromEntries(
      corners.flatMap((corner, i) => (places[i] ? [[corner, { id: places[i].id, firstBit: places[i].firstBit }]] : [])),
    ),
  };
}

/**
 * The map with its step such that the highest speed it shows is the one the driver saw.
 * @param shownKmh the highest by the map as it is @param saidKmh by the speedometer
 */
export function withStep(map: WheelMap, shownKmh: number, saidKmh: number): WheelMap {
  const raw = (shownKmh - map.offsetKmh) / map.scale;
  const scale = (saidKmh - map.offsetKmh) / raw;
  return Number.isFinite(scale) && scale > 0 ? { ...map, scale: Number(scale.toPrecision(4)) } : map;
}

/** Two wheels change places. */
export function swapped(map: WheelMap, one: Corner, other: Corner): WheelMap {
  return { ...map, wheels: { ...map.wheels, [one]: map.wheels[other], [other]: map.wheels[one] } };
}
