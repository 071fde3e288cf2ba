import { gzipSync } from "node:zlib";
import { strToU8 } from "fflate";
import { WaveFile } from "wavefile";
import { describe, expect, it } from "vitest";
import { UnusableInput } from "./capture";
import { readCaptureFile } from "./read-file";
import { captureToWav } from "./wav";

const csv = `time (s),signal (V)\n${Array.from({ length: 200 }, (_, i) => `${(i / 1000).toFixed(4)},${(i % 20 < 10 ? 0.8 : 1.7).toFixed(3)}`).join("\n")}`;

/** A WAV whose header says ADPCM (format 2 of the RIFF/WAVE description). */
function compressed(): Uint8Array {
  const samples = new Float32Array(100);
  const wav = captureToWav({ name: "", sampleS: 1e-3, startS: 0, channels: [{ name: "a", unit: "V", samples }] });
  wav[20] = 2;
  return wav;
}

describe("capture files by what is in them", () => {
  it("reads text, gzip of text, and UTF-16 alike", () => {
    const plain = readCaptureFile(strToU8(csv), "a.csv");
    const packed = readCaptureFile(gzipSync(strToU8(csv)), "a.csv.gz");
    const wide = new Uint8Array([
      0xff,
      0xfe,
      ...new Uint8Array(Uint16Array.from(csv, (one) => one.charCodeAt(0)).buffer),
    ]);
    expect(packed.channels[0]!.samples).toEqual(plain.channels[0]!.samples);
    expect(readCaptureFile(wide, "a.txt").channels[0]!.samples).toEqual(plain.channels[0]!.samples);
  });

  // Against a general WAV package, depth by depth: its samples, scaled, are ours.
  it.each(["8", "16", "24", "32", "32f"])("reads %s-bit WAV as the sound package wrote it", (depth) => {
    const volts = Float64Array.from({ length: 400 }, (_, i) => 0.3 * Math.sin(i / 9));
    const wav = new WaveFile();
    wav.fromScratch(1, 8000, "32f", volts);
    wav.toBitDepth(depth);
    const capture = readCaptureFile(wav.toBuffer(), "a.wav");
    expect(capture.sampleS).toBeCloseTo(1 / 8000, 12);
    // What full scale was in volts, no sound file says.
    expect(capture.channels[0]!.scale).toBe("unknown");
    const worst = Math.max(...capture.channels[0]!.samples.map((value, i) => Math.abs(value - volts[i]!)));
    expect(worst).toBeLessThan(depth === "8" ? 0.01 : 1e-3);
  });

  it("writes WAV that reads back, two channels in step", () => {
    const samples = Float32Array.from({ length: 300 }, (_, i) => (i % 7) / 3);
    const capture = {
      name: "x",
      sampleS: 1e-4,
      startS: 0,
      channels: [
        { name: "a", unit: "V" as const, samples },
        { name: "b", unit: "V" as const, samples: samples.map((value) => -value) },
      ],
    };
    const again = readCaptureFile(captureToWav(capture), "x.wav");
    expect(again.channels.map(({ scale }) => scale)).toEqual([undefined, undefined]);
    expect(again.channels[1]!.samples[5]).toBeCloseTo(-samples[5]!, 5);
  });

  it.each([
    ["nothing", new Uint8Array(0), /empty/],
    ["half a gzip", gzipSync(strToU8(csv)).slice(0, 120), /cut short|damaged/],
    ["more packed than any recording", gzipSync(strToU8("1\n".repeat(20_000_000))), /unpacks to over/],
    ["a first line without end", strToU8(`${"a".repeat(120_000)}\n${csv}`), /line 1 is over 20000/],
    ["40,000 blanks in a name", strToU8(`time,a${" ".repeat(40_000)}x\n${csv}`), /line 1 is over 20000/],
    ["compressed sound", compressed(), /compressed sound/],
    ["a gzip bomb", gzipSync(new Uint8Array(420 * 1024 * 1024)), /unpacks to over/],
    ["a zip", strToU8("PK\u0003\u0004rest"), /is a ZIP/],
    [
      "half a WAV",
      captureToWav({
        name: "",
        sampleS: 1e-3,
        startS: 0,
        channels: [{ name: "", unit: "V", samples: new Float32Array(99) }],
      }).slice(0, 30),
      /WAV|samples/,
    ],
  ])("%s is told", (_, bytes, why) => {
    expect(() => readCaptureFile(bytes, "f")).toThrow(UnusableInput);
    expect(() => readCaptureFile(bytes, "f")).toThrow(why);
  });
});
