import { median } from "../units/median";
import { turns } from "./motion";
import { findPulses, type Pulse } from "./pulses";
import { runningMean } from "./running-mean";
import { signalShape, type SignalShape } from "./signal";

/** A signal found under hash that hid it. */
export interface UnderHash {
  samples: Float32Array;
  shape: SignalShape;
  pulses: Pulse[];
}

const WIDTHS = [3, 5, 9, 17, 33, 65, 129];
const FEWEST_PULSES = 12;
/** Filtered noise swings at a pace of its own: more evenness is asked of a wheel than where nothing was filtered. */
const SCATTER = 0.18;
/** A mean over more than this part of a pulse would take the pulse with it. */
const OF_A_PULSE = 0.34;

/**
 * Looks for a turning wheel under hash that stands higher than the signal from sample to sample: running means, ever
 * wider, until pulses come with a wheel's evenness (noise of white kind falls with the root of the width; pulses stay).
 * @returns null where nothing turns in it at any width
 */
export function underHash(recorded: Float32Array): UnderHash | null {
  for (const width of WIDTHS) {
    if (width > recorded.length / 20) return null;
    const samples = runningMean(recorded, width);
    const shape = signalShape(samples);
    if (shape.kind !== "two-level" && shape.kind !== "sine") continue;
    const pulses = findPulses(samples, shape);
    if (pulses.length < FEWEST_PULSES || !turns(pulses, SCATTER)) continue;
    const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
    if (median(periods) * OF_A_PULSE < width) return null;
    return { samples, shape, pulses };
  }
  return null;
}
