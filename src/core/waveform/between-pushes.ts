import { median } from "../units/median";
import { eliminated, normalEquations, type Equations, type Row } from "./elimination";

/** A wave that comes once a turn: its amplitude, and the standard error of that. */
export interface TurnWave {
  size: number;
  error: number;
}

/** An eccentric ring alone makes the speed seem to grow by less than this over a quarter of a turn. */
const PUSH = 1.15;
/** Over an eighth of a turn, its wave taken out, by less than this. */
const SLIGHT_PUSH = 1.04;
/** A stretch of less than this part of a turn tells its slowing from a wave too badly. */
const SHORTEST_TURNS = 0.45;
/** All of them together come to at least this. */
const FEWEST_TURNS = 1.5;
/** One push sets in before it shows. */
const POLES_BESIDE = 2;

/**
 * The ring's wave where a hand pushes again and again, so that no stretch is left to itself for two turns: between pushes
 * the wheel slows by its own drag, ω² = ω₀² − 2c·θ − 2k·∫ω dθ with one c and one k throughout, while the ring's wave has one
 * size and one place in all of them. Linear least squares with the heavy side of the wheel, and what a stretch does besides,
 * held to what they come to (ridge regression: C. Bishop, Pattern Recognition and Machine Learning, 3.3). Its error by
 * leaving one stretch out at a time (the jackknife: B. Efron, The Annals of Statistics 7, 1979).
 * @param speedSquared ω² of every tooth in turn, rad²/s²
 * @param heavyRad2 what a heavy side is expected to add to ω², rad²/s²
 * @returns null where fewer than three stretches, or too little of them, is left
 */
export function waveBetweenPushes(speedSquared: Float64Array, N: number, heavyRad2: number): TurnWave | null {
  const quarter = Math.max(4, Math.round(N / 4));
  const first = inCommon(
    speedSquared,
    freeStretches(speedSquared, N, quarter, () => PUSH ** 2),
    N,
    heavyRad2,
  );
  if (!first) return null;
  // With the ring's own wave, as first found, taken out, a push shows sooner.
  const [x, y] = first.whole as [number, number, ...number[]];
  const even = speedSquared.map((value, i) => {
    const angle = (2 * Math.PI * i) / N;
    return value / Math.max(0.5, 1 + x * Math.cos(angle) + y * Math.sin(angle));
  });
  const sooner = freeStretches(even, N, quarter >> 1, (squared) => SLIGHT_PUSH ** 2 + heavyRad2 / squared);
  const second = inCommon(speedSquared, sooner, N, heavyRad2);
  const [one, other] = [waveIn(first), second && waveIn(second)];
  return other && other.error < one.error ? other : one;
}

/** What several stretches say together, and the equations of each. */
interface InCommon {
  parts: Equations[];
  whole: number[];
}

function inCommon(
  speedSquared: Float64Array,
  stretches: readonly Stretch[],
  N: number,
  heavyRad2: number,
): InCommon | null {
  const all = stretches.reduce((sum, { length }) => sum + length, 0);
  if (stretches.length < FEWEST_STRETCHES || all < FEWEST_TURNS * N) return null;
  const parts = stretches.map((at) => shareOf(speedSquared, at, N, heavyRad2));
  return { parts, whole: solved(parts) };
}

function waveIn({ parts, whole }: InCommon): TurnWave {
  const without = parts.map((_, left) => solved(parts.filter((_, at) => at !== left)));
  const scatter = [0, 1].map((axis) => {
    const mean = without.reduce((sum, one) => sum + one[axis]!, 0) / without.length;
    return ((parts.length - 1) / parts.length) * without.reduce((sum, one) => sum + (one[axis]! - mean) ** 2, 0);
  });
  // A square swings by twice the share its root does.
  const error = (fewTell(parts.length) * Math.sqrt(scatter[0]! + scatter[1]!)) / 2;
  return { size: Math.hypot(whole[0]!, whole[1]!) / 2, error };
}

const FEWEST_STRETCHES = 3;

/** By how much a scatter told by few is to be widened: Student's t over the normal, near one in a hundred. */
function fewTell(stretches: number): number {
  return 1 + 3 / (stretches - 1);
}

interface Stretch {
  from: number;
  length: number;
}

/**
 * Where nobody pushes: what is left when all places are taken away over which the wheel gains speed.
 * @param over so many teeth @param most times ω², from where it is
 */
function freeStretches(
  speedSquared: Float64Array,
  N: number,
  over: number,
  most: (squared: number) => number,
): Stretch[] {
  const calm = speedSquared.map((_, i) => median([...speedSquared.subarray(Math.max(0, i - 2), i + 3)]));
  const pushed = new Uint8Array(speedSquared.length);
  for (let i = 0; i + over < calm.length; i++)
    if (calm[i + over]! > most(calm[i]!) * calm[i]!)
      pushed.fill(1, Math.max(0, i - POLES_BESIDE), i + over + POLES_BESIDE);
  const found: Stretch[] = [];
  let from = 0;
  for (let i = 0; i <= pushed.length; i++) {
    if (i < pushed.length && !pushed[i]) continue;
    if (i - from >= SHORTEST_TURNS * N) found.push({ from, length: i - from });
    from = i + 1;
  }
  return found;
}

/** The wave, the heavy side and the drag: what all stretches have in common. */
const SHARED = 6;

