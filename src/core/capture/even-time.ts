/** Rows at even steps of time. */
export interface EvenRows {
  /** In the unit of the times given. */
  step: number;
  columns: Float64Array[];
}

/** Rows a block's mean step is taken over: times written with few digits even out. */
const BLOCK = 16;
/** Blocks of a sampled recording are alike to this; a list of changes follows the wheel. */
const UNEVEN = 1.3;
/** Nearly every row of a list of changes differs from the one before it. */
const CHANGES = 0.9;
/** Steps in the shortest state that is met often. */
const STEPS_A_STATE = 8;
/** Steps no further apart than this are one and the same, written with few digits. */
const ALIKE = 1.05;
/** All columns together: a few rows far apart must not fill the memory. */
const MOST_SAMPLES = 2_000_000;

/**
 * Recordings that are not sampled at even steps, put at even steps: a list of changes (a logic analyser's) is held from one
 * change to the next, a simulation's rows are joined by straight lines. Times may stand still, and never run backwards.
 * @returns null where the rows are evenly sampled as they are
 */
export function evenRows(time: Float64Array, columns: readonly Float64Array[]): EvenRows | null {
  const changes = isListOfChanges(columns);
  if (!changes && !isUneven(time)) return null;
  const steps = new Float64Array(time.length - 1);
  for (let i = 1; i < time.length; i++) steps[i - 1] = time[i]! - time[i - 1]!;
  const lasting = steps.filter((step) => step > 0).sort();
  if (lasting.length < 2 || lasting.at(-1)! < ALIKE * lasting[0]!) return null;
  const length = time.at(-1)! - time[0]!;
  const often = changes ? lasting[Math.floor(0.02 * lasting.length)]! / STEPS_A_STATE : lasting[lasting.length >> 1]!;
  const step = Math.max(often, (length * columns.length) / MOST_SAMPLES);
  const count = Math.floor(length / step) + 1;
  const out = columns.map(() => new Float64Array(count));
  let row = 0;
  for (let i = 0; i < count; i++) {
    const at = time[0]! + i * step;
    while (row + 1 < time.length && time[row + 1]! <= at) row++;
    const next = Math.min(row + 1, time.length - 1);
    const along = changes || next === row ? 0 : (at - time[row]!) / (time[next]! - time[row]!);
    columns.forEach((values, c) => (out[c]![i] = values[row]! + along * (values[next]! - values[row]!)));
  }
  return { step, columns: out };
}

/** Whether all columns know two values only, and nearly every row brings a change. */
export function isListOfChanges(columns: readonly Float64Array[]): boolean {
  const rows = columns[0]!.length;
  if (!columns.every(hasTwoValues)) return false;
  let changed = 0;
  for (let i = 1; i < rows; i++) if (columns.some((values) => values[i] !== values[i - 1])) changed++;
  // Some write the value before each change and after it, at one and the same time.
  return changed > CHANGES * (rows - 1);
}

function hasTwoValues(values: Float64Array): boolean {
  const [first] = values;
  const other = values.find((value) => value !== first);
  return values.every((value) => value === first || value === other);
}

function isUneven(time: Float64Array): boolean {
  const blocks = Math.floor((time.length - 1) / BLOCK);
  if (blocks < 4) return false;
  const means = Float64Array.from({ length: blocks }, (_, b) => time[(b + 1) * BLOCK]! - time[b * BLOCK]!).sort();
  const [few, many] = [means[Math.floor(0.1 * blocks)]!, means[Math.floor(0.9 * blocks)]!];
  return few > 0 ? many / few > UNEVEN : false;
}
