import { isMissing, type Pulse, type Rhythm } from "./pulses";

/**
 * Periods as an even ring would give them: each over its own tooth's share of a turn, which a whole turn around it
 * tells (the pitch errors of a ring sum to nothing over one turn, and a steady change of speed is even about its middle).
 * @returns samples a pulse, one for each pulse but the last, as they came where the turns do not suffice
 */
export function evenPeriods(
  pulses: readonly Pulse[],
  { periods, ratios, teeth }: Rhythm,
  pulsesPerRevolution: number,
): Float64Array {
  const N = pulsesPerRevolution;
  const last = teeth.at(-1) ?? 0;
  if (last < 2 * N) return smoothed(periods, (i) => ratios[i]!);
  const at = new Float64Array(last + 1).fill(NaN);
  pulses.forEach((pulse, i) => (at[teeth[i]!] = pulse.at));
  const sum = new Float64Array(N);
  const count = new Float64Array(N);
  const half = N / 2;
  for (let i = 0; i < periods.length; i++) {
    const turn = turnAbout(at, teeth[i]! + 0.5 - half, N);
    if (isMissing(ratios[i]!) || !(turn > 0)) continue;
    const tooth = teeth[i]! % N;
    sum[tooth]! += (periods[i]! * N) / turn;
    count[tooth]! += 1;
  }
  const pitch = sum.map((value, tooth) => value / count[tooth]!);
  const seen = [...pitch].filter(Number.isFinite);
  // A wheel that slows takes longer over a turn than its middle tells, alike for every tooth: only their share counts.
  const usual = seen.reduce((all, value) => all + value, 0) / seen.length;
  const even = periods.map((period, i) => {
    const own = pitch[teeth[i]! % N]!;
    return Number.isFinite(own) && !isMissing(ratios[i]!) ? (period * usual) / own : period;
  });
  return smoothed(even, (i) => even[i]! / (periods[i]! / ratios[i]!));
}

const HALF_WINDOW = 4;

/** A period this far off those around it is a gap or a spike, not speed. */
const ODD = 0.15;

/**
 * Edges fall on whole samples in a hard-cut signal: a few periods together tell more than each.
 * @param ratio of a period to those around it
 */
function smoothed(periods: Float64Array, ratio: (i: number) => number): Float64Array {
  const usual = (i: number) => Math.abs(ratio(i) - 1) < ODD;
  return periods.map((period, i) => {
    if (!usual(i)) return period;
    const half = Math.min(HALF_WINDOW, i, periods.length - 1 - i);
    let [sum, count] = [0, 0];
    for (let k = i - half; k <= i + half; k++)
      if (usual(k)) {
        sum += periods[k]!;
        count++;
      }
    return sum / count;
  });
}

/**
 * Samples one turn would take at the speed of its middle; NaN where a tooth was not seen. Speed that falls evenly with
 * the angle makes a turn longer than its middle tells by a factor of 1 + δ²/3, and its second half longer than its
 * first by about δ of the half (δ: half the change of speed over the turn, in parts of the middle's).
 */
function turnAbout(at: Float64Array, from: number, N: number): number {
  const place = (tooth: number) => {
    const [below, above] = [Math.floor(tooth), Math.ceil(tooth)];
    return below < 0 ? NaN : ((at[below] ?? NaN) + (at[above] ?? NaN)) / 2;
  };
  const [first, middle, last] = [place(from), place(from + N / 2), place(from + N)];
  const turn = last - first;
  const delta = (2 * (last - 2 * middle + first)) / turn;
  return turn / (1 + (delta * delta) / 3);
}
