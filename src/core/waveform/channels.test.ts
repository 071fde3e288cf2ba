/** Several channels of one drive, channels told in what they really measured, and a trace as a picture. */
import { describe, expect, it } from "vitest";
import type { Capture } from "../capture/capture";
import { rescaled, usualSetting } from "../capture/rescale";
import { thin } from "../capture/thin";
import { analyseCapture } from "./analyse";
import { departing } from "./departing";
import { traceSvg } from "./trace-svg";

const rate = 5000;
const square = (hertz: number, size = 1, lost: [number, number] | null = null) =>
  Float32Array.from({ length: 5 * rate }, (_, i) => {
    const t = i / rate;
    const hash = 0.01 * Math.sin(i * 12.9898);
    if (lost && t % 1.3 > lost[0] && t % 1.3 < lost[1]) return 0.8 + hash;
    return 0.8 + ((t * hertz) % 1 < 0.5 ? size : 0) + hash;
  });
const of = (...channels: [string, Float32Array][]): Capture => ({
  name: "drive",
  sampleS: 1 / rate,
  startS: 0,
  channels: channels.map(([name, samples]) => ({ name, unit: "V", samples })),
});
const told = (capture: Capture) => departing(analyseCapture(capture, { pulses: 48 })).join(" ");

describe("which of four wheels departs", () => {
  const good: [string, Float32Array][] = [
    ["FL", square(60)],
    ["FR", square(60.2)],
    ["RL", square(59.9)],
  ];
  it.each<[string, Float32Array, RegExp | null]>([
    ["none", square(60.1), null],
    ["a silent one", new Float32Array(5 * rate).fill(0.8), /RR shows no pulses while the others turn at 60 Hz/],
    ["one on a small tyre", square(61.5), /RR turns 2\.5 % faster.*not electrics/],
    ["one with half the height", square(60, 0.4), /RR is smaller: 4[01] %/],
    ["one that drops out", square(60, 1, [0.4, 0.49]), /Only RR: The signal is lost/],
  ])("%s", (_, samples, say) => {
    const words = told(of(...good, ["RR", samples]));
    if (say) expect(words).toMatch(say);
    else expect(words).toBe("");
    expect(words).not.toMatch(/\b(FL|FR|RL)\b (is|turns|shows)/);
  });
});

describe("what a channel really measured", () => {
  const capture = of(["a", Float32Array.of(0.042, 0.084)], ["b", Float32Array.of(1, 2)]);

  // Domain fact: six loops of 7 and 14 mA read as 42 and 84; here at 1 V per A.
  it("six loops through a clamp, a shunt by Ohm's law, a ×10 probe", () => {
    const clamp = {
      ...usualSetting(capture.channels[0]!),
      sensing: { kind: "clamp", millivoltsPerAmp: 1000, loops: 6 } as const,
    };
    const probe = { name: "supply", probe: 10 as const, sensing: { kind: "volts" as const } };
    const [amps, volts] = rescaled(capture, [clamp, probe]).channels;
    expect(amps!.unit).toBe("A");
    expect(amps!.samples[0]).toBeCloseTo(0.007, 6);
    expect(amps!.samples[1]).toBeCloseTo(0.014, 6);
    expect([volts!.name, volts!.samples[1]]).toEqual(["supply", 20]);
    const shunt = { ...usualSetting(capture.channels[1]!), sensing: { kind: "shunt", ohms: 100 } as const };
    expect(rescaled(capture, [usualSetting(capture.channels[0]!), shunt]).channels[1]!.samples[0]).toBeCloseTo(0.01, 6);
    const sound = { ...capture, channels: capture.channels.map((one) => ({ ...one, scale: "unknown" as const })) };
    const known = { ...usualSetting(capture.channels[1]!), sensing: { kind: "calibrated", voltsPerUnit: 5 } as const };
    const [still, told] = rescaled(sound, [usualSetting(capture.channels[0]!), known]).channels;
    expect([still!.scale, told!.scale, told!.samples[1]]).toEqual(["unknown", undefined, 10]);
    expect(() => rescaled(capture, [{ ...shunt, sensing: { kind: "shunt", ohms: 0 } }])).toThrow(RangeError);
  });

  it("a trace becomes a picture of its own, hostile names as text", () => {
    const svg = traceSvg([thin(square(60), 1 / rate, 0, 400)], ['<script>"x"'], "V", "spin & stop");
    expect(svg).toMatch(/^<svg xmlns/);
    expect(svg).not.toContain("<script");
    expect(svg).toContain("spin &#38; stop");
    const ys = [...svg.matchAll(/points="([^"]+)"/g)][0]![1]!.split(" ").map((pair) => Number(pair.split(",")[1]));
    expect(Math.min(...ys)).toBeGreaterThan(40);
    expect(Math.max(...ys)).toBeLessThan(290);
  });
});
