import type { Capture } from "@/core/capture/capture";
import { lastSeconds, ownCopy } from "@/core/capture/last-seconds";
import type { LiveSource } from "./live-source";

/** The simulated recorder: all that will be recorded is there, and shown as its time comes. */
export function simulatedSource(recording: Capture, name: string): LiveSource {
  const began = performance.now();
  return {
    name,
    channels: recording.channels.map((channel) => channel.name),
    perUnit: Infinity,
    simulated: true,
    lostS: 0,
    ended: null,
    last(seconds) {
      const now = recording.startS + (performance.now() - began) / 1000;
      const rolling = lastSeconds(recording, now, seconds);
      return rolling.channels[0]!.samples.length > 0 ? ownCopy(rolling) : null;
    },
    stop: () => undefined,
  };
}
