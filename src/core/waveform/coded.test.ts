/** Coded signals and several channels, made here by code that shares nothing with the simulated car. */
import { describe, expect, it } from "vitest";
import type { Capture } from "../capture/capture";
import { findingSays } from "../checks/findings/findings";
import { analyseCapture } from "./analyse";
import { paintMark, ringRaster } from "./raster";

let seed = 7;
const random = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648;
const hash = (size: number) => size * (random() + random() + random() + random() - 2);
const of = (rate: number, ...channels: [string, Float32Array][]): Capture => ({
  name: "made",
  sampleS: 1 / rate,
  startS: 0,
  channels: channels.map(([name, samples]) => ({ name, unit: "V", samples })),
});

/** 28 mA speed pulse, 50 µs, then nine Manchester bits at 14/7 mA, over 120 Ω. */
function protocol(words: readonly number[], rate: number, noise: number): Float32Array {
  const everyS = 0.0025;
  const levels = { low: 0.84, middle: 1.68, top: 3.36 };
  return Float32Array.from({ length: words.length * everyS * rate }, (_, i) => {
    const t = i / rate + 1e-9;
    const at = (t % everyS) / 50e-6;
    const word = words[Math.floor(t / everyS)] ?? 0;
    let value = levels.low;
    if (at >= 4 && at < 5) value = levels.top;
    else if (at >= 5 && at < 23) {
      const half = Math.floor(at - 5);
      const bit = (word >> (8 - (half >> 1))) & 1;
      value = (half % 2 === 1) === (bit === 1) ? levels.middle : levels.low;
    }
    return value + hash(noise);
  });
}

describe("the three-level protocol (from memory)", () => {
  it.each([0.002, 0.05, 0.12])("every bit at %s V of hash", (noise) => {
    const words = Array.from({ length: 60 }, () => Math.floor(random() * 512));
    const [one] = analyseCapture(of(400_000, ["signal", protocol(words, 400_000, noise)]), { family: "active-2wire" });
    expect(one!.signal).toBe("three-level");
    expect(one!.frames!.map(({ bits }) => parseInt(bits, 2))).toEqual(words);
    expect(one!.frames!.every(({ whole }) => whole)).toBe(true);
  });

  it("a plain two-level or sine signal is not taken for it", () => {
    const square = Float32Array.from({ length: 40_000 }, (_, i) => (i % 400 < 200 ? 0.84 : 1.68) + hash(0.01));
    const sine = Float32Array.from({ length: 40_000 }, (_, i) => Math.sin(i / 50) + hash(0.01));
    expect(analyseCapture(of(20_000, ["a", square]))[0]!.signal).toBe("two-level");
    expect(analyseCapture(of(20_000, ["a", sine]))[0]!.signal).toBe("sine");
  });
});

it("width-coded pulses keep their widths while the wheel runs down", () => {
  let phase = 0;
  let left = 0;
  let kind = 0;
  const rate = 100_000;
  const samples = Float32Array.from({ length: 4 * rate }, (_, i) => {
    phase += (1.6 * Math.exp(-0.3 * (i / rate)) * 96) / rate;
    if (phase >= 1) {
      phase -= 1;
      kind++;
      left = Math.round((kind % 9 === 0 ? 180e-6 : 90e-6) * rate);
    }
    left--;
    return (left > 0 ? 1.68 : 0.84) + hash(0.01);
  });
  const [one] = analyseCapture(of(rate, ["signal", samples]), { pulses: 96, family: "active-2wire" });
  expect(one!.signal).toBe("pulse-width");
  expect(one!.widths!.map(({ us }) => Math.round(us / 10) * 10)).toEqual([80, 170]);
  expect(one!.findings).toEqual([]);
});

