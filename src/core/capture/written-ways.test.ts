/** The same recording as programs and hands of many countries write it (common practice, no source): read alike, or asked about. */
import { describe, expect, it } from "vitest";
import { readCaptureFile } from "./read-file";

const STEP_S = 2e-4;
const volts = Array.from({ length: 9000 }, (_, i) => Number((1.1 + 0.9 * Math.sin(i / 11)).toFixed(4)));
const rows = volts.map((v, i): [t: number, v: number] => [i * STEP_S, v]);
const comma = (value: number, digits: number) => value.toFixed(digits).replace(".", ",");
const each = (row: (t: number, v: number, i: number) => string) => rows.map(([t, v], i) => row(t, v, i));
const grouped = (value: number) => Math.round(value).toLocaleString("de-DE");
const clock = (t: number) =>
  `${String(Math.floor(t / 3600) % 24).padStart(2, "0")}:${String(Math.floor(t / 60) % 60).padStart(2, "0")}:${(t % 60).toFixed(4).padStart(7, "0")}`;

const ways: Record<string, string[]> = {
  "time behind the signal": ["A (V),B (V),Time (ms)", ...each((t, v) => `${v},12.1,${(t * 1e3).toFixed(2)}`)],
  "newest row first": ["Time (s),A (V)", ...each((t, v) => `${t.toFixed(5)},${v}`).reverse()],
  "units behind values": ["Time,Voltage", ...each((t, v) => `${(t * 1e3).toFixed(2)} ms,${v} V`)],
  "each value in a unit of its own": [
    "Time,Voltage",
    ...each(
      (t, v) =>
        `${t < 1 ? `${(t * 1e3).toFixed(1)} ms` : `${t.toFixed(4)} s`},${v < 1 ? `${(v * 1e3).toFixed(1)} mV` : `${v} V`}`,
    ),
  ],
  "units behind decimal commas": ["Zeit;Spannung", ...each((t, v) => `${comma(t * 1e3, 2)} ms;${comma(v, 4)}\u00a0V`)],
  "points between thousands": ["Zeit (µs);U (V)", ...each((t, v) => `${grouped(t * 1e6)};${comma(v, 4)}`)],
  "blanks between thousands": [
    "Temps (µs);U (V)",
    ...each((t, v) => `${grouped(t * 1e6).replaceAll(".", "\u202f")};${comma(v, 4)}`),
  ],
  "date and clock apart": ["Date,Time,Volt", ...each((t, v) => `20/11/2026,${clock(33242 + t)},${v}`)],
  "stamps with a zone": ["timestamp,value", ...each((t, v) => `2026-11-20T${clock(33242 + t)}Z,${v}`)],
  "over midnight": ["Time,V", ...each((t, v) => `${clock(86399.5 + t)},${v}`)],
  "minutes and seconds": ["Elapsed,V", ...each((t, v) => `${clock(t).slice(3)},${v}`)],
  "before noon": ["Time,V", ...each((t, v) => `9:14:${(2 + t).toFixed(4).padStart(7, "0")} AM,${v}`)],
  "upright strokes": ["Time (s)|A (V)", ...each((t, v) => `${t.toFixed(5)}|${v}`)],
  "a blank line after each": ["Time (s),A (V)", ...each((t, v) => `${t.toFixed(5)},${v}\n`)],
  "a word behind each": ["Time (s),A (V),Status", ...each((t, v) => `${t.toFixed(5)},${v},OK`)],
  "quoted with units": ['"Time","A"', ...each((t, v) => `"${t.toFixed(5)} s","${v} V"`)],
  "the sign of a typesetter": [
    "Time (s);A (V)",
    ...each((t, v) => `${(t - 1).toFixed(5)};${v}`.replace("-", "\u2212")),
  ],
  "a rate in front": ["fs=5000", "V", ...each((_, v) => `${v}`)],
  "samples a second": ["5 kS/s", "V", ...each((_, v) => `${v}`)],
  "a clock beside decimal commas": ["Zeit;Volt", ...each((t, v) => `${clock(33242 + t)};${comma(v, 4)}`)],
  "a clock with a decimal comma": ["Zeit;U [V]", ...each((t, v) => `${clock(t).replace(".", ",")};${comma(v, 4)}`)],
  "milliseconds since 1970": ["ts,v", ...each((t, v) => `${1767225600000 + t * 1e3},${v}`)],
  "microseconds since 1970": ["ts,v", ...each((t, v) => `${(1767225600 + t) * 1e6},${v}`)],
  nanoseconds: ["t[ns],U[V]", ...each((t, v) => `${Math.round(t * 1e9)},${v}`)],
  "units in full": ["Time (milliseconds),A (millivolts)", ...each((t, v) => `${t * 1e3},${(v * 1e3).toFixed(1)}`)],
  "a channel called A": ["Time (s),Channel A", ...each((t, v) => `${t.toFixed(5)},${v}`)],
  "a sample called A": ["Time (s),Sample A", ...each((t, v) => `${t.toFixed(5)},${v}`)],
  "a name above one column": ["Sample rate: 5,000 Hz", "Channel: A", ...each((_, v) => `${v}`)],
  "an increment in cells": ["Increment,0.0002,s", "index,CH1", ...each((_, v, i) => `${i},${v}`)],
  "an interval in msec": ["dt=0.2msec", "V", ...each((_, v) => `${v}`)],
  "a period in words": ["Sample period = 200 microseconds", "V", ...each((_, v) => `${v}`)],
  "a rate in cells": ["Rate;5;kS/s", "Nr;CH1", ...each((_, v, i) => `${i};${comma(v, 4)}`)],
  "the time once a channel": ["t1,ch1,t2,ch2", ...each((t, v) => `${t.toFixed(5)},${v},${t.toFixed(5)},${v}`)],
  "exponents with a D": [
    "t u",
    ...each((t, v) => `${t.toExponential(6).replace("e", "D")} ${v.toExponential(6).replace("e", "D")}`),
  ],
  "one column of decimal commas": ["Abtastintervall: 0,2 ms", "Kanal A [V]", ...each((_, v) => comma(v, 4))],
};

