/** A recording of one or more channels at one fixed sample interval. */
export interface Capture {
  name: string;
  sampleS: number;
  startS: number;
  channels: Channel[];
  /** Where its file had holes in its times: this is the longest stretch without one. */
  holes?: Holes | undefined;
}

/** What a file's times leave out. */
export interface Holes {
  count: number;
  longestS: number;
  /** What was recorded outside the stretch that was taken. */
  leftOutS: number;
}

export interface Channel {
  name: string;
  /** Volts, or what the unit says. */
  unit: "V" | "A";
  /** The numbers go with the volts, by a factor nobody knows: an input that was never calibrated. */
  scale?: "unknown" | undefined;
  samples: Float32Array;
}

/** The unit numbers are shown in; none where they were never calibrated. */
export type ShownUnit = Channel["unit"] | "";

/** The unit a channel's numbers are shown in. */
export function shownUnit({ unit, scale }: Pick<Channel, "unit" | "scale">): ShownUnit {
  return scale === "unknown" ? "" : unit;
}

/** Input that cannot be used: the message says what is wrong, where, and how to mend it. */
export class UnusableInput extends Error {
  override readonly name = "UnusableInput";
}

/** When a recording ends, in its own seconds. */
export function endOf({ startS, sampleS, channels }: Capture): number {
  return startS + (channels[0]?.samples.length ?? 0) * sampleS;
}

/** Whether a WAV can say all of a capture: whole samples a second, known volts in every channel. */
export function fitsWav({ sampleS, channels }: Capture): boolean {
  const rate = 1 / sampleS;
  return (
    rate >= 1 &&
    Math.abs(rate / Math.round(rate) - 1) < 1e-4 &&
    channels.every(({ unit, scale }) => unit === "V" && !scale)
  );
}