describe("several channels", () => {
  const rate = 10_000;
  const lost = (t: number) => (t > 1.2 && t < 1.26) || (t > 2.7 && t < 2.74);
  const signal = Float32Array.from({ length: 4 * rate }, (_, i) => {
    const t = i / rate;
    return (lost(t) ? 0.02 : (t * 50) % 1 < 0.5 ? 1.65 : 0.82) + hash(0.004);
  });

  it("a supply that sinks with the signal is named as the place to look", () => {
    const supply = Float32Array.from({ length: 4 * rate }, (_, i) => (lost(i / rate) ? 3.1 : 11.6) + hash(0.02));
    const [one, two] = analyseCapture(of(rate, ["signal", signal], ["supply", supply]), { pulses: 48 });
    // The supply recorded beside it says more than where the level went.
    expect(one!.leading).toBe("supply-dip");
    expect(two!.findings).toMatchObject([{ code: "supply-dip", withSignal: true, count: 2 }]);
  });

  it("a steady supply beside a lost signal is not blamed, a dip without loss is told apart", () => {
    const steady = Float32Array.from({ length: 4 * rate }, () => 11.6 + hash(0.02));
    expect(analyseCapture(of(rate, ["signal", signal], ["supply", steady]), { pulses: 48 })[1]!.findings).toEqual([]);
    const whole = Float32Array.from(
      { length: 4 * rate },
      (_, i) => (((i / rate) * 50) % 1 < 0.5 ? 1.65 : 0.82) + hash(0.004),
    );
    const dips = Float32Array.from({ length: 4 * rate }, (_, i) => (lost(i / rate) ? 9 : 11.6) + hash(0.02));
    expect(analyseCapture(of(rate, ["signal", whole], ["supply", dips]), { pulses: 48 })[1]!.findings[0]).toMatchObject(
      {
        code: "supply-dip",
        withSignal: false,
      },
    );
  });
});

describe("key-on, spike and raster", () => {
  const rate = 10_000;
  const ring = (missing: number, rotation: number, keyOnS = 0) =>
    Float32Array.from({ length: 5 * rate }, (_, i) => {
      const t = i / rate;
      const turns = rotation + 1.2 * (1 - Math.exp(-0.25 * t)) * 4;
      const place =
        (turns % 1) * 48 +
        0.12 * Math.sin(2 * Math.PI * 3 * (turns % 1)) +
        0.06 * Math.sin(2 * Math.PI * 7 * (turns % 1));
      if (t < keyOnS) return hash(0.004);
      const on = place - Math.floor(place) < 0.5 && Math.floor(place) !== missing;
      return (on ? 1.65 : 0.82) + hash(0.004);
    });

  it("the key being turned and a touched probe are explained, not blamed", () => {
    const [one] = analyseCapture(of(rate, ["s", ring(-1, 0.1, 0.4)]), { pulses: 48, family: "active-2wire" });
    expect(one!.findings.map(({ code }) => code)).toContain("key-on-transient");
    expect(one!.leading).toBe("clean");
    const spiked = ring(-1, 0.1);
    spiked.fill(9, 20_000, 20_006);
    const [two] = analyseCapture(of(rate, ["s", spiked]), { pulses: 48, family: "active-2wire" });
    expect(two!.findings.map(({ code }) => code)).toEqual(["probe-spike"]);
    expect(two!.leading).toBe("clean");
  });

  it("a missing tooth is one full column of the raster, and the paint mark leads to it", () => {
    const capture = of(rate, ["s", ring(30, 0)]);
    const raster = ringRaster(capture, 0, 48)!;
    const column = raster.missingShare.indexOf(Math.max(...raster.missingShare));
    expect(raster.missingShare[column]).toBeGreaterThan(0.6);
    const mark = paintMark(raster, column + 1);
    expect((raster.lastTooth + mark.teethOn) % 48).toBe(
      mark.fromStandstill ? column : (raster.lastTooth + column) % 48,
    );
    expect(mark.degreesOn).toBe(Math.round((360 * mark.teethOn) / 48));
    expect(ringRaster(of(rate, ["s", new Float32Array(500)]), 0, 48)).toBeNull();
  });
});

it("AC coupling's wander is put straight before anything is judged", () => {
  const rate = 8000;
  let [slow, last] = [0, 0];
  const fade = Math.exp((-2 * Math.PI * 2) / rate);
  const coupled = Float32Array.from({ length: 5 * rate }, (_, i) => {
    const turns = 1.3 * (i / rate) - 0.06 * (i / rate) ** 2;
    const place = (turns % 1) * 44;
    const value = Math.floor(place) !== 17 && place % 1 < 0.5 ? 1.66 : 0.83;
    slow = fade * (slow + value - last);
    last = value;
    return slow + hash(0.004);
  });
  const [one] = analyseCapture(of(rate, ["s", coupled]), { pulses: 44 });
  expect(one!.findings.map(({ code }) => code)).toEqual(["missing-pulses"]);
});

