import { t } from "../words/words";
import * as wavefile from "wavefile";
import { usualLimits, type ReadLimits } from "./csv";
import { UnusableInput, type Capture } from "./capture";

// Node sees this package as CommonJS with a default, bundlers as a module with names.
const { WaveFile } = (Reflect.get(wavefile, "default") as typeof wavefile | undefined) ?? wavefile;

/** What full scale stands for in the sound files this program writes. */
const FULL_SCALE_V = 5;

/**
 * A WAV recording as a capture. What full scale was in volts no sound file says: only in those this program wrote are the
 * numbers volts, in all others parts of full scale that were never calibrated.
 * @param ours whether this program is known to have written it
 * @throws UnusableInput for what is damaged or compressed
 */
export function captureFromWav(
  bytes: Uint8Array,
  name: string,
  limits: ReadLimits = usualLimits,
  ours = isOwn(bytes),
): Capture {
  refuseWav(bytes, name, limits);
  const perUnit = ours ? FULL_SCALE_V : 1;
  try {
    const wav = new WaveFile(bytes);
    const { sampleRate } = wav.fmt as { sampleRate: number };
    wav.toBitDepth("64");
    const all = wav.getSamples(false) as unknown as Float64Array | Float64Array[];
    const channels = Array.isArray(all) ? all : [all];
    if (channels[0]!.length < 16) throw new UnusableInput(t`${name} holds hardly any samples. Record longer.`);
    return {
      name,
      sampleS: 1 / sampleRate,
      startS: 0,
      channels: channels.map((samples, i) => ({
        name: channels.length > 1 ? t`channel ${i + 1}` : t`signal`,
        unit: "V",
        ...(ours ? {} : { scale: "unknown" as const }),
        samples: Float32Array.from(samples, (value) => value * perUnit),
      })),
    };
  } catch (error) {
    if (error instanceof UnusableInput) throw error;
    throw new UnusableInput(
      t`${name} is a WAV file that cannot be read (${error instanceof Error ? error.message : "damaged"}). Save it as plain PCM or float, or as CSV.`,
      { cause: error },
    );
  }
}

/** Sample formats that are plain numbers: PCM, float, and either of them in the extensible header (RIFF/WAVE description, 1991 and 1994). */
const PLAIN_FORMATS: ReadonlySet<number> = new Set([1, 3, 0xfffe]);

/** What a sound file's own headers say against reading it: compressed, cut short, or too long. */
function refuseWav(bytes: Uint8Array, name: string, limits: ReadLimits): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const chunk = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));
  for (let at = 12; at + 8 <= bytes.length;) {
    const size = view.getUint32(at + 4, true);
    if (chunk(at) === "fmt " && at + 24 <= bytes.length && !PLAIN_FORMATS.has(view.getUint16(at + 8, true)))
      throw new UnusableInput(t`${name} is compressed sound. Save it as plain PCM or float, or as CSV.`);
    if (chunk(at) === "data" && size !== 0xffffffff && at + 8 + size > bytes.length + 1)
      throw new UnusableInput(
        t`${name} is cut short: ${bytes.length - at - 8} bytes of sound are there, ${size} are announced. Copy it again.`,
      );
    at += 8 + size + (size % 2);
  }
  if (bytes.length / 2 > limits.samples)
    throw new UnusableInput(
      t`${name} holds over ${Math.round(limits.samples / 1e6)} million samples. Cut the recording shorter, or thin it.`,
    );
}

/** Whether the note is there that this program writes into its own. */
function isOwn(bytes: Uint8Array): boolean {
  const at = FORMAT_END + 20;
  return String.fromCharCode(...bytes.subarray(at, at + NOTE.length)) === NOTE;
}

/** A comment as RIFF has it (LIST, INFO, ICMT), of even length. */
const NOTE = `full scale ${FULL_SCALE_V} V\0\0`;
const FORMAT_END = 36;
const DATA = FORMAT_END + 20 + NOTE.length;
const HEADER_BYTES = DATA + 8;
/** WAVE_FORMAT_IEEE_FLOAT of the RIFF/WAVE description (Microsoft and IBM, Multimedia Programming Interface, 1991). */
const FLOAT_FORMAT = 3;

/** A capture as 32-bit float WAV, volts over full scale. Written here: a package took four seconds a million samples. */
export function captureToWav({ sampleS, channels }: Capture): Uint8Array {
  const rows = channels[0]?.samples.length ?? 0;
  const rate = Math.round(1 / sampleS);
  const row = 4 * channels.length;
  const bytes = new Uint8Array(HEADER_BYTES + rows * row);
  const view = new DataView(bytes.buffer);
  const name = (at: number, four: string) => [...four].forEach((sign, i) => view.setUint8(at + i, sign.charCodeAt(0)));
  name(0, "RIFF");
  view.setUint32(4, bytes.length - 8, true);
  name(8, "WAVE");
  name(12, "fmt ");
  view.setUint32(16, 16, true);
  view.setUint16(20, FLOAT_FORMAT, true);
  view.setUint16(22, channels.length, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * row, true);
  view.setUint16(32, row, true);
  view.setUint16(34, 32, true);
  name(FORMAT_END, "LIST");
  view.setUint32(FORMAT_END + 4, 12 + NOTE.length, true);
  name(FORMAT_END + 8, "INFOICMT");
  view.setUint32(FORMAT_END + 16, NOTE.length, true);
  name(FORMAT_END + 20, NOTE);
  name(DATA, "data");
  view.setUint32(DATA + 4, rows * row, true);
  channels.forEach(({ samples }, channel) => {
    for (let i = 0; i < rows; i++)
      view.setFloat32(HEADER_BYTES + i * row + 4 * channel, (samples[i] ?? 0) / FULL_SCALE_V, true);
  });
  return bytes;
}
