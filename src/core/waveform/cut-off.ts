import { median } from "../units/median";
import { found, type Found } from "./finding";
import { strengthOf } from "./loss-findings";
import type { Pulse } from "./pulses";
import { quantum, type SignalShape } from "./signal";

/** A moment in which a coil's wave was cut off: it fell to nothing at once and came back at once, as no wheel does it. */
export interface CutOff {
  /** In samples. */
  from: number;
  to: number;
}

/** A wave with fewer samples a pulse jumps from one to the next by itself, where the wheel turns fastest. */
const FEWEST_SAMPLES = 24;
const FASTEST = 0.1;
/** A jump is so many times the steepest the wave has otherwise, and this part of its height. */
const STEEPER = 3;
const OF_HEIGHT = 0.15;
const OVER_NOISE = 8;
const OVER_STEPS = 3;
/** The contact opens and closes within so few samples. */
const WITHIN = 2;
/** While it is open the level stays within this part of the wave's height about its middle; a spike goes beyond the wave. */
const SMALL = 0.25;
const OF_PULSES = 0.25;
/** As steep as the wave goes otherwise, but for one step in so many. */
const STEEP_AT = 0.995;

/**
 * Where a wave is cut off: told by two jumps, one inwards and one back out, that are steeper by far than the wave itself,
 * with next to nothing in between. A hand that stops a wheel, a gap of the ring and a spike do not do both.
 */
export function cutOffs(
  samples: Float32Array,
  { kind, meanV, noiseV }: SignalShape,
  pulses: readonly Pulse[],
): CutOff[] {
  if (kind !== "sine" || pulses.length < 8) return [];
  const periods = pulses
    .slice(1)
    .map(({ at }, i) => at - pulses[i]!.at)
    .sort((a, b) => a - b);
  if (periods[Math.floor(FASTEST * periods.length)]! < FEWEST_SAMPLES) return [];
  const heightV = median(pulses.map(({ heightV }) => heightV).filter(Number.isFinite));
  const steps = steepness(samples);
  const jumpV = Math.max(STEEPER * steps, OF_HEIGHT * heightV, OVER_NOISE * noiseV, OVER_STEPS * quantum(samples));
  const off = (i: number) => Math.abs(samples[i]! - meanV);
  const cuts: CutOff[] = [];
  let open = -1;
  for (let i = WITHIN; i < samples.length; i++) {
    const change = samples[i]! - samples[i - WITHIN]!;
    if (open >= 0 && off(i) > SMALL * heightV && Math.abs(change) < jumpV) open = -1;
    if (Math.abs(change) < jumpV) continue;
    const isInwards = off(i) < SMALL * heightV && off(i - WITHIN) > off(i);
    if (isInwards) open = i;
    else if (open >= 0 && off(i - WITHIN) < SMALL * heightV) {
      if (i - open > WITHIN) cuts.push({ from: open, to: i });
      open = -1;
    }
  }
  // Edges at every pulse are levels that were taken for a wave.
  return cuts.length > OF_PULSES * pulses.length ? [] : cuts;
}

/** The finding for what is cut off without a pulse lost; moments near each other are one. */
export function cutOffFinding(cuts: readonly CutOff[], sampleS: number, startS: number): Found[] {
  const apart = cuts.filter(({ from }, i) => i === 0 || (from - cuts[i - 1]!.to) * sampleS > ONE_MOMENT_S);
  if (apart.length === 0) return [];
  const one = found(
    "random-dropout",
    { times: apart.length, pulses: 0, within: true },
    {
      strength: strengthOf(apart.length),
      count: apart.length,
      startS: startS + cuts[0]!.from * sampleS,
      endS: startS + cuts.at(-1)!.to * sampleS,
    },
  );
  return [one];
}

const ONE_MOMENT_S = 0.3;

/** The steepest a recording goes, but for what is rare, over as many samples as a jump may take. */
function steepness(samples: Float32Array): number {
  const each = Math.max(1, Math.floor(samples.length / 50_000));
  const changes = Float32Array.from({ length: Math.floor((samples.length - WITHIN) / each) }, (_, k) =>
    Math.abs(samples[k * each + WITHIN]! - samples[k * each]!),
  ).sort();
  return changes[Math.floor(STEEP_AT * (changes.length - 1))] ?? 0;
}
