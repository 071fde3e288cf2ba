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
  if (last < 2 * N) return periods;
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
  return periods.map((period, i) => {
    const own = pitch[teeth[i]! % N]!;
    return Number.isFinite(own) && !isMissing(ratios[i]!) ? (period * usual) / own : period;
  });
}

/** Samples one turn takes from this place, between two teeth for an even count; NaN where a tooth was not seen. */
function turnAbout(at: Float64Array, from: number, N: number): number {
  const [below, above] = [Math.floor(from), Math.ceil(from)];
  const turn = (first: number) => (first < 0 ? NaN : (at[first + N] ?? NaN) - at[first]!);
  return below === above ? turn(below) : (turn(below) + turn(above)) / 2;
}
