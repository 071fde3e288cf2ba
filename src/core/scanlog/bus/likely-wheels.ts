import { mean, sampleCorrelation } from "simple-statistics";
import type { BusFrames } from "./frames";
import { rawIn, type BusSignal } from "./signal";

/** A place in a frame whose number moves as a wheel's speed does. */
export type Place = Pick<BusSignal, "id" | "firstBit" | "bits" | "order">;

/** Pairs of frames one after the other that are looked at, spread over the whole log. */
const LOOKED_AT = 700;
/** Identifiers with fewer are no cyclic message. */
const FEWEST = 20;
/** Steps a number goes through in a drive: less is a state or a counter of gears. */
const LEAST_RANGE = 100;
/** A speed moves by little of its range from one frame to the next: what has its bits in the wrong place jumps by half of it. */
const SMOOTH = 0.03;
/** Wheels of a car roll alike, in tight bends too. */
const [ALIKE, ALIKE_SIZE] = [0.9, 1.35];
const WIDTHS = [16, 15, 14, 13, 12] as const;

/**
 * Places that move as wheel speeds do, in groups of two to four in one message that go alike all through a drive: most
 * likely first. One beside three of a kind that does not is proposed with them: it may be the wheel at fault. Which of them
 * is which wheel, and what a step is worth, no log tells.
 */
export function likelyWheels(frames: BusFrames): Place[][] {
  const rows = new Map<number, number[]>();
  frames.id.forEach((id, i) => {
    const known = rows.get(id);
    if (known) known.push(i);
    else rows.set(id, [i]);
  });
  const counts = new Map([...rows].map(([id, { length }]) => [id, length]));
  const groups = [...rows].flatMap(([id, all]) => groupIn(framesAt(frames, all), id));
  return groups
    .map((group) => (group.length > 2 ? group : withTheOtherAxle(group, groups, counts)))
    .filter((group, i, all) => all.findIndex((one) => one[0]!.id === group[0]!.id) === i)
    .sort((a, b) => b.length - a.length || b[0]!.bits - a[0]!.bits);
}

/** Identifiers of one thing's messages lie near each other, and come as often. */
const [SIBLING_IDS, SIBLING_COUNT] = [16, 0.03];

/** Two wheels in a message have their fellows at the same places of another that comes as often. */
function withTheOtherAxle(pair: Place[], groups: readonly Place[][], counts: ReadonlyMap<number, number>): Place[] {
  const { id, order } = pair[0]!;
  const often = counts.get(id)!;
  const siblings = [...counts].filter(
    ([one, count]) =>
      one !== id && Math.abs(one - id) <= SIBLING_IDS && Math.abs(count - often) <= SIBLING_COUNT * often + 1,
  );
  const alike = siblings.filter(([one]) =>
    groups.some((group) => group[0]!.id === one && group.length === 2 && group[0]!.order === order),
  );
  const other = (alike[0] ?? siblings[0])?.[0];
  if (other === undefined) return pair[0]!.firstBit < 32 ? fourOf(pair) : pair;
  const both = [...pair, ...pair.map((place) => ({ ...place, id: other }))];
  return both.sort((a, b) => a.id - b.id);
}

/** Two of the first in a message, and those that would follow them. */
function fourOf(pair: Place[]): Place[] {
  const [first, second] = pair as [Place, Place];
  const step = second.firstBit - first.firstBit;
  const from = first.firstBit >= step ? first.firstBit % step : first.firstBit;
  const all = [0, 1, 2, 3].map((k) => ({ ...first, firstBit: from + k * step }));
  return all.every(({ firstBit }) => firstBit < 64) ? all : pair;
}

/** A message's frames two by two, each with the one after it. */
function framesAt({ start, bytes }: BusFrames, all: readonly number[]): Uint8Array[] {
  const step = Math.max(2, 2 * Math.floor(all.length / 2 / LOOKED_AT));
  return all.filter((_, k) => k % step < 2).map((i) => bytes.subarray(start[i], start[i + 1]));
}