// Domain fact: an intermittent open makes the level go to 0 or to supply, not to 7 or 14 mA.
describe("a level that is neither of the two", () => {
  const rate = 8000;
  const square = (jumps: [number, number][], to: number) =>
    Float32Array.from({ length: 5 * rate }, (_, i) => {
      const t = i / rate;
      const hash = 0.012 * Math.sin(i * 12.9898) * Math.cos(i * 4.1);
      if (jumps.some(([from, until]) => t >= from && t < until)) return to + hash;
      return ((t * 52) % 1 < 0.5 ? 1.72 : 0.86) + hash;
    });

  it.each([
    ["to supply", 11.7, "signal-risen"],
    ["to nothing", 0.01, "signal-fallen"],
  ])(
    "jumps %s for moments: lost at random places, which way, and the signal's own levels still told",
    (_, to, word) => {
      const jumps: [number, number][] = [
        [0.7, 0.83],
        [1.9, 2.0],
        [3.13, 3.31],
        [4.4, 4.47],
      ];
      const [one] = analyseCapture(of(rate, ["s", square(jumps, to)]), { pulses: 48, family: "active-2wire" });
      expect(one!.signal).toBe("two-level");
      expect(one!.leading).toBe(word);
      expect(one!.levels.highV).toBeCloseTo(1.72, 1);
      expect(one!.levels.lowV).toBeCloseTo(0.86, 1);
      // Seen across the sensor, turned round or as a current, which way it goes tells nothing.
      const seen = (unit: "V" | "A", as: (value: number) => number, scale?: "unknown") =>
        analyseCapture(
          {
            name: "seen",
            sampleS: 1 / rate,
            startS: 0,
            channels: [{ name: "s", unit, scale, samples: square(jumps, to).map(as) }],
          },
          { pulses: 48, family: "active-2wire" },
        )[0]!.leading;
      expect(seen("V", (value) => 12 - value)).toBe("signal-lost");
      expect(seen("V", (value) => -value)).toBe("signal-lost");
      expect(seen("A", (value) => value / 115)).toBe("signal-lost");
      expect(seen("V", (value) => value / 20, "unknown")).toBe("signal-lost");
      if (to > 5) expect(findingSays(one!.findings[0]!)).toMatch(/11\.7 V.*wire or contact/);
    },
  );

  it("a square wave of any duty, and one lone spike, are left as they are", () => {
    for (const duty of [0.2, 0.5, 0.8]) {
      const plain = Float32Array.from({ length: 4 * rate }, (_, i) => (((i / rate) * 50) % 1 < duty ? 1.7 : 0.85));
      expect(analyseCapture(of(rate, ["s", plain]), { pulses: 48, family: "active-2wire" })[0]!.leading).not.toBe(
        "random-dropout",
      );
    }
    expect(analyseCapture(of(rate, ["s", square([], 0)]), { pulses: 48, family: "active-2wire" })[0]!.leading).toBe(
      "clean",
    );
  });
});

describe("a recording that cannot be read safely says so", () => {
  const sine = (rate: number, hertz: number, limit = Infinity) =>
    Float32Array.from({ length: 4 * rate }, (_, i) =>
      Math.max(-limit, Math.min(limit, Math.sin((2 * Math.PI * hertz * i) / rate + 0.3))),
    );
  const options = { pulses: 48, tyre: "205/55R16", family: "passive" } as const;

  it("too few samples a pulse, with the speed the rate is good for", () => {
    const [one] = analyseCapture(of(1000, ["a", sine(1000, 230)]), options);
    // By hand: 1000 / 6 = 167 Hz, times 1.927 m / 48 pulses, is 6.69 m/s or 24.1 km/h.
    expect(one!.warnings.join()).toMatch(/4\.3 samples a pulse.*good up to about 24 km\/h/);
    expect(analyseCapture(of(1000, ["a", sine(1000, 90)]), options)[0]!.warnings).toEqual([]);
  });

  it("tops cut off", () => {
    expect(analyseCapture(of(5000, ["a", sine(5000, 60, 0.8)]), options)[0]!.warnings.join()).toMatch(/cut off flat/);
    expect(analyseCapture(of(5000, ["a", sine(5000, 60)]), options)[0]!.warnings).toEqual([]);
  });
});
