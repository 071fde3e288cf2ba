import * as z from "zod/mini";
import { corners, type Corner } from "../units/corner";
import { parseReading } from "../units/reading";

/** An entry of a corner's log as a file of a whole car has it: a reading of its own, or one of the shared ones, from 0. */
export type EntryName = { reading: number } | { shared: number };

/** A shared reading that is of one corner: its live speed on the drive that told all four. */
const ofCorner = z.looseObject({ corner: z.enum(corners) });
/** All four live speeds as they stood side by side, km/h. */
const fourSpeeds = z.looseObject({
  instrument: z.literal("scan"),
  speedsKmh: z.partialRecord(z.enum(corners), z.union([z.number().check(z.gte(0)), z.string()])),
});

/**
 * What one corner has in its log: what was measured once for the whole car, then its own readings.
 * @returns the readings in order, and by what name the file has each
 */
export function readingsOf(
  corner: Corner,
  shared: readonly unknown[],
  own: readonly unknown[],
): { readings: unknown[]; names: EntryName[] } {
  const common = shared.flatMap((reading, at) => {
    const here = asSeenFrom(corner, reading);
    return here === null ? [] : [{ reading: here, name: { shared: at } }];
  });
  return {
    readings: [...common.map(({ reading }) => reading), ...own],
    names: [...common.map(({ name }) => name), ...own.map((_, reading) => ({ reading }))],
  };
}

/** A shared reading as this corner has it; null where it is another's. */
function asSeenFrom(corner: Corner, reading: unknown): unknown {
  const four = fourSpeeds.safeParse(reading);
  if (four.success) {
    const { speedsKmh, ...rest } = four.data;
    const read = Object.entries(speedsKmh).map(([at, speed]) => [at, kmhOf(speed)] as const);
    // What cannot be read is told as it stands.
    if (read.some(([, kmh]) => kmh === null)) return { ...rest, look: "speed", value: String(speedsKmh[corner] ?? "") };
    const word = speedWord(corner, Object.fromEntries(read) as Partial<Record<Corner, number>>);
    return word === null ? null : { ...rest, look: "speed", value: word };
  }
  const one = ofCorner.safeParse(reading);
  if (!one.success) return reading;
  const { corner: whose, ...rest } = one.data;
  return whose === corner ? rest : null;
}

/** A speed as it was written: a number of km/h, or with its unit; null where it is none. */
function kmhOf(speed: number | string): number | null {
  if (typeof speed === "number") return speed;
  const read = parseReading(speed, "speed");
  return read.ok && read.value.kind === "number" ? read.value.value : null;
}

/** Under this share of the others' middle a speed stands at zero; so far from it, it is high or low: more than tyres of one size wear apart. */
const [DEAD, APART] = [0.1, 0.04];

function speedWord(corner: Corner, speedsKmh: Partial<Record<Corner, number>>): string | null {
  const own = speedsKmh[corner];
  const others = corners.flatMap((one) => (one === corner ? [] : (speedsKmh[one] ?? [])));
  // The fastest but one: two dead corners do not make a third look fast.
  const middle = others.toSorted((a, b) => b - a)[Math.min(1, others.length - 1)];
  if (own === undefined || middle === undefined || Math.max(own, middle) === 0) return null;
  if (own < DEAD * middle) return "zero";
  return Math.abs(own / middle - 1) > APART && middle > DEAD * own ? "ratio-off" : "follows";
}
