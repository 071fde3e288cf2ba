import { found, type Found } from "./finding";
import type { Pulse } from "./pulses";
import { median } from "../units/median";
import { quantum, type SignalShape } from "./signal";
import { someSamples } from "./some-samples";

/** Samples this far beyond the levels, in parts of the step between them, are no signal. */
const BEYOND = 0.6;
export const LONGEST_SPIKE_S = 0.005;
const MOST_SPIKES = 6;
/** Noise over this part of the step is hash worth a word; far below what loses pulses. */
export const HASH = 0.062;
/** Steps of the converter are no hash. */
const OVER_STEPS = 1.5;
/**
 * An instrument's own noise goes with the range it is set to, a few steps of its converter: a range wide enough for a spike
 * or a broken wire's level leaves that much on a small signal.
 */
const OF_RANGE = 0.025;

/** Noise beyond what the instrument itself adds at the range the recording shows it was set to. */
export function beyondInstrument(noiseV: number, recorded: Float32Array): boolean {
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < recorded.length; i++) {
    if (recorded[i]! < least) least = recorded[i]!;
    if (recorded[i]! > most) most = recorded[i]!;
  }
  return noiseV > OF_RANGE * (most - least);
}

/** A channel's pulses, and what was taken out on the way to them: its hash and bursts by their RMS, volts. */
interface Quieted {
  recorded: Float32Array;
  samples: Float32Array;
  startS: number;
  /** Samples before the key was on, which are left out. */
  keyOn: number;
  shape: SignalShape;
  pulses: readonly Pulse[];
  hashV: number;
  burstV: number;
  /** The part that was full of hash. */
  loud: { from: number; to: number } | null;
}

/** What is in a capture and is not the car's fault: a slipped probe, hash on the ground, bursts of ignition or a pump. */
export function disturbances(
  { samples, shape, pulses, startS, keyOn, recorded, hashV: hiddenV, burstV, loud }: Quieted,
  sampleS: number,
): Found[] {
  const list: Found[] = [];
  const span = shape.highV - shape.lowV;
  if (span <= 0) return list;
  // What is left of the rise as the key was turned is no probe, nor is what a loud part is full of.
  const longest = LONGEST_SPIKE_S / sampleS;
  const spikes = outliers(samples, shape, pulses, longest).filter(
    ([from, to]) =>
      (keyOn === 0 || from > longest) &&
      !(loud && from >= loud.from && from < loud.to) &&
      !isWayOut(samples, recorded, from, to, longest),
  );
  if (spikes.length > 0 && spikes.length <= MOST_SPIKES)
    list.push(
      found(
        "probe-spike",
        { spikes: spikes.length, atS: startS + spikes[0]![0] * sampleS },
        {
          strength: 0.85,
          count: spikes.length,
          startS: startS + spikes[0]![0] * sampleS,
          endS: startS + spikes[0]![1] * sampleS,
        },
      ),
    );
  const hashV = Math.max(hiddenV, hashOf(samples, shape, pulses));
  // A coil's signal grows with speed: hash is held against its usual height, not against that of the fastest turn.
  const heights = shape.kind === "sine" ? pulses.map(({ heightV }) => heightV).filter(Number.isFinite) : [];
  const usualV = heights.length > 0 ? median(heights) : span;
  const isHash = hashV > HASH * Math.min(span, usualV) && beyondInstrument(hashV, recorded);
  // Bursts among noise are noise; they are told over a signal, or over nothing.
  const rmsV = Math.max(shape.kind === "noise" ? 0 : burstV, isHash ? hashV : 0);
  const { from, to } = loud ?? { from: 0, to: samples.length };
  const partS = [startS + from * sampleS, startS + to * sampleS] as const;
  if (rmsV > 0)
    list.push(
      found(
        "interference",
        { rmsV, ...(loud ? { whileS: partS } : {}) },
        { strength: 0.75, size: rmsV, startS: partS[0], endS: partS[1] },
      ),
    );
  return list;
}

/** Whether it is the edge by which the level goes where an open wire takes it, which is told as that. */
function isWayOut(samples: Float32Array, recorded: Float32Array, from: number, to: number, longest: number): boolean {
  const until = Math.min(samples.length - 1, Math.ceil(to + longest));
  for (let i = Math.max(0, Math.floor(from - longest)); i <= until; i++) if (samples[i] !== recorded[i]) return true;
  return false;
}

