import { t } from "../words/words";
import { strToU8, strFromU8 } from "fflate";
import * as z from "zod/mini";
import { UnusableInput, type Capture } from "../capture/capture";
import { captureFromWav } from "../capture/wav";

/** A capture as a ZIP keeps it, value for value: what it is as JSON, its samples as 32-bit floats, little end first. */
const packedSchema = z.object({
  name: z.string(),
  sampleS: z.number().check(z.positive()),
  startS: z.number(),
  holes: z.optional(z.object({ count: z.number(), longestS: z.number(), leftOutS: z.number() })),
  channels: z.array(
    z.object({
      name: z.string(),
      unit: z.enum(["V", "A"]),
      scale: z.optional(z.literal("unknown")),
      samples: z.int().check(z.gte(0)),
    }),
  ),
});

/** The files a capture takes up in a ZIP, by name. */
export function packCapture(id: string, { name, sampleS, startS, holes, channels }: Capture): [string, Uint8Array][] {
  const described = {
    name,
    sampleS,
    startS,
    ...(holes ? { holes } : {}),
    channels: channels.map((one) => ({
      name: one.name,
      unit: one.unit,
      scale: one.scale,
      samples: one.samples.length,
    })),
  };
  const count = channels.reduce((sum, { samples }) => sum + samples.length, 0);
  const bytes = new Uint8Array(4 * count);
  const view = new DataView(bytes.buffer);
  let at = 0;
  for (const { samples } of channels) for (const value of samples) view.setFloat32(4 * at++, value, true);
  return [
    [`${fileName(id)}.json`, strToU8(JSON.stringify(described))],
    [`${fileName(id)}.f32`, bytes],
  ];
}

/** What the files of a capture are called: its id, in hexadecimal where that is no name for a file. */
function fileName(id: string): string {
  if (/^[\w-]{1,60}$/.test(id)) return `captures/${id}`;
  return `captures/~${Array.from(strToU8(id), (byte) => byte.toString(16).padStart(2, "0")).join("")}`;
}

/** The files of captures in a ZIP, older ones' WAV included. */
export const CAPTURE_FILE = /^captures\/(?:[\w-]{1,60}|~(?:[0-9a-f]{2}){1,240})\.(?:wav|json|f32)$/;

/**
 * The capture of that id among the files of a ZIP, an older one's WAV included; null where there is none.
 * @throws UnusableInput for one that is damaged
 */
export function unpackCapture(files: Record<string, Uint8Array>, id: string, zip: string): Capture | null {
  const [text, bytes] = [files[`${fileName(id)}.json`], files[`${fileName(id)}.f32`]];
  if (!text || !bytes) {
    const wav = files[`${fileName(id)}.wav`];
    return wav ? captureFromWav(wav, id, undefined, true) : null;
  }
  const described = packedSchema.safeParse(parsed(strFromU8(text)));
  const count = described.success ? described.data.channels.reduce((sum, { samples }) => sum + samples, 0) : -1;
  if (!described.success || 4 * count !== bytes.length)
    throw new UnusableInput(t`${zip}: the capture ${id} in it is damaged. Export the job again.`);
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = 0;
  const { channels, ...head } = described.data;
  return {
    ...head,
    channels: channels.map(({ name, unit, scale, samples }) => ({
      name,
      unit,
      ...(scale ? { scale } : {}),
      samples: Float32Array.from({ length: samples }, () => view.getFloat32(4 * at++, true)),
    })),
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return null;
  }
}
