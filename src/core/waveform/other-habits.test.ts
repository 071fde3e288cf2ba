/** Recordings as other hands, sensors and instruments make them, by code that shares nothing with the simulated car. */
import { describe, expect, it } from "vitest";
import type { Capture } from "../capture/capture";
import { analyseCapture } from "./analyse";

const of = (rate: number, samples: Float32Array): Capture => ({
  name: "made",
  sampleS: 1 / rate,
  startS: 0,
  channels: [{ name: "signal", unit: "V", samples }],
});
const noise = (i: number) => Math.sin(i * 12.9898) + Math.sin(i * 78.233 + 1);
const codes = (capture: Capture, options: Parameters<typeof analyseCapture>[1]) =>
  analyseCapture(capture, options)[0]!.findings.map(({ code }) => code as string);

/** Turns passed, at a speed that a hand which stays on the tyre takes from one to the next of these, rev/s. */
function handStaysOn(speeds: readonly number[], everyS: number, rate: number): Float64Array {
  const turns = new Float64Array(Math.round(speeds.length * everyS * rate));
  for (let i = 1; i < turns.length; i++) {
    const at = i / rate / everyS;
    const [from, to] = [speeds[Math.floor(at)]!, speeds[Math.floor(at) + 1] ?? speeds.at(-1)!];
    const along = (1 - Math.cos(Math.PI * (at % 1))) / 2;
    turns[i] = turns[i - 1]! + (from + (to - from) * along) / rate;
  }
  return turns;
}

describe("a hand that stays on the tyre", () => {
  // A wheel driven now faster, now slower, about as often as it turns, is no ring out of true; the spread of draws is ours.
  it.each([1, 2, 3])("drives a true ring unevenly (%i), and the ring is called true", (draw) => {
    const speeds = Array.from({ length: 9 }, (_, k) => 1.15 + 0.3 * Math.sin(2.1 * k * draw + draw ** 2));
    const turns = handStaysOn(speeds, 0.67, 5000);
    const samples = Float32Array.from(turns, (turn, i) => ((turn * 44) % 1 < 0.5 ? 2.4 : 1.2) + 0.004 * noise(i));
    expect(codes(of(5000, samples), { family: "active-2wire", pulses: 44 })).toEqual([]);
  });
});

describe("a coded sensor through an input that rings a little", () => {
  // One short pulse at each edge of 48 poles (domain fact); a filter's own overshoot of a tenth (from memory).
  const pulses = (perSecond: number, lost: (turn: number) => boolean = () => false) =>
    Float32Array.from({ length: 8 * 40_000 }, (_, i) => {
      const edge = (i / 40_000) * perSecond;
      const sample = Math.floor(((edge % 1) / perSecond) * 40_000);
      const shape = lost(edge / 96) ? 0 : ([0.7, 1.1, 0.95, 1.02, 0.3, -0.11, 0.05][sample] ?? 0);
      return 0.77 + 0.9 * shape + 0.004 * noise(i);
    });

  it("at an even pace is neither hash nor a duty gone wrong, and turns as fast as its poles say", () => {
    const [one] = analyseCapture(of(40_000, pulses(150)), { family: "active-2wire", pulses: 48, tyre: "205/55R16" });
    expect(one!.findings).toEqual([]);
    expect(one!.signal).toBe("pulse-width");
  });

  it("counts both edges of a pole, so that its speed is half of what a count of poles would make of it", () => {
    const gone = (turn: number) => turn % 1 > 0.3 && turn % 1 < 0.32;
    const [one] = analyseCapture(of(40_000, pulses(150, gone)), {
      family: "active-2wire",
      pulses: 48,
      tyre: "205/55R16",
    });
    expect(one!.findings.map(({ code }) => code)).toEqual(["missing-pulses"]);
    expect(one!.pulsesPerRevolution).toBe(96);
    // 150 edges a second of 96 a turn, 1.927 m a turn (ETRTO, from memory).
    expect(one!.speedKmh!.median).toBeCloseTo((150 / 96) * 1.927 * 3.6, 0);
  });
});

describe("two levels", () => {
  it("with one sample caught half way up each edge are two, not three", () => {
    const samples = Float32Array.from({ length: 20_000 }, (_, i) => {
      const at = i % 20;
      return (at === 0 ? 0.35 : at < 10 ? 1 : at === 10 ? 0.35 : 0) * 0.85 + 0.8 + 0.004 * noise(i);
    });
    const [one] = analyseCapture(of(2000, samples), { family: "active-2wire", pulses: 48 });
    expect([one!.signal, one!.findings]).toEqual(["two-level", []]);
  });
});

describe("a time column in another unit than its header says", () => {
  it.each([
    ["milliseconds taken for seconds", 1, /no wheel's pace: is the time in another unit/],
    ["seconds as they are", 10_000, null],
    ["seconds taken for milliseconds", 10_000_000, /no wheel's pace/],
  ])("%s", (_, rate, say) => {
    const samples = Float32Array.from({ length: 10_000 }, (_, i) => (i % 20 < 10 ? 1.7 : 0.8) + 0.004 * noise(i));
    const { warnings } = analyseCapture(of(rate / 10, samples), { family: "active-2wire", pulses: 48 })[0]!;
    if (say) expect(warnings.join(" ")).toMatch(say);
    else expect(warnings).toEqual([]);
  });
});

describe("volts in another unit than its header says", () => {
  const levels = (by: number) =>
    Float32Array.from({ length: 10_000 }, (_, i) => by * ((i % 20 < 10 ? 1.7 : 0.8) + 0.004 * noise(i)));
  it.each([
    ["millivolts without their unit", 1000, /V is no speed sensor's: are these millivolts/],
    ["volts as they are", 1, null],
    ["levels of a small sense resistor", 0.25, null],
    ["a ×10 probe taken for ×1", 0.1, /About a tenth of what is usual: is a ×10 probe/],
  ])("%s", (_, by, say) => {
    const { warnings } = analyseCapture(of(1000, levels(by)), { family: "active-2wire", pulses: 48 })[0]!;
    if (say) expect(warnings.join(" ")).toMatch(say);
    else expect(warnings).toEqual([]);
  });
});

describe("teeth gone", () => {
  // A coil gives nothing over a gap; the first wave behind it begins from standing and comes late (Faraday's law).
  it("of a driven wheel are the ring's, though the first pulse behind them comes a quarter late", () => {
    const N = 50;
    const samples = Float32Array.from({ length: 12 * 20_000 }, (_, i) => {
      const pitch = ((i / 20_000) * 1.9 * N) % N;
      const inGap = pitch > 20 && pitch < 23.25;
      return (inGap ? 0 : 4.4 * Math.sin(2 * Math.PI * pitch)) + 0.02 * noise(i);
    });
    expect(codes(of(20_000, samples), { family: "passive", pulses: N })).toEqual(["missing-pulses"]);
  });

  it("of a ring of 52 on a car set up for 44 come round by what the ring repeats, and are no loose wire", () => {
    const samples = Float32Array.from({ length: 10 * 5000 }, (_, i) => {
      const pitch = ((i / 5000) * 1.3 * 52) % 52;
      const high = pitch % 1 < 0.5 && !(pitch > 30 && pitch < 32);
      return (high ? 1.7 : 0.8) + 0.004 * noise(i);
    });
    expect(codes(of(5000, samples), { family: "active-2wire", pulses: 44 })).toEqual(["missing-pulses"]);
  });
});
