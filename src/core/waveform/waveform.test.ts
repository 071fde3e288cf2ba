/** Analysis on captures made here, by code that shares nothing with the simulated car. */
import FFT from "fft.js";
import { describe, expect, it } from "vitest";
import { UnusableInput } from "../capture/capture";
import { captureToCsv, parseCaptureCsv } from "../capture/csv";
import { analyseCapture } from "./analyse";

interface Wave {
  teeth: number;
  turnsPerS: (t: number) => number;
  seconds: number;
  rate: number;
  noise?: number;
  missing?: number[];
  crackAt?: number;
  dropouts?: [number, number][];
  passive?: boolean;
  scale?: number;
}

function wave({
  teeth,
  turnsPerS,
  seconds,
  rate,
  noise = 0.01,
  missing = [],
  crackAt,
  dropouts = [],
  passive = false,
  scale = 1,
}: Wave): Float32Array {
  let seed = 12345;
  const random = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648;
  let phase = 0.3;
  return Float32Array.from({ length: seconds * rate }, (_, i) => {
    const t = i / rate;
    phase += turnsPerS(t) / rate;
    let place = (phase % 1) * teeth;
    if (crackAt !== undefined && place > crackAt && place < crackAt + 1)
      place = place - crackAt < 0.3 ? crackAt - 0.01 : crackAt + (place - crackAt - 0.3) / 0.7;
    const tooth = Math.floor(place);
    const hash = noise * (random() + random() + random() - 1.5) * 2;
    const gone = missing.includes(tooth) || dropouts.some(([from, to]) => t > from && t < to);
    if (passive) return (gone ? 0 : scale * turnsPerS(t) * Math.sin(2 * Math.PI * (place - tooth))) + hash;
    return (!gone && place - tooth < 0.5 ? 1.7 : 0.85) + hash;
  });
}

const capture = (samples: Float32Array, rate: number) => ({
  name: "made",
  sampleS: 1 / rate,
  startS: 0,
  channels: [{ name: "signal", unit: "V" as const, samples }],
});
const decay = (t: number) => 1.2 * Math.exp(-0.25 * t);

describe("findings", () => {
  it.each([
    [48, [16]],
    [44, [3, 4]],
    [60, [59]],
    [20, [7]],
  ])("%s teeth, %j missing, in a hand spin that runs down", (teeth, missing) => {
    const [one] = analyseCapture(
      capture(wave({ teeth, missing, turnsPerS: decay, seconds: 5, rate: 10_000 }), 10_000),
      { pulses: teeth },
    );
    expect(one!.signal).toBe("two-level");
    expect(one!.findings.filter(({ code }) => code === "missing-pulses")).toHaveLength(1);
    const finding = one!.findings.find(({ code }) => code === "missing-pulses")!;
    expect(finding).toMatchObject({ ringLocked: true, count: missing.length });
    expect(one!.leading).toBe("missing-pulses");
  });

  it("finds the pulse count itself from the ring's own signature", () => {
    const [one] = analyseCapture(
      capture(wave({ teeth: 52, missing: [9], turnsPerS: decay, seconds: 6, rate: 8000 }), 8000),
    );
    expect(one!.pulsesPerRevolution).toBe(52);
    expect(one!.countFrom).toBe("signature");
  });

  it("random losses that leave the level where it stood are no ring's and no wire's", () => {
    const dropouts: [number, number][] = [
      [0.61, 0.66],
      [1.93, 1.95],
      [2.4, 2.47],
      [3.71, 3.75],
    ];
    const [one] = analyseCapture(
      capture(wave({ teeth: 48, dropouts, turnsPerS: decay, seconds: 5, rate: 10_000 }), 10_000),
      { pulses: 48 },
    );
    expect(one!.leading).toBe("signal-parked");
    expect(one!.findings.some(({ ringLocked }) => ringLocked)).toBe(false);
  });

  it("a crack is a jump at one place", () => {
    const [one] = analyseCapture(
      capture(wave({ teeth: 48, crackAt: 20, turnsPerS: () => 1.1, seconds: 5, rate: 20_000 }), 20_000),
      { pulses: 48 },
    );
    expect(one!.leading).toBe("cracked-ring");
  });

  it.each([false, true])("a clean capture has no finding (passive %s)", (passive) => {
    for (const teeth of [43, 48, 52]) {
      const [one] = analyseCapture(
        capture(wave({ teeth, turnsPerS: decay, seconds: 5, rate: 9000, passive, scale: 1.1 }), 9000),
        { pulses: teeth, family: passive ? "passive" : "active-2wire" },
      );
      expect(one!.findings).toEqual([]);
      expect(one!.leading).toBe("clean");
    }
  });

  it("a passive signal too small for its speed is told from a good one", () => {
    const [one] = analyseCapture(
      capture(
        wave({ teeth: 48, turnsPerS: () => 1.1, seconds: 4, rate: 9000, passive: true, scale: 0.18, noise: 0.003 }),
        9000,
      ),
      { pulses: 48, family: "passive" },
    );
    expect(one!.leading).toBe("low-amplitude");
  });

  it("frequency agrees with an FFT package within a bin", () => {
    const rate = 4096;
    const samples = wave({ teeth: 48, turnsPerS: () => 1.1, seconds: 4, rate });
    const fft = new FFT(16384);
    const spectrum = fft.createComplexArray();
    fft.realTransform(
      spectrum,
      Array.from(samples, (value) => value - 1.27),
    );
    const power = Array.from({ length: 8192 }, (_, k) => spectrum[2 * k]! ** 2 + spectrum[2 * k + 1]! ** 2);
    const peakHz = (power.indexOf(Math.max(...power)) * rate) / 16384;
    const [one] = analyseCapture(capture(samples, rate), { pulses: 48 });
    expect(Math.abs(one!.frequencyHz!.median - peakHz)).toBeLessThan(rate / 16384);
  });
});