/** One stretch's share of the normal equations for those, its own speed and what it does besides solved away. */
function shareOf(speedSquared: Float64Array, { from, length }: Stretch, N: number, heavyRad2: number): Equations {
  const values = speedSquared.subarray(from, from + length);
  const trend = slowing(values, from, N, heavyRad2);
  const pitchRad = (2 * Math.PI) / N;
  // ∫ω dθ to each tooth, from the middle on as the angle is.
  const passed = new Float64Array(length);
  for (let k = 1; k < length; k++) passed[k] = passed[k - 1]! + Math.sqrt(trend[k]!) * pitchRad;
  const [halfWay, passedHalf] = [length / 2, passed[length >> 1]!];
  const rows = waveRows(values, trend, from, N, heavyRad2).map(({ x: [cos, sin, slowCos, slowSin] }, k): Row => {
    const along = (2 * k) / length - 1;
    const rubbing = (-2 * (k - halfWay) * pitchRad) / trend[k]!;
    const viscous = (-2 * (passed[k]! - passedHalf)) / trend[k]!;
    const own = [1 / trend[k]!, along / trend[k]!, along ** 2 - 1 / 3];
    return { value: values[k]! / trend[k]!, x: [cos!, sin!, slowCos!, slowSin!, rubbing, viscous, ...own] };
  });
  const fall = Math.abs(trend[0]! - trend[length - 1]!) / 2;
  const ownFall = Math.max(LEAST_BEND * trend[0]!, OWN_DRAG * fall);
  return withoutOwn(rows, [0, 0, 0, 0, 0, 0, 0, (NOISE / ownFall) ** 2, (NOISE / LEAST_BEND) ** 2]);
}

/** A stretch differs from the drag of all by so much of its fall: a brake that warms, a hand near by (judgement). */
const OWN_DRAG = 0.1;

/** The straight line along which ω² of one stretch falls. */
function slowing(values: Float64Array, from: number, N: number, heavyRad2: number): Float64Array {
  const { length } = values;
  let trend = values.map(() => values.reduce((sum, one) => sum + one, 0) / length);
  let bend = 0;
  // The wave goes with the speed of its moment, which the first round does not know yet.
  for (let round = 0; round < 2; round++) {
    const rows = waveRows(values, trend, from, N, heavyRad2).map(({ value, x }, k): Row => {
      const along = (2 * k) / length - 1;
      return { value, x: [...x, 1, along, along ** 2 - 1 / 3] };
    });
    const fit = leastSquares(
      rows,
      [0, 0, 1, 1, 0, 0, bend > 0 ? 1 / bend ** 2 : 0].map((one) => one * NOISE ** 2),
    );
    const [level, fall] = [fit[4]!, fit[5]!];
    bend = Math.max(LEAST_BEND, BEND * fall ** 2);
    trend = trend.map((one, k) => one * Math.max(0.05, 1 + level + fall * ((2 * k) / length - 1)));
  }
  return trend;
}

/** What stands over the trend at each tooth, as the ring's wave and as a heavy side's. */
function waveRows(values: Float64Array, trend: Float64Array, from: number, N: number, heavyRad2: number): Row[] {
  return [...values].map((value, k) => {
    const angle = (2 * Math.PI * (from + k)) / N;
    const [cos, sin, slow] = [Math.cos(angle), Math.sin(angle), heavyRad2 / trend[k]!];
    return { value: value / trend[k]! - 1, x: [cos, sin, slow * cos, slow * sin] };
  });
}

/** A period's own scatter, in parts of it: edges, poles, sampling (from memory). */
const NOISE = 0.02;
/** Drag that goes with speed bends the line by at most about a quarter of its fall squared. */
const BEND = 0.25;
const LEAST_BEND = 0.003;

function leastSquares(rows: readonly Row[], ridge: readonly number[]): number[] {
  const { matrix, right } = normalEquations(rows, ridge);
  return eliminated(matrix, right).right;
}

/** The equations of what all stretches share, once a stretch's own unknowns are eliminated (Schur complement). */
function withoutOwn(rows: readonly Row[], ridge: readonly number[]): Equations {
  const { matrix, right } = normalEquations(rows, ridge);
  const turned = [...matrix.keys()].reverse();
  const own = eliminated(
    turned.map((i) => turned.map((j) => matrix[i]![j]!)),
    turned.map((i) => right[i]!),
    matrix.length - SHARED,
  );
  const at = [...Array(SHARED).keys()].map((i) => matrix.length - 1 - i);
  return { matrix: at.map((i) => at.map((j) => own.matrix[i]![j]!)), right: at.map((i) => own.right[i]!) };
}

function solved(parts: readonly Equations[]): number[] {
  const places = [...Array(SHARED).keys()];
  const sum = (of: (one: Equations) => number) => parts.reduce((all, one) => all + of(one), 0);
  const matrix = places.map((i) =>
    places.map((j) => sum((one) => one.matrix[i]![j]!) + (i === j ? (HEAVY.has(i) ? NOISE ** 2 : TINY) : 0)),
  );
  return eliminated(
    matrix,
    places.map((i) => sum((one) => one.right[i]!)),
    SHARED,
  ).right;
}

/** Keeps what no stretch tells of at nothing. */
const TINY = 1e-6;
/** The two of the heavy side, held to what it comes to. */
const HEAVY: ReadonlySet<number> = new Set([2, 3]);
