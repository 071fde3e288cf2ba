import { EXTENDED, type BusFrames } from "./frames";
import { likelyWheels, type Place } from "./likely-wheels";

/** What a log of bus frames holds. */
export interface BusSummary {
  name: string;
  lengthS: number;
  frames: number;
  /** Its messages, the most frequent first. */
  messages: { id: number; aSecond: number; bytes: number }[];
  likely: Place[][];
}

export function busSummary(frames: BusFrames): BusSummary {
  const { timeS, id: ids, start } = frames;
  const lengthS = timeS.at(-1)! - timeS[0]!;
  const counts = new Map<number, { count: number; bytes: number }>();
  ids.forEach((id, i) => {
    const known = counts.get(id);
    counts.set(id, { count: (known?.count ?? 0) + 1, bytes: Math.max(known?.bytes ?? 0, start[i + 1]! - start[i]!) });
  });
  const messages = [...counts].map(([id, { count, bytes }]) => ({
    id,
    bytes,
    aSecond: count / Math.max(lengthS, 1e-3),
  }));
  return {
    name: frames.name,
    lengthS,
    frames: timeS.length,
    messages: messages.sort((a, b) => b.aSecond - a.aSecond),
    likely: likelyWheels(frames),
  };
}

/** An identifier as lists write it: three digits, or eight of one of 29 bits. */
export function identifierWords(id: number): string {
  const plain = id >= EXTENDED ? id - EXTENDED : id;
  return plain
    .toString(16)
    .toUpperCase()
    .padStart(id >= EXTENDED ? 8 : 3, "0");
}
