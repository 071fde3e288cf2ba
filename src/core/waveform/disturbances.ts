import type { Capture } from "../capture/capture";
import type { Finding } from "./findings";
import type { Pulse } from "./pulses";
import type { SignalShape } from "./signal";

/** Samples this far beyond the levels, in parts of the step between them, are no signal. */
const BEYOND = 0.6;
const LONGEST_SPIKE_S = 0.005;
const MOST_SPIKES = 6;
/** Noise over this part of the step is hash worth a word; far below what loses pulses. */
const HASH = 0.062;

/** What is in a capture and is not the car's fault: a slipped probe, the key being turned, hash on the ground. */
export function disturbances(
  samples: Float32Array,
  shape: SignalShape,
  pulses: readonly Pulse[],
  sampleS: number,
  startS: number,
): Finding[] {
  const list: Finding[] = [];
  const span = shape.highV - shape.lowV;
  if (span <= 0) return list;
  const keyOn = keyOnEnd(samples, shape, pulses);
  if (keyOn !== null)
    list.push({
      code: "key-on-transient",
      confidence: 0.85,
      ringLocked: false,
      startS,
      endS: startS + keyOn * sampleS,
      say: "The signal only comes up after the recording began: the key being turned, not a fault.",
    });
  const spikes = outliers(samples, shape, keyOn ?? 0, LONGEST_SPIKE_S / sampleS);
  if (spikes.length > 0 && spikes.length <= MOST_SPIKES)
    list.push({
      code: "probe-spike",
      confidence: 0.85,
      ringLocked: false,
      count: spikes.length,
      startS: startS + spikes[0]![0] * sampleS,
      endS: startS + spikes[0]![1] * sampleS,
      say: `${spikes.length === 1 ? "One spike" : `${spikes.length} spikes`} far beyond both levels at ${(startS + spikes[0]![0] * sampleS).toFixed(2)} s: the probe moved. Not a fault.`,
    });
  if (shape.kind === "two-level" && shape.noiseV > HASH * span)
    list.push({
      code: "interference",
      confidence: 0.75,
      ringLocked: false,
      size: shape.noiseV,
      startS,
      endS: startS + samples.length * sampleS,
      say: `Hash of ${Math.round(1000 * shape.noiseV)} mV RMS rides on it all the time, not locked to the ring. Clip the probe's ground at the sensor's own ground and look again before blaming a wire.`,
    });
  return list;
}

/** Where the signal first reaches its levels, when it began well outside them; null when it began inside. */
function keyOnEnd(samples: Float32Array, { lowV, highV, kind }: SignalShape, pulses: readonly Pulse[]): number | null {
  if (kind !== "two-level") return null;
  const span = highV - lowV;
  const outside = (value: number) => value < lowV - 0.5 * span || value > highV + 0.5 * span;
  if (!outside(samples[0]!) || !outside(samples[1]!)) return null;
  let at = 0;
  while (at < samples.length && outside(samples[at]!)) at++;
  return at > 2 && at < samples.length / 2 && (pulses[0]?.at ?? Infinity) >= at - 1 ? at : null;
}

type Stretch = [from: number, to: number];

function outliers(
  samples: Float32Array,
  { lowV, highV, noiseV }: SignalShape,
  from: number,
  longest: number,
): Stretch[] {
  const guard = Math.max(BEYOND * (highV - lowV), 12 * noiseV);
  const found: Stretch[] = [];
  for (let i = from; i < samples.length; i++) {
    if (samples[i]! > lowV - guard && samples[i]! < highV + guard) continue;
    const last = found.at(-1);
    if (last && i - last[1] < longest) last[1] = i;
    else found.push([i, i]);
    if (found.length > MOST_SPIKES || found.at(-1)![1] - found.at(-1)![0] > longest) return [];
  }
  return found;
}

const DIP = 0.15;

/** Whether another channel of the same recording sinks at the moment the signal is lost: then the supply side is loose. */
export function supplyDip(capture: Capture, own: number, loss: Finding): Finding | null {
  const at = (timeS: number) =>
    Math.max(
      0,
      Math.min(capture.channels[own]!.samples.length, Math.round((timeS - capture.startS) / capture.sampleS)),
    );
  for (const [i, { name, samples }] of capture.channels.entries()) {
    if (i === own) continue;
    const usual = middle(samples);
    const during = middle(samples.subarray(at(loss.startS + 0.25 * (loss.endS - loss.startS)), at(loss.endS)));
    if (Math.abs(usual) < 2 || !(during < (1 - DIP) * usual)) continue;
    return {
      code: "supply-dip",
      confidence: 0.9,
      ringLocked: false,
      size: usual - during,
      startS: loss.startS,
      endS: loss.endS,
      say: `“${name}” sinks from ${usual.toFixed(1)} to ${during.toFixed(1)} V at the same instant: the supply side is loose, not the signal wire.`,
    };
  }
  return null;
}

function middle(samples: Float32Array): number {
  const step = Math.max(1, Math.floor(samples.length / 5000));
  const some = Float32Array.from({ length: Math.ceil(samples.length / step) }, (_, i) => samples[i * step]!).sort();
  return some[some.length >> 1] ?? NaN;
}
