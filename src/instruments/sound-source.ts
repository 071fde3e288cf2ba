import { errorWords } from "../core/words/error-words";
import { t } from "@/core/words/words";
import { Rolling } from "@/core/capture/rolling";
import type { LiveSource } from "./live-source";

/** How a sound input is listened to. */
export interface SoundSetup {
  /** Which input; the machine's usual one when empty. */
  deviceId: string;
  /** Volts at the sensor for one unit of the converter; null where it was never calibrated. */
  voltsPerUnit: number | null;
}

/** Seconds kept at most. */
const KEPT_S = 30;

/**
 * Opens a sound input as it is: nothing filtered, no gain of its own.
 * @throws Error with a sentence to show: refused, none there, taken by another program, or a browser that cannot
 */
export async function soundSource({ deviceId, voltsPerUnit }: SoundSetup): Promise<LiveSource> {
  const stream = await opened(deviceId);
  const track = stream.getAudioTracks()[0]!;
  const context = new AudioContext();
  try {
    await context.audioWorklet.addModule("/sound-tap.js");
  } catch (error) {
    stream.getTracks().forEach((one) => one.stop());
    await context.close();
    throw new Error(t`This browser cannot record sound here. Record with the oscilloscope and open its file.`, {
      cause: error,
    });
  }
  const count = Math.min(2, track.getSettings().channelCount ?? 1);
  const channels = Array.from({ length: count }, (_, i) => (i === 0 ? t`signal` : t`second input`));
  const rolling = new Rolling(channels, 1 / context.sampleRate, KEPT_S);
  const tap = new AudioWorkletNode(context, "sound-tap", { numberOfOutputs: 0, channelCount: count });
  tap.port.onmessage = ({ data }: MessageEvent<Float32Array[]>) => rolling.lay(data);
  context.createMediaStreamSource(stream).connect(tap);
  await context.resume();
  const source = {
    name: track.label || t`sound input`,
    channels,
    perUnit: voltsPerUnit ?? 1,
    inVolts: voltsPerUnit !== null,
    simulated: false,
    get lostS() {
      return rolling.lostS;
    },
    ended: null as string | null,
    last: (seconds: number) => rolling.last(seconds, t`sound input`, voltsPerUnit),
    columns: (seconds: number, count: number) => rolling.columns(seconds, count, voltsPerUnit ?? 1),
    stop() {
      stream.getTracks().forEach((one) => one.stop());
      void context.close();
    },
  };
  track.onended = () => (source.ended = t`The sound input is gone: unplugged, or taken by another program.`);
  return source;
}

async function opened(deviceId: string): Promise<MediaStream> {
  if (!("mediaDevices" in navigator))
    throw new Error(t`A browser hands out its sound input on this machine's own address or over HTTPS only.`);
  try {
    return await navigator.mediaDevices.getUserMedia({
      audio: {
        ...(deviceId ? { deviceId: { exact: deviceId } } : {}),
        echoCancellation: false,
        noiseSuppression: false,
        autoGainControl: false,
        channelCount: { ideal: 2 },
      },
    });
  } catch (error) {
    throw new Error(refusal(error), { cause: error });
  }
}

function refusal(error: unknown): string {
  const name = error instanceof DOMException ? error.name : "";
  if (name === "NotAllowedError")
    return t`The browser was told not to hand out the sound input. Allow it for this page, beside its address, and try again.`;
  if (name === "NotFoundError" || name === "OverconstrainedError")
    return t`No such sound input. Plug it in, or choose another.`;
  if (name === "NotReadableError") return t`The sound input is taken by another program. Close that and try again.`;
  return t`The sound input did not open: ${errorWords(error)}`;
}

/** The sound inputs there are; their names are told once one was allowed. */
export async function soundInputs(): Promise<{ id: string; name: string }[]> {
  if (!("mediaDevices" in navigator)) return [];
  const all = await navigator.mediaDevices.enumerateDevices();
  return all
    .filter(({ kind, deviceId }) => kind === "audioinput" && deviceId !== "")
    .map(({ deviceId, label }, i) => ({ id: deviceId, name: label || t`input ${i + 1}` }));
}
