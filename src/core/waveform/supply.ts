import type { Capture } from "../capture/capture";
import { keyOnEnd } from "./disturbances";
import { found, type Found } from "./finding";
import { someSamples } from "./some-samples";

/** A supply sits this near its usual value nearly all the time. */
const NEAR = 0.07;
const STEADY_SHARE = 0.9;
const FEW_DIPS = 6;
const STEADY_BUT_FOR_DIPS = 0.6;
const LEAST_SUPPLY_V = 3;
const DIP = 0.85;

/** A channel that stands at one value but for dips. */
export interface Supply {
  usualV: number;
  dips: [from: number, to: number][];
  /** The part of the recording it stands there. */
  near: number;
}

/**
 * Which channels are supplies, and where they sink. One that a few long dips keep from its usual value for much of the time
 * is taken for one only where it stands above all others: a sensor turned by hand stands at a level for long as well.
 */
export function supplies(channels: readonly Float32Array[]): (Supply | null)[] {
  if (channels.length < 2) return channels.map(() => null);
  const like = channels.map(supplyLike);
  const tops = channels.map((samples) => someSamples(samples, 5000).reduce((most, one) => Math.max(most, one), 0));
  const aboveOthers = (at: number) =>
    like[at]!.usualV > ABOVE_SIGNALS * Math.max(...tops.filter((_, other) => other !== at));
  return like.map((one, at) => (one && (one.near >= STEADY_SHARE || aboveOthers(at)) ? one : null));
}

const ABOVE_SIGNALS = 1.3;

function supplyLike(samples: Float32Array): Supply | null {
  // A key turned on in the middle of a recording is no dip.
  const on = keyOnEnd(samples);
  const usualV = middle(samples.subarray(on));
  if (Math.abs(usualV) < LEAST_SUPPLY_V) return null;
  let near = 0;
  for (let i = on; i < samples.length; i++) if (Math.abs(samples[i]! - usualV) < NEAR * Math.abs(usualV)) near++;
  const dips: [number, number][] = [];
  for (let i = on; i < samples.length; i++) {
    if (samples[i]! > DIP * usualV) continue;
    const last = dips.at(-1);
    if (last && i - last[1] < 8) last[1] = i;
    else dips.push([i, i]);
  }
  const lasting = dips.filter(([from, to]) => to > from);
  // A few long dips leave a supply at its usual value less of the time; a signal is low in between ever again.
  const steady = lasting.length <= FEW_DIPS ? STEADY_BUT_FOR_DIPS : STEADY_SHARE;
  const share = near / (samples.length - on);
  return share < steady ? null : { usualV, dips: lasting, near: share };
}

/** What a dipping supply means, with whether the signal was lost at the same instant. @param losses gaps of the other channels, seconds */
export function supplyFinding(
  { sampleS, startS, channels }: Capture,
  channel: number,
  { usualV, dips }: { usualV: number; dips: [number, number][] },
  losses: readonly { startS: number; endS: number }[],
): Found | null {
  if (dips.length === 0) return null;
  const { samples } = channels[channel]!;
  const times = dips.map(([from, to]) => ({ startS: startS + from * sampleS, endS: startS + to * sampleS }));
  const withSignal = losses.some((loss) =>
    times.some((dip) => dip.startS < loss.endS + 0.01 && loss.startS < dip.endS + 0.01),
  );
  const [from, to] = dips[0]!;
  let least = Infinity;
  for (let i = from; i <= to; i++) least = Math.min(least, samples[i]!);
  return found(
    "supply-dip",
    { usualV, leastV: least, times: dips.length, withSignal },
    { strength: 0.92, count: dips.length, size: usualV - least, withSignal, ...times[0]! },
  );
}

function middle(samples: Float32Array): number {
  const some = someSamples(samples, 5000).slice().sort();
  return some[some.length >> 1] ?? NaN;
}
