import type { Pulse, Rhythm } from "./pulses";

/** A wave that comes once a turn: its amplitude, and the standard error of that. */
export interface TurnWave {
  size: number;
  error: number;
}

type Turning = { pulses: readonly Pulse[]; rhythm: Rhythm };

/** A wave needs two whole turns to be one. */
const FEWEST_TURNS = 2;
const MANY_TURNS = 8;
/** Where it was not left to itself, so many times what a heavy side does is allowed it. */
const PUSHED = 2;

/** What an eccentric ring or a playing bearing makes wave once a turn; null when there are not two whole turns. */
export interface TurnWaves {
  /** Of the period, as a share of it. */
  period: TurnWave | null;
  /** Of the height for its speed, as a share of it. */
  height: TurnWave | null;
  /** Of the high share of a pulse, in parts of a pulse. */
  duty: TurnWave | null;
  /** What the wheel's own heavy side may swing the period by at this speed, the ring being true; a share of it. */
  heavySide: number;
}

/**
 * The once-per-turn waves of a ring of `N` teeth: of period and duty where the wheel ran out by itself, of height through
 * all turns.
 */
export function onceATurn(ranOut: Turning, through: Turning, N: number, sampleS: number): TurnWaves {
  const turnsOf = ({ rhythm: { teeth } }: Turning) => (teeth.at(-1) ?? 0) / N;
  // Nobody pushes a driven wheel, nor one that gains speed evenly over many turns, at one place of each turn.
  const pushed = turnsOf(ranOut) < FEWEST_TURNS && turnsOf(through) >= MANY_TURNS;
  const { pulses, rhythm } = pushed ? through : ranOut;
  const { periods, ratios, teeth } = rhythm;
  const noise = Math.max(1, Math.min(3, medianRatioNoise(ratios)));
  // A wheel running out loses v² in a straight line over the angle, which a mean over one turn takes out whole; its period
  // bends ever more the nearer it is to standing, and what that leaves would pass for a wave.
  const speedSquared = byTooth(teeth, periods, (pitches, value) => (pitches / value) ** 2);
  // A coil's voltage rises with speed as its period falls: their product holds the gap alone.
  // No push of a hand changes it, so that all turns tell.
  const height = byTooth(
    through.rhythm.teeth,
    through.rhythm.periods,
    (pitches, value, i) => (through.pulses[i]!.heightV * value) / pitches,
  );
  const duty = byTooth(teeth, periods, (pitches, _, i) => (pitches > 1 ? NaN : pulses[i]!.duty));
  return {
    // Neighbouring periods share an edge, so that errors come in pairs.
    period: halved(firstWave(speedSquared, N, true, noise)),
    height: firstWave(height, N, true, 1),
    duty: firstWave(duty, N, false, 1),
    heavySide:
      (pushed ? PUSHED : 1) *
      heavySide((2 * Math.PI * teeth.at(-1)!) / (N * sampleS * (pulses.at(-1)!.at - pulses[0]!.at))),
  };
}

/**
 * A torque that changes sign once a turn adds and takes 2·M/J of ω², whatever ω is: twice the share the period swings by.
 * A wheel just short of wanting a balance weight (60 g at 0.2 m) and a brake that rubs on one side come to some 0.3 N·m on
 * 1 kg·m² (from memory).
 */
function heavySide(radPerS: number): number {
  return HEAVY_NM / INERTIA_KGM2 / radPerS ** 2;
}

const HEAVY_NM = 0.3;
const INERTIA_KGM2 = 1;

/** A square swings by twice the share its root does. */
function halved(wave: TurnWave | null): TurnWave | null {
  return wave && { size: wave.size / 2, error: wave.error / 2 };
}

/** One value a tooth; through a gap the wave is bridged, not seen, and its pitches share the value. */
function byTooth(
  teeth: Int32Array,
  periods: Float64Array,
  valueOf: (pitches: number, period: number, i: number) => number,
): Float64Array {
  const out = new Float64Array(teeth.at(-1) ?? 0);
  let last = NaN;
  for (let i = 0; i < periods.length; i++) {
    const pitches = Math.max(1, teeth[i + 1]! - teeth[i]!);
    const value = valueOf(pitches, periods[i]!, i);
    if (Number.isFinite(value)) last = value;
    for (let k = 0; k < pitches; k++) out[teeth[i]! + k] = last;
  }
  const first = out.find(Number.isFinite) ?? 0;
  return out.map((value) => (Number.isFinite(value) ? value : first));
}

/**
 * The wave of one cycle a turn in a series, its trend taken out by a mean over exactly one turn (which a wave of one
 * turn leaves whole). Amplitude by Fourier's sum, its error by the scatter that is left (P. Bloomfield, Fourier
 * Analysis of Time Series, chapter 2).
 */
function firstWave(series: Float64Array, N: number, relative: boolean, noise: number): TurnWave | null {
  const last = series.length;
  if (last < 2 * N) return null;
  const sums = new Float64Array(last + 1);
  for (let t = 0; t < last; t++) sums[t + 1] = sums[t]! + series[t]!;
  const from = N >> 1;
  const whole = Math.floor((last - N) / N) * N;
  if (whole < N) return null;
  let [a, b, square] = [0, 0, 0];
  for (let t = from; t < from + whole; t++) {
    const trend = (sums[t + N - from]! - sums[t - from]!) / N;
    const value = Math.max(-0.5, Math.min(0.5, relative ? series[t]! / trend - 1 : series[t]! - trend));
    a += value * Math.cos((2 * Math.PI * t) / N);
    b += value * Math.sin((2 * Math.PI * t) / N);
    square += value * value;
  }
  const size = (2 * Math.hypot(a, b)) / whole;
  const left = Math.max(0, square / whole - (size * size) / 2);
  return { size, error: Math.sqrt((4 * left) / whole) * noise };
}

/** How much wider single periods scatter than even ones, 1 for a quiet signal. */
function medianRatioNoise(ratios: Float64Array): number {
  const sizes = [...ratios].map((ratio) => Math.abs(ratio - 1)).sort((x, y) => x - y);
  return 1 + 20 * (sizes[sizes.length >> 1] ?? 0);
}
