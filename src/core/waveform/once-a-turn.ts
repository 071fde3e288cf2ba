import { median } from "../units/median";
import { waveBetweenPushes, type TurnWave } from "./between-pushes";
import { inverted, normalEquations } from "./elimination";
import type { Pulse, Rhythm } from "./pulses";
import { middlesBeside } from "./ring-pattern";

export type Turning = { pulses: readonly Pulse[]; rhythm: Rhythm };

/** A wave needs two whole turns to be one. */
const FEWEST_TURNS = 2;
const MANY_TURNS = 4;
/** A hand that stays on the wheel may push in step with the turn for some of them. */
const TURNS_PUSHED = 12;
/** Where it was not left to itself, so many times what a heavy side does is expected of the hand. */
const PUSHED = 4;

/** What an eccentric ring or a playing bearing makes wave once a turn; null when there are not two whole turns. */
export interface TurnWaves {
  /** Of the period, as a share of it, what a heavy side of the wheel does left out. */
  period: TurnWave | null;
  /** Of the height for its speed, as a share of it. */
  height: TurnWave | null;
  /** Of the high share of a pulse, in parts of a pulse. */
  duty: TurnWave | null;
}

/**
 * The once-per-turn waves of a ring of `N` teeth: of period and duty where the wheel ran out by itself, of height through
 * all turns.
 */
export function onceATurn(ranOut: Turning, through: Turning, N: number, sampleS: number): TurnWaves {
  const turnsOf = ({ rhythm: { teeth } }: Turning) => (teeth.at(-1) ?? 0) / N;
  const squaresOf = (turning: Turning) => speedSquaredOf(turning, N, sampleS);
  // Nobody pushes a driven wheel, nor one that gains speed evenly over many turns, at one place of each turn.
  const pushed =
    turnsOf(ranOut) < FEWEST_TURNS && turnsOf(through) >= (isDriven(squaresOf(through), N) ? MANY_TURNS : TURNS_PUSHED);
  const { pulses, rhythm } = pushed ? through : ranOut;
  const { periods, teeth } = rhythm;
  // A wheel running out loses ω² in a straight line over the angle, which a mean over one turn takes out whole; its period
  // bends ever more the nearer it is to standing, and what that leaves would pass for a wave.
  const speedSquared = squaresOf({ pulses, rhythm });
  // A coil's voltage rises with speed as its period falls: their product holds the gap alone.
  // No push of a hand changes it, so that all turns tell.
  const height = byTooth(
    through.rhythm.teeth,
    through.rhythm.periods,
    (pitches, value, i) => (through.pulses[i]!.heightV * value) / pitches,
  );
  const duty = byTooth(teeth, periods, (pitches, _, i) => (pitches > 1 ? NaN : pulses[i]!.duty));
  return {
    period: surer(
      ringsOwn(
        evenedOut(speedSquared, N, true),
        N,
        HEAVY_RAD2 * (isDriven(speedSquared, N) ? DRIVEN : pushed ? PUSHED : 1),
      ),
      waveBetweenPushes(squaresOf(through).subarray(0, MOST_TURNS * N), N, HEAVY_RAD2),
    ),
    height: firstWave(evenedOut(height, N, true), N, true),
    duty: overHarmonics(evenedOut(duty, N, false), N),
  };
}

/** Whether a wheel keeps its speed over turns enough to tell that it is driven. */
export function isDrivenThrough(turning: Turning, N: number, sampleS: number): boolean {
  return isDriven(speedSquaredOf(turning, N, sampleS), N);
}

/** ω² of each tooth, rad²/s². */
function speedSquaredOf({ rhythm: { teeth, periods } }: Turning, N: number, sampleS: number): Float64Array {
  const pitchRad = (2 * Math.PI) / N;
  return byTooth(teeth, periods, (pitches, period) => ((pitches * pitchRad) / (period * sampleS)) ** 2);
}

function surer(one: TurnWave | null, other: TurnWave | null): TurnWave | null {
  return !one || (other && other.error < one.error) ? other : one;
}

/**
 * A torque that changes sign once a turn adds and takes 2·M/J of ω², whatever ω is, while an eccentric ring makes the same
 * share of it at any speed: over a wheel that slows the two part. A wheel that wants a balance weight and a brake that rubs
 * on one side come to some 0.4 N·m on 1 kg·m², twice that now and then (from memory): what is expected of 2·M/J, rad²/s².
 */
const HEAVY_RAD2 = 0.8;

/** A wheel that keeps its speed is driven, and what drives it holds it against its heavy side. */
const DRIVEN = 0.25;
const KEEPS_SPEED = 0.04;

