import * as z from "zod/mini";
import { endOf, type Capture } from "./capture";

const headSchema = z.object({
  name: z.string(),
  sampleS: z.number().check(z.gt(0)),
  startS: z.number(),
  /** Samples of each channel. */
  count: z.number().check(z.gt(0)),
  channels: z
    .array(z.object({ name: z.string(), unit: z.enum(["V", "A"]), scale: z.optional(z.literal("unknown")) }))
    .check(z.minLength(1)),
});

/**
 * A piece of a recording as bytes: four of the head's length (least first), the head as JSON, the samples of one channel after
 * another in four bytes each, as this machine has them.
 */
export function segmentBytes({ name, sampleS, startS, channels }: Capture): Uint8Array<ArrayBuffer> {
  const head = new TextEncoder().encode(
    JSON.stringify({
      ...{ name, sampleS, startS, count: channels[0]!.samples.length },
      channels: channels.map(({ name: called, unit, scale }) => ({ name: called, unit, scale })),
    }),
  );
  const size = channels.reduce((sum, { samples }) => sum + samples.byteLength, 0);
  const bytes = new Uint8Array(4 + head.length + size);
  new DataView(bytes.buffer).setUint32(0, head.length, true);
  bytes.set(head, 4);
  let at = 4 + head.length;
  for (const { samples } of channels) {
    bytes.set(new Uint8Array(samples.buffer, samples.byteOffset, samples.byteLength), at);
    at += samples.byteLength;
  }
  return bytes;
}

/** What `segmentBytes` wrote; null where it is cut short or something else. */
export function segmentOf(bytes: Uint8Array): Capture | null {
  if (bytes.length < 4) return null;
  const length = new DataView(bytes.buffer, bytes.byteOffset).getUint32(0, true);
  if (4 + length > bytes.length) return null;
  const head = headSchema.safeParse(jsonOf(bytes.subarray(4, 4 + length)));
  if (!head.success) return null;
  const body = bytes.slice(4 + length);
  const { channels, count, ...rest } = head.data;
  if (body.length !== 4 * count * channels.length) return null;
  return {
    ...rest,
    channels: channels.map((one, i) => ({ ...one, samples: new Float32Array(body.buffer, 4 * i * count, count) })),
  };
}

/**
 * The newest pieces that follow each other without a hole, as one recording.
 * @returns null of none
 */
export function joinedSegments(pieces: readonly Capture[]): Capture | null {
  const sorted = [...pieces].sort((one, other) => one.startS - other.startS);
  const last = sorted.pop();
  if (!last) return null;
  const run = [last];
  for (let before = sorted.pop(); before; before = sorted.pop()) {
    const next = run[0]!;
    const isOne = before.sampleS === next.sampleS && before.channels.length === next.channels.length;
    if (!isOne || Math.abs(endOf(before) - next.startS) > 0.5 * next.sampleS) break;
    run.unshift(before);
  }
  return {
    ...last,
    startS: run[0]!.startS,
    channels: last.channels.map((channel, i) => ({ ...channel, samples: oneAfterAnother(run, i) })),
  };
}

/** The part of a recording that lies after a time; null where nothing does. */
export function after(capture: Capture, fromS: number): Capture | null {
  const from = Math.max(0, Math.round((fromS - capture.startS) / capture.sampleS));
  if (from >= capture.channels[0]!.samples.length) return null;
  return {
    ...capture,
    startS: capture.startS + from * capture.sampleS,
    channels: capture.channels.map((one) => ({ ...one, samples: one.samples.subarray(from) })),
  };
}

function oneAfterAnother(run: readonly Capture[], channel: number): Float32Array {
  const all = new Float32Array(run.reduce((sum, { channels }) => sum + channels[channel]!.samples.length, 0));
  let at = 0;
  for (const { channels } of run) {
    all.set(channels[channel]!.samples, at);
    at += channels[channel]!.samples.length;
  }
  return all;
}

function jsonOf(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    // Cut short while it was written: it is told as no piece.
    return null;
  }
}
