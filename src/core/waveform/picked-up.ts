import { median } from "../units/median";
import { MAINS_HZ } from "./hum";
import type { Pulse } from "./pulses";
import type { SignalShape } from "./signal";

/**
 * A coil's pulses without those that an open wire picked up meanwhile: mains or other wheels, whose beat has nothing to do
 * with this wheel and whose height falls at once to a part of it. A coil's own volts go with its speed, so that height times
 * period stays what it is while the wheel slows down, and sinks with a tooth or two at most that are bent or worn.
 */
export function withoutPickedUp(pulses: Pulse[], { kind }: SignalShape, sampleS: number): Pulse[] {
  if (kind !== "sine" || pulses.length < FEWEST_ABOUT) return pulses;
  const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
  const about = (values: readonly number[], i: number) => values.slice(Math.max(0, i - ABOUT), i + ABOUT + 1);
  // The last one picked up lasts until the wheel's own are back: that is no time of its own.
  const sizes = periods.map((period, i) => pulses[i]!.heightV * Math.min(period, LONGEST * median(about(periods, i))));
  const full = sizes.map((_, i) => upper(about(sizes, i)));
  // It begins and ends from one pulse to the next; what sinks slowly is a wheel out of true, or the far side of a ring.
  const standsBeside = (of: readonly number[], { from, to }: Run, atLeast: number) =>
    from >= 2 && to + 1 < of.length && Math.min(of[from - 2]!, of[to + 1]!) > atLeast;
  const small = runsOf(sizes.map((size, i) => size < LOW * full[i]!)).filter(
    (run) =>
      run.to - run.from >= FEWEST && standsBeside(sizes, run, STANDS * Math.max(full[run.from]!, full[run.to - 1]!)),
  );
  const heights = pulses.map(({ heightV }) => heightV);
  const mains = MAINS_HZ.flatMap((hz) => runsOf(periods.map((one) => Math.abs(one * sampleS * hz - 1) < EVEN))).filter(
    (run) =>
      run.to - run.from >= FEWEST_MAINS &&
      standsBeside(heights, run, Math.max(...heights.slice(run.from, run.to)) / LOWER),
  );
  const runs = [...small, ...mains];
  if (runs.length === 0) return pulses;
  return pulses.filter((_, i) => !runs.some(({ from, to }) => i >= from && i < to));
}

/** So many pulses on either side say how high one should be. */
const ABOUT = 40;
const FEWEST_ABOUT = 24;
/** And no longer than so many of its neighbours. */
const LONGEST = 1.5;
/** Less than this part of it is another signal, whatever its pace. */
const LOW = 0.3;
/** At a mains' pace it is one where it is this much lower than what stands beside it. */
const LOWER = 0.65;
const STANDS = 0.7;
/** One pulse alone may be a tooth that is bent. */
const FEWEST = 2;
/** So many pulses on end keep it as evenly as no wheel is turned by chance. */
const FEWEST_MAINS = 3;
const EVEN = 0.06;

/** High, but not the highest: of a long opening half of what stands about is low as well. */
function upper(sizes: readonly number[]): number {
  const sorted = sizes.filter(Number.isFinite).sort((a, b) => a - b);
  return sorted[Math.floor(0.8 * (sorted.length - 1))]!;
}

/** Pulses from the first to the one before `to`. */
interface Run {
  from: number;
  to: number;
}

function runsOf(isIn: readonly boolean[]): Run[] {
  const runs: Run[] = [];
  isIn.forEach((own, i) => {
    if (!own) return;
    const last = runs.at(-1);
    if (last?.to === i) last.to = i + 1;
    else runs.push({ from: i, to: i + 1 });
  });
  return runs;
}
