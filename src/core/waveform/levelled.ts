import { findPulses } from "./pulses";
import { signalShape } from "./signal";

/** The middle of the signal must wander by this part of its step before it is put straight. */
const WANDER = 0.1;
/** A stretch this many pulses long shows both levels. */
const PULSES_A_STRETCH = 3;
/** A stretch whose step differs more than this from the usual one holds a gap or a spike and says nothing of drift. */
const USUAL_STEP = [0.65, 1.45] as const;

/**
 * Takes out the slow wander that AC coupling puts under a signal (its mean is pulled to zero after every change of
 * duty). Levels are followed stretch by stretch; steady signals are returned as they are.
 */
export function levelled(samples: Float32Array): Float32Array {
  const pulses = findPulses(samples, signalShape(samples));
  if (pulses.length < 12) return samples;
  const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
  const usual = periods.toSorted((a, b) => a - b)[periods.length >> 1]!;
  const length = Math.max(16, Math.round(PULSES_A_STRETCH * usual));
  const count = Math.floor(samples.length / length);
  if (count < 6) return samples;
  const middles = new Float64Array(count);
  const steps = new Float64Array(count);
  for (let k = 0; k < count; k++) {
    let [least, most] = [Infinity, -Infinity];
    for (let i = k * length; i < (k + 1) * length; i++) {
      least = Math.min(least, samples[i]!);
      most = Math.max(most, samples[i]!);
    }
    middles[k] = (least + most) / 2;
    steps[k] = most - least;
  }
  const step = steps.toSorted()[count >> 1]!;
  const good = [...middles.keys()].filter((k) => steps[k]! > USUAL_STEP[0] * step && steps[k]! < USUAL_STEP[1] * step);
  if (good.length < 6) return samples;
  const sorted = good.map((k) => middles[k]!).sort((a, b) => a - b);
  if (sorted.at(-1)! - sorted[0]! < WANDER * step) return samples;
  const home = sorted[sorted.length >> 1]!;
  const out = new Float32Array(samples.length);
  let next = 0;
  for (let i = 0; i < samples.length; i++) {
    const place = i / length - 0.5;
    while (next < good.length - 1 && good[next]! < place) next++;
    const [a, b] = [good[Math.max(0, next - 1)]!, good[next]!];
    const along = b > a ? Math.max(0, Math.min(1, (place - a) / (b - a))) : 0;
    out[i] = samples[i]! - (middles[a]! + along * (middles[b]! - middles[a]!)) + home;
  }
  return out;
}