function groupIn(frames: readonly Uint8Array[], id: number): Place[][] {
  const shortest = Math.min(...frames.map(({ length }) => length));
  if (frames.length < FEWEST || shortest < 4) return [];
  const groups = (["high-first", "low-first"] as const).flatMap((order) => {
    const moving = Array.from({ length: shortest - 1 }, (_, byte) => placeAt(frames, id, byte, order));
    // Bytes of two neighbours read as one move too, but less evenly than either.
    const apart: Moving[] = [];
    for (const one of moving.filter((each) => each !== null).sort((a, b) => a.unrest - b.unrest))
      if (apart.every((other) => Math.abs(other.byte - one.byte) >= 2)) apart.push(one);
    return alikeGroups(apart.sort((a, b) => a.byte - b.byte));
  });
  // On a straight road the low byte of one wheel and the high byte of the next make a speed too, the wrong way about: of fewer wheels.
  const restOf = (group: readonly Moving[]) => group.reduce((sum, { unrest }) => sum + unrest / group.length, 0);
  const best = groups.sort((a, b) => b.length - a.length || restOf(a) - restOf(b))[0];
  return best ? [withTheOdd(best, shortest)] : [];
}

interface Moving {
  place: Place;
  byte: number;
  series: Float64Array;
  /** How far it moves from frame to frame, for its range. */
  unrest: number;
}

/** The widest number in two bytes that moves as a speed does, or null. */
function placeAt(frames: readonly Uint8Array[], id: number, byte: number, order: BusSignal["order"]): Moving | null {
  for (const bits of WIDTHS) {
    const place = placeOf(id, byte, bits, order);
    const series = Float64Array.from(frames, (bytes) => rawIn(bytes, place));
    // A bit at the top that is always set belongs to something else.
    if (series.every((value) => value >= 2 ** (bits - 1))) continue;
    const unrest = unrestOf(series);
    if (unrest < SMOOTH) return { place, byte, series, unrest };
  }
  return null;
}

function placeOf(id: number, byte: number, bits: number, order: BusSignal["order"]): Place {
  return { id, firstBit: order === "low-first" ? 8 * byte : 8 * byte + bits - 9, bits, order };
}

function unrestOf(series: Float64Array): number {
  const sorted = series.toSorted();
  const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))]!;
  const range = at(0.98) - at(0.02);
  // What only rises, as a counter or a distance does, never comes back.
  if (range < LEAST_RANGE || series.every((value, i) => i === 0 || value >= series[i - 1]!)) return Infinity;
  let moved = 0;
  for (let i = 1; i < series.length; i += 2) moved += Math.abs(series[i]! - series[i - 1]!);
  return moved / (series.length >> 1) / range;
}

/** Numbers side by side that move alike. */
function alikeGroups(moving: readonly Moving[]): Moving[][] {
  const groups: Moving[][] = [];
  for (const one of moving) {
    const group = groups.find(
      (members) =>
        members.length < 4 &&
        members[0]!.place.order === one.place.order &&
        members.some((other) => areAlike(other.series, one.series)),
    );
    if (group) group.push(one);
    else groups.push([one]);
  }
  return groups.filter((members) => members.length >= 2);
}

/** With three alike, the fourth in line, whatever it does: all as wide as the narrowest. */
function withTheOdd(group: readonly Moving[], length: number): Place[] {
  const { id, order } = group[0]!.place;
  const bits = Math.min(...group.map(({ place }) => place.bits));
  const bytes = group.map(({ byte }) => byte);
  const step = Math.min(...bytes.slice(1).map((byte, i) => byte - bytes[i]!));
  const gap = bytes.findIndex((byte, i) => i > 0 && byte - bytes[i - 1]! === 2 * step);
  const after = bytes.at(-1)! + step;
  const before = bytes[0]! - step;
  const missing = gap > 0 ? bytes[gap]! - step : after + 2 <= length ? after : before;
  const all = group.length === 3 && missing >= 0 ? [...bytes, missing].sort((a, b) => a - b) : bytes;
  return all.map((byte) => placeOf(id, byte, bits, order));
}

function areAlike(a: Float64Array, b: Float64Array): boolean {
  const [one, other] = [[...a], [...b]];
  const [least, most] = [mean(one), mean(other)].sort((x, y) => x - y) as [number, number];
  return most <= ALIKE_SIZE * least && sampleCorrelation(one, other) > ALIKE;
}
