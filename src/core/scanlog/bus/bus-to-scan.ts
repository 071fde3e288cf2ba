import { corners, type Corner } from "../../units/corner";
import { median } from "../../units/median";
import type { ScanLog } from "../scan-log";
import type { BusFrames } from "./frames";
import { speedIn, type BusSignal } from "./signal";

export type WheelSignals = Partial<Record<Corner, BusSignal>>;

/** A wheel's speed counts as the newest until so many of its own usual times from frame to frame are over. */
const STALE_FRAMES = 3;

/**
 * Four wheel speeds as a log, from frames and where each wheel's speed stands in them: a row whenever the first wheel's
 * frame comes, with the newest of the others; nothing where theirs has stopped coming.
 */
export function busToScan(frames: BusFrames, signals: WheelSignals): ScanLog {
  const named = corners.filter((corner) => signals[corner]);
  const ids = new Set(named.map((corner) => signals[corner]!.id));
  const everyS = new Map([...ids].map((id) => [id, usualStepS(frames, id)]));
  const lead = named.length > 0 ? signals[named[0]!]!.id : -1;
  const newest = new Map<Corner, { timeS: number; speedKmh: number }>();
  const rows: number[][] = [];
  const add = (timeS: number) =>
    rows.push([
      timeS,
      ...corners.map((corner) => {
        const last = newest.get(corner);
        const most = STALE_FRAMES * (everyS.get(signals[corner]?.id ?? -1) ?? 0);
        return last && timeS - last.timeS <= most ? last.speedKmh : NaN;
      }),
    ]);
  let rowS: number | null = null;
  for (let i = 0; i < frames.timeS.length; i++) {
    const id = frames.id[i]!;
    if (!ids.has(id)) continue;
    const timeS = frames.timeS[i]!;
    // A row is full only once what belongs to the same moment has come: it is written when the next one begins.
    if (id === lead && rowS !== null) add(rowS);
    if (id === lead) rowS = timeS;
    const bytes = frames.bytes.subarray(frames.start[i], frames.start[i + 1]);
    for (const corner of named) {
      if (signals[corner]!.id !== id) continue;
      newest.set(corner, { timeS, speedKmh: speedIn(bytes, signals[corner]!) });
    }
  }
  if (rowS !== null) add(rowS);
  const blocks = atScanRate(rows);
  return {
    name: frames.name,
    timeS: Float64Array.from(blocks, ([timeS]) => timeS!),
    speedKmh: Object.fromEntries(
      corners.map((corner, c) => [corner, Float64Array.from(blocks, (row) => row[c + 1]!)]),
    ) as Record<Corner, Float64Array>,
  };
}

/** A scan tool's rate: what follows is judged by wheels and drivers, which are slower. */
const BLOCK_S = 0.1;
/** A speed this far from the middle one of its block, km/h and share, is no driving: a loss of a few frames must not be passed over. */
const [ODD_KMH, ODD_SHARE] = [2, 0.2];

/** Rows in blocks of a scan tool's rate: of each block and wheel the middle value, or the one farthest from it where that is none of driving. */
function atScanRate(rows: readonly number[][]): number[][] {
  const blocks: number[][] = [];
  for (let from = 0; from < rows.length;) {
    let to = from + 1;
    while (to < rows.length && rows[to]![0]! - rows[from]![0]! < BLOCK_S - 1e-6) to++;
    const block = rows.slice(from, to);
    const speeds = corners.map((_, c) => standsFor(block.map((row) => row[c + 1]!)));
    blocks.push([block[block.length >> 1]![0]!, ...speeds]);
    from = to;
  }
  return blocks;
}

function standsFor(speeds: readonly number[]): number {
  const middle = speeds[speeds.length >> 1]!;
  const usual = median(speeds.filter((speed) => !Number.isNaN(speed)));
  const far = speeds.reduce((odd, one) => (Math.abs(one - usual) > Math.abs(odd - usual) ? one : odd), usual);
  return Math.abs(far - usual) > Math.max(ODD_KMH, ODD_SHARE * usual) ? far : middle;
}

/** The median time from one frame of an identifier to the next. */
function usualStepS({ timeS, id: ids }: BusFrames, id: number): number {
  const times = timeS.filter((_, i) => ids[i] === id);
  const steps = times
    .slice(1)
    .map((time, i) => time - times[i]!)
    .sort();
  return steps[steps.length >> 1] ?? Infinity;
}