describe("capture files", () => {
  const rows = Array.from({ length: 40 }, (_, i) => [i * 0.001, Math.sin(i)]);
  it.each([
    ["plain", rows.map(([t, v]) => `${t},${v}`).join("\n"), 0.001],
    [
      "metadata and units in the names",
      `Model,bench 4\nDate,night\n\nTime (ms),CH1 (mV)\n${rows.map(([t, v]) => `${t! * 1000},${v! * 1000}`).join("\n")}`,
      0.001,
    ],
    [
      "semicolon, decimal comma, unit row",
      `Zeit;Kanal\ns;V\n${rows.map(([t, v]) => `${String(t).replace(".", ",")};${String(v).replace(".", ",")}`).join("\n")}`,
      0.001,
    ],
    [
      "tabs and exponents",
      `time\tsignal\n${rows.map(([t, v]) => `${t!.toExponential(6)}\t${v!.toExponential(6)}`).join("\n")}`,
      0.001,
    ],
    ["no time, interval given", `# sample interval, 0.001 s\nsignal (V)\n${rows.map(([, v]) => v).join("\n")}`, 0.001],
  ])("%s", (name, text, sampleS) => {
    const read = parseCaptureCsv(text, name);
    expect(read.sampleS).toBeCloseTo(sampleS, 9);
    expect(read.channels).toHaveLength(1);
    expect(read.channels[0]!.samples).toHaveLength(40);
    expect(read.channels[0]!.samples[2]!).toBeCloseTo(Math.sin(2), 4);
  });

  it("what is written is read again", () => {
    const made = capture(wave({ teeth: 48, turnsPerS: () => 1, seconds: 1, rate: 1000 }), 1000);
    const again = parseCaptureCsv(captureToCsv(made), "again.csv");
    expect(again.channels[0]!.samples[500]!).toBeCloseTo(made.channels[0]!.samples[500]!, 4);
  });

  it.each([
    ["", /is empty/],
    ["\u0000\u0001\u0002PNG\u0000\u0000binary\u0000", /not text/],
    ["dear diary\nnothing here\nat all", /no rows of numbers/],
    [rows.map(([, v]) => v).join("\n"), /one column.*no time column/],
    [
      rows
        .map(([t, v]) => `${t! % 0.01},${v}`)
        .join("\n")
        .replace(/^/, "time,a\n"),
      /time runs backwards/,
    ],
    [`time,a\n${rows.map(([t]) => `${t},${t! > 0.002 ? "NaN" : 1}`).join("\n")}`, /rows of samples|no number/],
  ])("bad input %# gets a sentence", (text, say) => {
    expect(() => parseCaptureCsv(text, "bad.csv")).toThrow(UnusableInput);
    expect(() => parseCaptureCsv(text, "bad.csv")).toThrow(say);
  });
});

it("a ring that repeats itself by another count than the set-up's says so", () => {
  const samples = wave({ teeth: 47, turnsPerS: decay, seconds: 5, rate: 8000, missing: [9] });
  const [one] = analyseCapture(capture(samples, 8000), { pulses: 48 });
  expect([one!.pulsesPerRevolution, one!.signaturePulses, one!.foldedBy]).toEqual([48, 47, 47]);
  expect(one!.findings.map(({ code }) => code)).toEqual(["missing-pulses"]);
  const even = wave({ teeth: 47, turnsPerS: () => 1, seconds: 4, rate: 8000, noise: 0 });
  expect(analyseCapture(capture(even, 8000), { pulses: 48 })[0]!.signaturePulses).toBeNull();
});