/** Whether the speed hardly changes from turn to turn, over turns enough to tell. */
function isDriven(speedSquared: Float64Array, N: number): boolean {
  const turns = Math.floor(speedSquared.length / N);
  const means = Array.from({ length: turns }, (_, k) => median([...speedSquared.subarray(k * N, (k + 1) * N)]));
  return turns >= MANY_TURNS && Math.max(...means) < (1 + KEEPS_SPEED) ** 2 * Math.min(...means);
}

/**
 * What of the wave in ω² is the ring's, as a share of the period: y = 2e·cos(θ+φ) + (K/ω²)·cos(θ+ψ) and what bend a mean
 * over one turn leaves of the speed (a parabola), least squares with K held to what heavy sides do (ridge regression: C.
 * Bishop, Pattern Recognition and Machine Learning, 3.3).
 */
function ringsOwn(speedSquared: Float64Array, N: number, heavyRad2: number): TurnWave | null {
  const wave = overTrend(speedSquared, N, true);
  if (!wave) return null;
  const rows = wave.values.map((value, k) => {
    const angle = (2 * Math.PI * (wave.from + k)) / N;
    const slow = heavyRad2 / wave.trends[k]!;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const along = (2 * k) / wave.values.length - 1;
    return { value, x: [cos, sin, slow * cos, slow * sin, 1, along, along ** 2] };
  });
  // White noise of variance v gives an amplitude² of 4v/n.
  const variance = Math.max(LEAST_VARIANCE, (wave.values.length * floorOf(wave, N) ** 2) / 4);
  const { matrix, right } = normalEquations(rows, [0, 0, variance, variance, 0, 0, 0]);
  const inverse = inverted(matrix);
  const fit = inverse.map((line) => line.reduce((sum, one, j) => sum + one * right[j]!, 0));
  const left = rows.map(({ value, x }) => value - x.reduce((sum, one, j) => sum + one * fit[j]!, 0));
  const error = widened(Math.sqrt(variance * (inverse[0]![0]! + inverse[1]![1]!)), left, N);
  // At one speed ring and heavy side are one column twice: the ring's wave is no larger than what is there, and as much of a
  // heavy side as is met could hide.
  const most = amplitudeAt(wave, 1 / N) + HIDES * (heavyRad2 / median(wave.trends));
  // A square swings by twice the share its root does.
  return { size: Math.min(Math.hypot(fit[0]!, fit[1]!), most) / 2, error: error / 2 };
}

/** In standard deviations of what heavy sides come to. */
const HIDES = 2;

/** No edge is timed better than to some 1e-5 of a period: without noise the heavy side and the ring are one column twice. */
const LEAST_VARIANCE = 1e-9;

/**
 * An error as it is once it is seen how the turns differ: a ring's wave is the same in each, a hand's is not, and a hand that
 * pushes about once a turn has all its power there, where nothing beside it tells.
 * @param left what the fit leaves of each tooth
 */
function widened(error: number, left: readonly number[], N: number): number {
  const turns = Math.floor(left.length / N);
  if (turns < FEWEST_TO_DIFFER) return ONE_TURN * error;
  const waves = Array.from({ length: turns }, (_, k) =>
    amplitudeAt({ from: 0, values: left.slice(k * N, (k + 1) * N) }, 1 / N),
  );
  const scatter = Math.sqrt(waves.reduce((sum, one) => sum + one ** 2, 0) / (turns * (turns - 1)));
  return Math.max(error, (1 + FEW_TURNS / (turns - 1)) * scatter);
}

const FEWEST_TO_DIFFER = 2;
/** One turn alone does not show whether the next would be the same (judgement). */
const ONE_TURN = 1.5;
/** By how much a scatter told by few turns is widened (judgement). */
const FEW_TURNS = 1.5;

/** One value a tooth; a gap's pitches share its own where it has one, and what stands beside a gap is bridged, not seen. */
function byTooth(
  teeth: Int32Array,
  periods: Float64Array,
  valueOf: (pitches: number, period: number, i: number) => number,
): Float64Array {
  const out = new Float64Array(teeth.at(-1) ?? 0).fill(NaN);
  const pitchesOf = (i: number) => Math.max(1, teeth[i + 1]! - teeth[i]!);
  for (let i = 0; i < periods.length; i++) {
    const pitches = pitchesOf(i);
    if (pitches === 1 && (pitchesOf(i - 1) > 1 || pitchesOf(i + 1) > 1)) continue;
    out.fill(valueOf(pitches, periods[i]!, i), teeth[i]!, teeth[i]! + pitches);
  }
  return bridged(out, (value) => !Number.isFinite(value));
}

/** A series with a straight line wherever its values are not to be taken; nothing at all where none is. */
function bridged(series: Float64Array, isOut: (value: number, at: number) => boolean): Float64Array {
  const out = series.slice();
  for (let from = 0; from < out.length; from++) {
    if (!isOut(series[from]!, from)) continue;
    let end = from;
    while (end < out.length && isOut(series[end]!, end)) end++;
    const [before, after] = [out[from - 1] ?? out[end] ?? 0, out[end] ?? out[from - 1] ?? 0];
    for (let k = from; k < end; k++) out[k] = before + ((after - before) * (k - from + 1)) / (end - from + 1);
    from = end;
  }
  return out;
}

