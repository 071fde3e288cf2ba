import { isListOfChanges } from "./even-time";

/** Rows without a hole in their times, all where there is none. */
export interface WithoutHoles {
  time: Float64Array;
  columns: readonly Float64Array[];
  /** In the unit of the times; null where there is none. */
  holes: { count: number; longest: number; leftOut: number } | null;
}

/**
 * A logger that paused, segments in one file, files put together: the rows on either side of a hole are no neighbours, and a
 * signal joined across it would have lost its pulses there. Of such a file the longest whole stretch is taken. A list of
 * changes (a logic analyser's) has none: nothing changed in between.
 * @param time of each row, rising or standing still
 */
export function withoutHoles(time: Float64Array, columns: readonly Float64Array[]): WithoutHoles {
  const stretch = isListOfChanges(columns) ? null : longestWholeStretch(time);
  if (!stretch) return { time, columns, holes: null };
  const { from, to, holes, gone, longestHole } = stretch;
  const whole = time.subarray(from, to);
  const recorded = time.at(-1)! - time[0]! - gone;
  return {
    time: whole,
    columns: columns.map((values) => values.subarray(from, to)),
    holes: { count: holes, longest: longestHole, leftOut: Math.max(0, recorded - (whole.at(-1)! - whole[0]!)) },
  };
}

/** The longest stretch of rows between holes in their times. */
interface WholeStretch {
  /** Rows, the last not included. */
  from: number;
  to: number;
  holes: number;
  /** In the unit of the times given. */
  longestHole: number;
  /** All holes together. */
  gone: number;
}

/** Of nearly all steps none is longer than this share's. */
const NEARLY_ALL = 0.95;
/** A step so many times longer than nearly all others is none: nothing was recorded in it. */
const TIMES_LONGER = 20;
/** Right before a hole and after it rows follow each other as everywhere. */
const TIMES_AROUND = 3;
const SOME_STEPS = 20_000;
/** A stretch of fewer rows is no recording. */
const FEWEST_ROWS = 16;

/** A row far from both its neighbours is no hole but a recording of few rows. Null where there is no hole. */
function longestWholeStretch(time: Float64Array): WholeStretch | null {
  const step = (row: number) => (row < 1 || row >= time.length ? 0 : time[row]! - time[row - 1]!);
  const lasting: number[] = [];
  // Of a long recording some are enough; one that is not counted in here is no commoner for that.
  const every = Math.ceil(time.length / SOME_STEPS);
  let since = 0;
  for (let row = 1; row < time.length; row++) if (step(row) > 0 && since++ % every === 0) lasting.push(step(row));
  if (lasting.length < 2) return null;
  const usual = lasting.sort((a, b) => a - b)[Math.floor(NEARLY_ALL * (lasting.length - 1))]!;
  const starts: number[] = [];
  let [longestHole, gone] = [0, 0];
  for (let row = 1; row < time.length; row++) {
    if (step(row) <= TIMES_LONGER * usual || Math.max(step(row - 1), step(row + 1)) > TIMES_AROUND * usual) continue;
    starts.push(row);
    longestHole = Math.max(longestHole, step(row));
    gone += step(row);
  }
  if (starts.length === 0) return null;
  const edges = [0, ...starts, time.length];
  let [from, to] = [0, 0];
  for (let i = 1; i < edges.length; i++)
    if (edges[i]! - edges[i - 1]! > to - from) [from, to] = [edges[i - 1]!, edges[i]!];
  if (to - from < FEWEST_ROWS) return null;
  return { from, to, holes: starts.length, longestHole, gone };
}
