import * as wavefile from "wavefile";
import { UnusableInput, type Capture } from "./capture";

// Node sees this package as CommonJS with a default, bundlers as a module with names.
const { WaveFile } = (Reflect.get(wavefile, "default") as typeof wavefile | undefined) ?? wavefile;

/** Full scale of a sound file stands for this many volts unless the file's own note says otherwise. */
export const WAV_FULL_SCALE_V = 5;

/** A WAV recording as a capture, full scale as volts. @throws UnusableInput for what is damaged or compressed */
export function captureFromWav(bytes: Uint8Array, name: string): Capture {
  try {
    const wav = new WaveFile(bytes);
    const { sampleRate } = wav.fmt as { sampleRate: number };
    wav.toBitDepth("64");
    const all = wav.getSamples(false) as unknown as Float64Array | Float64Array[];
    const channels = Array.isArray(all) ? all : [all];
    if (channels[0]!.length < 16) throw new UnusableInput(`${name} holds hardly any samples. Record longer.`);
    return {
      name,
      sampleS: 1 / sampleRate,
      startS: 0,
      channels: channels.map((samples, i) => ({
        name: channels.length > 1 ? `channel ${i + 1}` : "signal",
        unit: "V",
        samples: Float32Array.from(samples, (value) => value * WAV_FULL_SCALE_V),
      })),
    };
  } catch (error) {
    if (error instanceof UnusableInput) throw error;
    throw new UnusableInput(
      `${name} is a WAV file that cannot be read (${error instanceof Error ? error.message : "damaged"}). Save it as plain PCM or float, or as CSV.`,
      { cause: error },
    );
  }
}

/** A capture as 32-bit float WAV, volts over full scale. */
export function captureToWav({ sampleS, channels }: Capture): Uint8Array {
  const wav = new WaveFile();
  const scaled = channels.map(({ samples }) => Float64Array.from(samples, (value) => value / WAV_FULL_SCALE_V));
  wav.fromScratch(channels.length, Math.round(1 / sampleS), "32f", channels.length === 1 ? scaled[0]! : scaled);
  return wav.toBuffer();
}
