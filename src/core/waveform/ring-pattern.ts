import { median } from "../units/median";
import { isMissing, type Pulse, type Rhythm } from "./pulses";

/** What each tooth does on average over all turns. */
export interface RingPattern {
  pulsesPerRevolution: number;
  revolutions: number;
  /** Mean deviation of the period after each tooth from an even one, in pitches; NaN where none was seen. */
  periodMean: Float64Array;
  /** Standard error of `periodMean`. */
  periodError: Float64Array;
  /** Middle height of each tooth over the usual one: one spike on one turn does not count. */
  heightMean: Float64Array;
}

/** Folds pulses over the ring. */
export function foldRing(
  pulses: readonly Pulse[],
  { ratios, teeth }: Rhythm,
  pulsesPerRevolution: number,
): RingPattern {
  const N = pulsesPerRevolution;
  const heights = relativeHeights(pulses);
  const sums = [0, 1, 2].map(() => new Float64Array(N));
  const [count, sum, square] = sums as [Float64Array, Float64Array, Float64Array];
  const heightsOf: number[][] = Array.from({ length: N }, () => []);
  ratios.forEach((ratio, i) => {
    const tooth = teeth[i]! % N;
    // Next to a gap a period is cut short or stretched by the gap, not by the ring.
    if (!isMissing(ratio) && !isMissing(ratios[i - 1] ?? 1) && !isMissing(ratios[i + 1] ?? 1)) {
      count[tooth]! += 1;
      sum[tooth]! += ratio - 1;
      square[tooth]! += (ratio - 1) ** 2;
    }
    if (Number.isFinite(heights[i]!)) heightsOf[tooth]!.push(heights[i]!);
  });
  const periodMean = sum.map((value, t) => (count[t]! > 0 ? value / count[t]! : NaN));
  const pooled = Math.sqrt(
    square.reduce((all, value, t) => all + (count[t]! > 1 ? value - (sum[t]! * sum[t]!) / count[t]! : 0), 0) /
      Math.max(
        1,
        count.reduce((all, n) => all + Math.max(0, n - 1), 0),
      ),
  );
  return {
    pulsesPerRevolution: N,
    revolutions: (teeth.at(-1) ?? 0) / N,
    periodMean,
    periodError: count.map((n, t) =>
      n > 0
        ? Math.max(pooled, 0.002, n > 1 ? Math.sqrt(Math.max(0, square[t]! / n - (sum[t]! / n) ** 2)) : 0.2) /
          Math.sqrt(n)
        : NaN,
    ),
    heightMean: Float64Array.from(heightsOf, median),
  };
}

/** Heights over their running median (speed raises a passive signal, so only neighbours compare). */
export function relativeHeights(pulses: readonly Pulse[]): Float64Array {
  return Float64Array.from(pulses, ({ heightV }, i) => {
    const near = pulses
      .slice(Math.max(0, i - 6), i + 7)
      .map((one) => one.heightV)
      .filter(Number.isFinite)
      .sort((a, b) => a - b);
    return heightV / (near[near.length >> 1] ?? NaN);
  });
}

const FEWEST_TURNS = 2.2;
/** Two edges, each anywhere within its sample: √(2/12) samples RMS. */
const EDGE_JITTER_SAMPLES = 0.41;
const OVER_GRID = 1.3;

/**
 * Pulses per revolution from the ring's own signature: the lag at which period deviations repeat best.
 * @returns null when the ring is too even or the capture too short to tell
 */
export function findPulsesPerRevolution({ periods, ratios, teeth }: Rhythm): number | null {
  const last = teeth.at(-1) ?? 0;
  const series = new Float64Array(last + 1);
  ratios.forEach((ratio, i) => (series[teeth[i]!] = Math.max(-1, Math.min(2, ratio - 1))));
  const power = series.reduce((sum, value) => sum + value * value, 0);
  // Edges fall between samples: what that alone makes of an even ring repeats itself too, and is no signature.
  const grid = EDGE_JITTER_SAMPLES / (median([...periods]) || 1);
  if (power <= (OVER_GRID * grid) ** 2 * Math.max(1, ratios.length)) return null;
  let best = { lag: 0, score: 0 };
  const most = Math.min(160, Math.floor(last / FEWEST_TURNS));
  const scores = new Float64Array(most + 1);
  for (let lag = 12; lag <= most; lag++) {
    let sum = 0;
    for (let i = 0; i + lag <= last; i++) sum += series[i]! * series[i + lag]!;
    scores[lag] = (sum / power) * (last / (last - lag));
    if (scores[lag]! > best.score * 1.05) best = { lag, score: scores[lag]! };
  }
  return best.score > Math.max(0.3, 5 / Math.sqrt(last)) ? best.lag : null;
}
