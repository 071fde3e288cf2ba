import type { Capture, Channel } from "./capture";

/** How one channel was taken: what stands between the wire and the number. */
export interface ChannelSetting {
  name: string;
  /** A ×10 probe whose factor the instrument did not know shows a tenth. */
  probe: 1 | 10 | 100;
  /** What the input's volts stand for. */
  sensing:
    | { kind: "volts" }
    /** Volts one unit of a recording stands for that was never calibrated. */
    | { kind: "calibrated"; voltsPerUnit: number }
    | { kind: "shunt"; ohms: number }
    | { kind: "clamp"; millivoltsPerAmp: number; loops: number };
}

export function usualSetting({ name }: Channel): ChannelSetting {
  return { name, probe: 1, sensing: { kind: "volts" } };
}

/**
 * The capture with each channel told in what it really measured: volts at the probe tip, or amps by Ohm's law over a
 * shunt, or amps by the clamp's own scale, divided by how often the wire goes through it.
 *
 * @throws RangeError for a shunt, clamp scale, number of loops or volts of a unit that is not above 0
 */
export function rescaled(capture: Capture, settings: readonly ChannelSetting[]): Capture {
  return {
    ...capture,
    channels: capture.channels.map((channel, i) => {
      const setting = settings[i];
      if (!setting) return channel;
      const factor = setting.probe * perVolt(setting.sensing);
      const { kind } = setting.sensing;
      const unit = kind === "volts" || kind === "calibrated" ? channel.unit : "A";
      const samples = factor === 1 ? channel.samples : channel.samples.map((value) => value * factor);
      const name = setting.name.trim() || channel.name;
      return { ...channel, name, unit, samples, ...(kind === "calibrated" ? { scale: undefined } : {}) };
    }),
  };
}

function perVolt(sensing: ChannelSetting["sensing"]): number {
  if (sensing.kind === "volts") return 1;
  if (sensing.kind === "calibrated") {
    if (!(sensing.voltsPerUnit > 0)) throw new RangeError("the volts of a unit need a number above 0");
    return sensing.voltsPerUnit;
  }
  const [scale, loops] =
    sensing.kind === "shunt" ? [sensing.ohms, 1] : [sensing.millivoltsPerAmp / 1000, sensing.loops];
  if (!(scale > 0 && loops > 0)) throw new RangeError(`a ${sensing.kind} needs numbers above 0`);
  return 1 / (scale * loops);
}
