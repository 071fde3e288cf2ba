import * as z from "zod/mini";

/** Where a number stands in a frame's bytes, as a signal list gives it, and what a step of it is worth. */
export const busSignalSchema = z.object({
  /** The identifier, with `EXTENDED` added for one of 29 bits. */
  id: z.number().check(z.int(), z.gte(0), z.lte(2 ** 32)),
  /**
   * Its first bit, counted byte by byte from 0 with bit 0 the lowest of each: of a number with its low byte first the lowest
   * bit, of one with its high byte first the highest.
   */
  firstBit: z.number().check(z.int(), z.gte(0), z.lte(511)),
  bits: z.number().check(z.int(), z.gte(1), z.lte(32)),
  order: z.enum(["high-first", "low-first"]),
  signed: z.boolean(),
  /** km/h a step. */
  scale: z.number().check(z.gte(-1000), z.lte(1000)),
  offsetKmh: z.number().check(z.gte(-1e6), z.lte(1e6)),
});
export type BusSignal = z.infer<typeof busSignalSchema>;

/** From so many bits on, ones alone say “no value”, as cars commonly do (common practice, no source). */
const NO_VALUE_FROM_BITS = 8;

/** The speed in a frame, km/h; NaN where the frame is too short or says that it has none. */
export function speedIn(bytes: Uint8Array, signal: BusSignal): number {
  const raw = rawIn(bytes, signal);
  if (Number.isNaN(raw)) return NaN;
  const none = 2 ** signal.bits - 1;
  if (!signal.signed && signal.bits >= NO_VALUE_FROM_BITS && raw === none) return NaN;
  const value = signal.signed && raw >= 2 ** (signal.bits - 1) ? raw - 2 ** signal.bits : raw;
  return value * signal.scale + signal.offsetKmh;
}

/** The number that stands in the bytes, without sign or scale; NaN where the frame is too short. */
export function rawIn(
  bytes: Uint8Array,
  { firstBit, bits, order }: Pick<BusSignal, "firstBit" | "bits" | "order">,
): number {
  let value = 0;
  if (order === "low-first") {
    if (firstBit + bits > 8 * bytes.length) return NaN;
    for (let i = bits - 1; i >= 0; i--) value = 2 * value + bitAt(bytes, firstBit + i);
    return value;
  }
  // Downwards through each byte, and on at the top of the next.
  const from = 8 * (firstBit >> 3) + 7 - (firstBit & 7);
  if (from + bits > 8 * bytes.length) return NaN;
  for (let i = from; i < from + bits; i++) value = 2 * value + bitAt(bytes, (i & ~7) + 7 - (i & 7));
  return value;
}

function bitAt(bytes: Uint8Array, bit: number): number {
  return (bytes[bit >> 3]! >> (bit & 7)) & 1;
}
