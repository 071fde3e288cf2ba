import { median } from "../units/median";
import type { Pulse } from "./pulses";
import type { SignalShape } from "./signal";

/**
 * A coil's pulses without those that an open wire picked up meanwhile: mains or other wheels, whose beat has nothing to do
 * with this wheel and whose height falls at once to a part of it. A coil's own volts go with its speed, so that height times
 * period stays what it is while the wheel slows down, and sinks with a tooth or two at most that are bent or worn.
 */
export function withoutPickedUp(pulses: Pulse[], { kind }: SignalShape): Pulse[] {
  if (kind !== "sine" || pulses.length < 2 * ABOUT) return pulses;
  const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
  // The last one picked up lasts until the wheel's own are back: that is no time of its own.
  const sizes = periods.map((period, i) => {
    const usual = median(periods.slice(Math.max(0, i - ABOUT), i + ABOUT + 1));
    return pulses[i]!.heightV * Math.min(period, usual);
  });
  const isLow = sizes.map((size, i) => {
    const about = sizes.slice(Math.max(0, i - ABOUT), i + ABOUT + 1).filter((one) => one > 0);
    return size < LOW * upper(about);
  });
  const runs = runsOf(isLow).filter(({ from, to }) => {
    const [before, after] = [sizes[from - 2], sizes[to + 1]];
    // It begins and ends from one pulse to the next; what sinks slowly is a wheel out of true, or the far side of a ring.
    const standsFull = (size: number | undefined, at: number) =>
      size !== undefined && size > STANDS * upper(sizes.slice(Math.max(0, at - ABOUT), at + ABOUT + 1));
    return to - from >= FEWEST && standsFull(before, from) && standsFull(after, to);
  });
  if (runs.length === 0) return pulses;
  return pulses.filter((_, i) => !runs.some(({ from, to }) => i >= from && i < to));
}

/** So many pulses on either side say how high one should be. */
const ABOUT = 16;
/** Less than this part of it is another signal. */
const LOW = 0.3;
const STANDS = 0.7;
/** One pulse alone may be a tooth that is bent. */
const FEWEST = 2;

/** The middle of the upper half: what stands about a long opening is low as well. */
function upper(sizes: readonly number[]): number {
  const known = sizes.filter(Number.isFinite).sort((a, b) => a - b);
  return median(known.slice(known.length >> 1));
}

function runsOf(isLow: readonly boolean[]): { from: number; to: number }[] {
  const runs: { from: number; to: number }[] = [];
  isLow.forEach((low, i) => {
    if (!low) return;
    const last = runs.at(-1);
    if (last?.to === i) last.to = i + 1;
    else runs.push({ from: i, to: i + 1 });
  });
  return runs;
}