/**
 * A series with the teeth that stand out from those beside them on turn after turn taken for what lies between: a crack, a
 * chunk gone and the poles next to it tell of their own place, and would pass for part of a wave.
 */
function evenedOut(series: Float64Array, N: number, relative: boolean): Float64Array {
  const beside = middlesBeside(series, EITHER_SIDE, 1);
  const folded = Array.from({ length: N }, (): number[] => []);
  series.forEach((value, t) => folded[t % N]!.push(relative ? value / beside[t]! - 1 : value - beside[t]!));
  const off = folded.map((values) => Math.abs(median(values.filter(Number.isFinite))) || 0);
  const most = Math.max(STANDS_OUT * median(off), LEAST_OFF);
  const odd = off.map((_, tooth) => [-1, 0, 1].some((away) => off[(tooth + away + N) % N]! > most));
  return odd.includes(false) ? bridged(series, (_, t) => odd[t % N]!) : series;
}

const EITHER_SIDE = 3;
const STANDS_OUT = 5;
/** Of a period, a height or a pulse: what good poles differ by (from memory). */
const LEAST_OFF = 0.03;

/** More turns tell nothing more. */
const MOST_TURNS = 80;

/** A wave reaches 1.4 times its own middle size. */
const OUTSTANDING = 4;

interface OverTrend {
  /** Tooth of the first value. */
  from: number;
  values: number[];
  /** The mean over the turn around each. */
  trends: number[];
}

/** A series over or against its mean of exactly one turn, which a wave of one turn leaves whole; whole turns of it. */
function overTrend(series: Float64Array, N: number, relative: boolean): OverTrend | null {
  const last = Math.min(series.length, MOST_TURNS * N);
  const whole = Math.floor((last - N) / N) * N;
  if (last < 2 * N || whole < N) return null;
  const sums = new Float64Array(last + 1);
  for (let t = 0; t < last; t++) sums[t + 1] = sums[t]! + series[t]!;
  const from = N >> 1;
  const trends = Array.from({ length: whole }, (_, k) => (sums[k + N]! - sums[k]!) / N);
  const off = trends.map((trend, k) => (relative ? series[from + k]! / trend - 1 : series[from + k]! - trend));
  // One odd tooth makes no wave.
  const most = OUTSTANDING * median(off.map(Math.abs));
  return { from, trends, values: off.map((value) => Math.max(-most, Math.min(most, value))) };
}

/**
 * The wave of one cycle a turn by Fourier's sum; its error by what the frequencies above it hold, up to three a turn, where
 * neither ring nor push has a line (P. Bloomfield, Fourier Analysis of Time Series, chapters 2 and 8).
 */
function firstWave(series: Float64Array, N: number, relative: boolean): TurnWave | null {
  const wave = overTrend(series, N, relative);
  return wave && { size: amplitudeAt(wave, 1 / N), error: floorOf(wave, N) };
}

/**
 * The same of a share that weak poles change one by one: what differs from pole to pole has as much at two to six a turn, an
 * eccentric ring has not.
 */
function overHarmonics(series: Float64Array, N: number): TurnWave | null {
  const first = firstWave(series, N, false);
  const wave = overTrend(series, N, false);
  if (!first || !wave) return first;
  const others = HARMONICS.map((times) => amplitudeAt(wave, times / N) ** 2);
  return {
    ...first,
    error: Math.max(first.error, Math.sqrt(others.reduce((sum, one) => sum + one, 0) / others.length)),
  };
}

const HARMONICS = [2, 3, 4, 5, 6];

/** @param perTooth cycles a tooth */
function amplitudeAt({ from, values }: Pick<OverTrend, "from" | "values">, perTooth: number): number {
  let [a, b] = [0, 0];
  values.forEach((value, k) => {
    a += value * Math.cos(2 * Math.PI * perTooth * (from + k));
    b += value * Math.sin(2 * Math.PI * perTooth * (from + k));
  });
  return (2 * Math.hypot(a, b)) / values.length;
}

function floorOf(wave: OverTrend, N: number): number {
  const turns = Math.round(wave.values.length / N);
  const bins = Array.from({ length: FLOOR_BINS }, (_, k) => turns + 1 + Math.floor((k * 2 * turns) / FLOOR_BINS));
  const sizes = [...new Set(bins)].map((bin) => amplitudeAt(wave, bin / wave.values.length) ** 2);
  return Math.sqrt(sizes.reduce((sum, one) => sum + one, 0) / sizes.length);
}

const FLOOR_BINS = 16;
