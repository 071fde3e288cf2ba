import type { Capture } from "./capture";

/**
 * What a rolling recorder holds: the last `lengthS` seconds before `endS`, less while it has not run so long. The
 * samples are those of the recording itself, not copies.
 */
export function lastSeconds(capture: Capture, endS: number, lengthS: number): Capture {
  const { sampleS, startS, channels } = capture;
  const to = Math.max(0, Math.min(channels[0]!.samples.length, Math.floor((endS - startS) / sampleS)));
  const from = Math.max(0, to - Math.round(lengthS / sampleS));
  return {
    ...capture,
    startS: startS + from * sampleS,
    channels: channels.map((channel) => ({ ...channel, samples: channel.samples.subarray(from, to) })),
  };
}

/** A capture whose samples are its own, to be kept after the recording they came from is gone. */
export function ownCopy(capture: Capture): Capture {
  return { ...capture, channels: capture.channels.map((one) => ({ ...one, samples: one.samples.slice() })) };
}
