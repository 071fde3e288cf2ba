import type { Capture } from "./capture";

/** Twelve samples a tooth at the fastest a wheel is watched: 100 km/h of a ring of 48 teeth makes 680 Hz. */
const ENOUGH_HZ = 8000;

/**
 * A recording for the ear that listens all day: many times finer than any tooth it is read as well from the mean of every
 * few samples, and that many times as fast. The same where it is not that fine.
 */
export function coarser(capture: Capture): Capture {
  const each = Math.floor(1 / (capture.sampleS * ENOUGH_HZ));
  if (each < 2) return capture;
  return {
    ...capture,
    sampleS: capture.sampleS * each,
    // A mean stands at the middle of what it was taken from.
    startS: capture.startS + ((each - 1) / 2) * capture.sampleS,
    channels: capture.channels.map((channel) => ({ ...channel, samples: meansOf(channel.samples, each) })),
  };
}

function meansOf(samples: Float32Array, each: number): Float32Array {
  const means = new Float32Array(Math.floor(samples.length / each));
  for (let i = 0; i < means.length; i++) {
    let sum = 0;
    for (let k = i * each; k < (i + 1) * each; k++) sum += samples[k]!;
    means[i] = sum / each;
  }
  return means;
}