/** What of the sample-to-sample noise is neither the converter's steps nor the wave's own bend. */
function hashOf(samples: Float32Array, { kind, lowV, highV, noiseV }: SignalShape, pulses: readonly Pulse[]): number {
  if (noiseV < OVER_STEPS * quantum(samples)) return 0;
  if (kind === "two-level") return noiseV;
  if (kind !== "sine" || pulses.length < FEWEST_PULSES) return 0;
  // Second differences of a sine of n samples a period reach A·(2π/n)²; their median by the noise formula is 0.43 of it.
  const n = median(pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at));
  const bendV = 0.43 * ((highV - lowV) / 2) * ((2 * Math.PI) / n) ** 2;
  return noiseV > 2 * bendV ? noiseV : 0;
}

const FEWEST_PULSES = 8;

/** The first of it in a recording that began before the key was turned: how long nothing was there, in samples. */
export function keyOnEnd(samples: Float32Array): number {
  const head = samples.slice(0, HEAD).sort();
  const quiet = head[head.length >> 1]!;
  let [least, most] = [Infinity, -Infinity];
  for (const value of someSamples(samples, 20_000)) {
    if (value < least) least = value;
    if (value > most) most = value;
  }
  const reach = Math.max(0.12 * (most - least), 1.5 * (head.at(-1)! - head[0]!));
  const isQuiet = (value: number) => Math.abs(value - quiet) < reach;
  if (head.at(-1)! - head[0]! > 0.2 * (most - least)) return 0;
  let end = 0;
  while (end < samples.length && isQuiet(samples[end]!)) end++;
  if (end < 2 * HEAD || end > LATEST * samples.length) return 0;
  const allowed = 0.004 * (samples.length - end);
  let again = 0;
  for (let i = end; i < samples.length && again < allowed; i++) if (isQuiet(samples[i]!)) again++;
  if (again >= allowed) return 0;
  const swingsAboutNought = Math.min(-least, most) > BOTH_WAYS * (most - least);
  return swingsAboutNought && end < firstPulse(samples, end, (least + most) / 2) ? 0 : end;
}

/** An AC-coupled signal goes so much of its range to either side of nought; what has levels of its own does not. */
const BOTH_WAYS = 0.25;

/** Samples from one rise over the middle to the next: AC coupling begins with a part of a pulse, which is quiet for less. */
function firstPulse(samples: Float32Array, from: number, middle: number): number {
  let rose = -1;
  for (let i = from + 1; i < samples.length; i++) {
    if (samples[i - 1]! > middle || samples[i]! <= middle) continue;
    if (rose >= 0) return i - rose;
    rose = i;
  }
  return 0;
}

const HEAD = 25;
/** A recording that is quiet for longer than this share is about the quiet. */
const LATEST = 0.6;

/** The finding for it. */
export function keyOnFinding(end: number, sampleS: number, startS: number): Found {
  return found("key-on-transient", {}, { strength: 0.85, startS, endS: startS + end * sampleS });
}

type Stretch = [from: number, to: number];

/** Stretches beyond both levels. Pulses that are no higher than usual hold none, and most recordings have no others. */
function outliers(
  samples: Float32Array,
  { lowV, highV, noiseV }: SignalShape,
  pulses: readonly Pulse[],
  longest: number,
): Stretch[] {
  const guard = Math.max(BEYOND * (highV - lowV), 12 * noiseV);
  const usual = highV - lowV + guard / 2;
  const found: Stretch[] = [];
  const look = (from: number, to: number): boolean => {
    for (let i = from; i < to; i++) {
      if (samples[i]! > lowV - guard && samples[i]! < highV + guard) continue;
      const last = found.at(-1);
      if (last && i - last[1] < longest) last[1] = i;
      else found.push([i, i]);
      if (found.length > MOST_SPIKES || found.at(-1)![1] - found.at(-1)![0] > longest) return false;
    }
    return true;
  };
  const edge = (i: number) => Math.max(0, Math.floor(pulses[i]!.at) - 1);
  let seen = pulses.length > 0 ? edge(0) : 0;
  if (!look(0, seen)) return [];
  for (let i = 0; i + 1 < pulses.length; i++) {
    const next = edge(i + 1);
    // An edge stands a sample or two before the level is past it: heights are counted from there.
    if (pulses[i]!.heightV > usual && !look(seen, next + 3)) return [];
    if (pulses[i]!.heightV > usual) seen = next + 3;
    else seen = Math.max(seen, next);
  }
  return look(seen, samples.length) ? found : [];
}