describe("one recording written in many ways", () => {
  it.each(Object.entries(ways))("%s", (_, lines) => {
    const { sampleS, channels } = readCaptureFile(new TextEncoder().encode(lines.join("\n")), "a.csv");
    expect(sampleS).toBeCloseTo(STEP_S, 9);
    expect(channels[0]!.samples).toEqual(Float32Array.from(volts));
    expect(channels[0]!.unit).toBe("V");
  });

  it("an “inf” at a row's end is an over-range value, no word", () => {
    const lines = ["Time (s),A (V)", ...each((t, v, i) => `${t.toFixed(5)},${i === 5 ? "inf" : v}`)];
    const { channels } = readCaptureFile(new TextEncoder().encode(lines.join("\n")), "a.csv");
    expect(channels[0]!.samples[5]).toBeCloseTo(Math.max(...volts), 5);
    expect(channels[0]!.samples).toHaveLength(volts.length);
  });

  it.each(["OL", "O.L", "Overload", "-inf"])("“%s” in the first row is over the range too", (sign) => {
    const lines = ["Time (s),A (V)", ...each((t, v, i) => `${t.toFixed(5)},${i % 700 === 0 ? sign : v}`)];
    const { channels } = readCaptureFile(new TextEncoder().encode(lines.join("\n")), "a.csv");
    const end = sign.startsWith("-") ? Math.min(...volts) : Math.max(...volts);
    expect(channels[0]!.samples[700]).toBeCloseTo(end, 5);
    expect(channels[0]!.samples).toHaveLength(volts.length);
  });

  it("an input that was not ready at first is read from where it was", () => {
    const lines = ["Time (s),A (V)", ...each((t, v, i) => `${t.toFixed(5)},${i < 400 ? "NaN" : v}`)];
    const { channels, startS } = readCaptureFile(new TextEncoder().encode(lines.join("\n")), "a.csv");
    expect(startS).toBeCloseTo(0.08, 9);
    expect(channels[0]!.samples).toEqual(Float32Array.from(volts.slice(400)));
  });

  it.each([
    ["True", "False"],
    ["HIGH", "LOW"],
    ["h", "l"],
  ])("a logic input's “%s” and “%s” are its two levels; a word that never changes is none", (high, low) => {
    const lines = [
      "Time (s),D0,D1,State",
      ...each((t, v, i) => `${t.toFixed(5)},${v > 1.1 ? high : low},${i % 40 < 20 ? high : low},ON`),
    ];
    const { channels } = readCaptureFile(new TextEncoder().encode(lines.join("\n")), "a.csv");
    expect(channels.map(({ name }) => name)).toEqual(["D0", "D1"]);
    expect(channels[0]!.samples).toEqual(Float32Array.from(volts, (v) => (v > 1.1 ? 1 : 0)));
  });

  it("in the letters of an office its “µs” is not taken for seconds", () => {
    const lines = ["Zeit (µs);Kanal A (V)", ...each((t, v) => `${Math.round(t * 1e6)};${comma(v, 4)}`)];
    const bytes = Uint8Array.from(lines.join("\n"), (letter) => letter.charCodeAt(0));
    expect(readCaptureFile(bytes, "a.csv").sampleS).toBeCloseTo(STEP_S, 9);
  });
});
