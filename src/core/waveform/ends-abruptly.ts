import { median } from "../units/median";
import type { Pulse } from "./pulses";

/** Pulses by which the pace before the end is told. */
const PACE = 8;
/** A wheel that is caught by hand slows through a few pulses; one that stops dead at this pace was never there. */
const LEAST_HZ = 15;
const SLOWING = 1.35;
const STILL_HIGH = 0.4;
/** Nothing comes for so many periods, and so long. */
const PERIODS = 25;
const LEAST_S = 0.4;

/**
 * Where the level goes to where no sensor puts it, and stays there to the end.
 * @param held the recording with such stretches held at the signal's own level @returns seconds into it, or null
 */
export function endsAway(recorded: Float32Array, held: Float32Array, sampleS: number): number | null {
  let from = recorded.length;
  while (from > 0 && recorded[from - 1] !== held[from - 1]) from--;
  return (recorded.length - from) * sampleS < LEAST_S ? null : from * sampleS;
}

/**
 * Where a signal ends while the wheel still turned: no pulse comes for a long time after evenly paced ones, to the end of
 * the recording. A wheel cannot stop between two poles.
 * @param length of the recording in samples @returns seconds into it, or null
 */
export function endsAbruptly(pulses: readonly Pulse[], length: number, sampleS: number): number | null {
  if (pulses.length < PACE + 2) return null;
  const last = pulses.slice(-PACE - 1);
  const periods = last.slice(1).map(({ at }, i) => at - last[i]!.at);
  const pace = median(periods);
  const end = last.at(-1)!.at;
  const rest = length - end;
  if (rest < PERIODS * pace || rest * sampleS < LEAST_S || pace * sampleS > 1 / LEAST_HZ) return null;
  if (median(periods.slice(-3)) > SLOWING * median(periods.slice(0, 3))) return null;
  // A coil's signal sinks into the converter's steps long before the wheel stands.
  const heights = pulses.map(({ heightV }) => heightV).sort((a, b) => a - b);
  const isFull = median(last.slice(0, -1).map(({ heightV }) => heightV)) > STILL_HIGH * heights[heights.length >> 1]!;
  return isFull ? end * sampleS : null;
}
