import type { Capture, Channel } from "../capture/capture";
import { keyOnEnd } from "./disturbances";
import { found, type Found } from "./finding";
import { someSamples } from "./some-samples";

/** A supply sits this near its usual value nearly all the time. */
const NEAR = 0.07;
const STEADY_SHARE = 0.9;
const FEW_DIPS = 6;
const STEADY_BUT_FOR_DIPS = 0.6;
const LEAST_SUPPLY_V = 3;
/** A supply that falls below this part of its usual value sinks. */
export const DIP = 0.85;

/** A channel that stands at one value but for dips. */
export interface Supply {
  usualV: number;
  /** Samples before the key was on and it had risen; 0 where it was up from the first. */
  on: number;
  /** Counted from the first sample. */
  dips: [from: number, to: number][];
  /** The part of the recording it stands there. */
  near: number;
}

/** Where a supply tells when the key was turned, nothing before that is judged in any channel. @returns what is left, and the samples before it */
export function sinceKeyOn(recorded: Capture): { feeds: (Supply | null)[]; keyOn: number; capture: Capture } {
  const feeds = supplies(recorded.channels);
  const keyOn = Math.max(0, ...feeds.map((feed) => feed?.on ?? 0));
  return { feeds, keyOn, capture: since(recorded, keyOn) };
}

/** The recording from its `from`th sample on. */
function since(capture: Capture, from: number): Capture {
  if (from === 0) return capture;
  return {
    ...capture,
    startS: capture.startS + from * capture.sampleS,
    channels: capture.channels.map((channel) => ({ ...channel, samples: channel.samples.subarray(from) })),
  };
}

/**
 * Which channels are supplies, and where they sink. One that a few long dips keep from its usual value for much of the time
 * is taken for one only where it stands above all others: a sensor turned by hand stands at a level for long as well.
 */
export function supplies(recorded: readonly Pick<Channel, "samples" | "scale">[]): (Supply | null)[] {
  if (recorded.length < 2) return recorded.map(() => null);
  const channels = recorded.map(({ samples }) => samples);
  const tops = channels.map((samples) => someSamples(samples, 5000).reduce((most, one) => Math.max(most, one), 0));
  const like = recorded.map(({ samples, scale }) =>
    switches(samples)
      ? null
      : supplyLike(samples, scale === "unknown" ? LEAST_OF_OTHERS * Math.max(...tops) : LEAST_SUPPLY_V),
  );
  const others = <T>(of: readonly T[], at: number) => of.filter((_, other) => other !== at);
  const aboveOthers = (at: number) => like[at]!.usualV > ABOVE_SIGNALS * Math.max(...others(tops, at));
  // Beside a signal that comes and goes all the time, what sinks a few times only is what feeds it: it takes the signal along.
  const besideSignal = (one: Supply, at: number) =>
    others(channels, at).some((signal) => isFedBy(signal, one, channels[at]!));
  return like.map((one, at) =>
    one && (one.near >= STEADY_SHARE || aboveOthers(at) || besideSignal(one, at)) ? one : null,
  );
}

/** A signal picked up on the supply side: two levels a fifth of a volt apart and more, hardly anything between, again and again. */
const LEAST_SWITCHED_V = 0.2;
const BETWEEN = 0.08;
const AT_EACH = 0.15;
const RISES_OF_SIGNAL = 8;

function switches(samples: Float32Array): boolean {
  const sorted = someSamples(samples, 5000).slice().sort();
  const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))] ?? 0;
  const [least, greatest] = [at(0.02), at(0.98)];
  const third = (greatest - least) / 3;
  if (3 * third < LEAST_SWITCHED_V) return false;
  const share = (from: number, to: number) =>
    sorted.reduce((sum, value) => sum + (value >= from && value < to ? 1 : 0), 0) / sorted.length;
  return (
    share(least + third, greatest - third) < BETWEEN &&
    Math.min(share(-Infinity, least + third), share(greatest - third, Infinity)) > AT_EACH &&
    risings(samples).length >= RISES_OF_SIGNAL
  );
}

const RISES_FOR_EACH_DIP = 8;
/** A feed this far down feeds nothing. */
const DOWN = 0.3;
/** A signal whose feed is down rises less often than this part of what it else does. */
const STILLED = 0.4;

/** Whether a channel goes on all the time but for the moments in which the other is down. */
function isFedBy(signal: Float32Array, { usualV, dips }: Supply, feed: Float32Array): boolean {
  const rises = risings(signal);
  if (rises.length < RISES_FOR_EACH_DIP * (dips.length + 1)) return false;
  const down = dips.filter(([from, to]) => feed.subarray(from, to + 1).some((value) => value < DOWN * usualV));
  const length = down.reduce((sum, [from, to]) => sum + to - from, 0);
  const within = rises.filter((at) => down.some(([from, to]) => at > from && at < to)).length;
  return within <= STILLED * rises.length * (length / signal.length);
}

/** Where a channel rises from its lower third into its upper one. */
function risings(samples: Float32Array): number[] {
  const sorted = someSamples(samples, 5000).slice().sort();
  const [least, greatest] = [sorted[0] ?? 0, sorted.at(-1) ?? 0];
  const [low, high] = [least + (greatest - least) / 3, least + (2 * (greatest - least)) / 3];
  const found: number[] = [];
  let isHigh = samples[0]! > high;
  for (let i = 0; i < samples.length; i++) {
    if (!isHigh && samples[i]! > high) found.push(i);
    isHigh = isHigh ? samples[i]! > low : samples[i]! > high;
  }
  return found;
}

const ABOVE_SIGNALS = 1.3;

/** Where nobody knows the volts, a supply stands at least at this part of the highest there is. */
const LEAST_OF_OTHERS = 0.25;

function supplyLike(samples: Float32Array, leastV: number): Supply | null {
  // A key turned on in the middle of a recording is no dip, nor is the way up.
  const keyOn = keyOnEnd(samples);
  const usualV = middle(samples.subarray(keyOn));
  const on = keyOn > 0 ? keyOn + riseEnd(samples.subarray(keyOn), usualV) : 0;
  if (Math.abs(usualV) < leastV) return null;
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
  return share < steady ? null : { usualV, on, dips: lasting, near: share };
}

/** Samples until a supply first stands near its usual value; 0 where that takes it longer than any supply. */
function riseEnd(samples: Float32Array, usualV: number): number {
  const end = samples.findIndex((value) => Math.abs(value - usualV) < NEAR * Math.abs(usualV));
  return end < LONGEST_RISE * samples.length ? Math.max(0, end) : 0;
}

/** In parts of the recording. */
const LONGEST_RISE = 0.1;

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
