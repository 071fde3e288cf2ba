import type { Capture } from "@/core/capture/capture";
import { answeringPort } from "../wire/answering";
import type { BytePort } from "../wire/port";
import { channelsOf, usualScopeDialect } from "./scope-dialect";

/** A screen of ten divisions of two tenths of a second. */
const SCREEN_S = 2;

/**
 * An oscilloscope that is none: a port that understands the usual SCPI commands and shows, screen by screen, what a
 * simulated car was recorded as.
 * @param recorded the recording its screens are cut from, from its start, over and over
 */
export function simulatedScopePort(recorded: () => Promise<Capture | null>): BytePort {
  let recording: Capture | null = null;
  let from = 0;
  return answeringPort(async (message) => {
    recording ??= await recorded();
    const { identify, acquire, interval, data } = usualScopeDialect;
    if (message === identify) return "Tastatura,Simulated bench oscilloscope,0,1";
    if (!recording) return message.includes("?") ? "" : null;
    const size = Math.round(SCREEN_S / recording.sampleS);
    if (message === acquire) {
      from = from + 2 * size > recording.channels[0]!.samples.length ? 0 : from + size;
      return "1";
    }
    if (message === interval) return recording.sampleS.toExponential(8);
    const channel = channelsOf({ ...usualScopeDialect, channels: "CH1,CH2,CH3,CH4" }).findIndex(
      (called) => data.replace("{channel}", called) === message,
    );
    const { samples } = recording.channels[channel] ?? {};
    return samples ? block(samples.subarray(from, from + size)) : null;
  });
}

/** Samples as IEEE 488.2 sends them: a block of known length, high byte first. */
function block(samples: Float32Array): Uint8Array {
  const length = String(4 * samples.length);
  const head = new TextEncoder().encode(`#${length.length}${length}`);
  const bytes = new Uint8Array(head.length + 4 * samples.length + 1);
  bytes.set(head);
  const view = new DataView(bytes.buffer);
  samples.forEach((value, i) => view.setFloat32(head.length + 4 * i, value, false));
  bytes[bytes.length - 1] = 10;
  return bytes;
}
