/**
 * Recordings of rings made tooth by tooth: each tooth bends the field for itself (a Lorentz line as wide as a third of a
 * pitch, from memory), so that a gap leaves the field's own slow return and not a wave left out. Hand, engine and shop as
 * they are met (common practice, no source).
 */
import { describe, expect, it } from "vitest";
import type { Capture } from "../capture/capture";
import { seeded } from "../random/random";
import { analyseCapture, type AnalyseOptions } from "./analyse";

const RATE = 10_000;

interface Ring {
  /** Place of each tooth, in turns, and its height; nought is gone. */
  at: number[];
  height: number[];
  /** Runout over the pitch-long fall of the field. */
  eccentric?: number;
}

function ringOf(count: number, random: () => number, gone: readonly number[] = []): Ring {
  const at = Array.from({ length: count }, (_, k) => (k + 0.004 * (random() - 0.5)) / count);
  return { at, height: at.map((_, k) => (gone.includes(k) ? 0 : 1)) };
}

/** A ring that has sprung open at a crack: one slot is wider by so many pitches, all others share what is left. */
function opened(count: number, tooth: number, pitches: number, random: () => number): Ring {
  const even = ringOf(count, random);
  return { ...even, at: even.at.map((_, k) => (k + (k > tooth ? pitches : 0)) / (count + pitches)) };
}

/** Turns passed at each sample. */
function turned(seconds: number, speedAt: (t: number) => number): Float64Array {
  const turns = new Float64Array(Math.round(seconds * RATE));
  for (let i = 1; i < turns.length; i++) turns[i] = turns[i - 1]! + speedAt(i / RATE) / RATE;
  return turns;
}

/** Pushed within a third of a second, then slowed by its bearing. */
const spun = (top: number) => (t: number) =>
  t < 0.4 ? 0 : top * Math.min(1, (t - 0.4) / 0.3) * Math.max(0, 1 - (t - 0.4) / 5.5);
const driven = (speed: number) => (t: number) => speed * (1 + 0.01 * Math.sin(2 * t));

const STEPS_A_TOOTH = 256;

/** Volts of a coil over the ring: the field's slope along the way times the speed. @param clipped −1 with its leads changed over */
function coil(ring: Ring, turns: Float64Array, voltsPerTurn: number, clipped: 1 | -1, random: () => number) {
  const count = ring.at.length;
  const places = count * STEPS_A_TOOTH;
  const field = new Float64Array(places);
  ring.at.forEach((at, k) => {
    if (ring.height[k] === 0) return;
    for (let i = 0; i < places; i++) {
      const off = i / places - at;
      const pitches = (off - Math.round(off)) * count;
      field[i]! += ring.height[k]! / (1 + (pitches / 0.34) ** 2);
    }
  });
  const slope = (turn: number) => {
    const i = Math.floor(((turn % 1) + 1) * places) % places;
    return ((field[(i + 1) % places]! - field[(i + places - 1) % places]!) / 2) * STEPS_A_TOOTH;
  };
  return Float32Array.from(turns, (turn, i) => {
    const speed = i === 0 ? 0 : (turn - turns[i - 1]!) * RATE;
    const near = Math.exp((ring.eccentric ?? 0) * Math.sin(2 * Math.PI * turn));
    return clipped * 0.6 * voltsPerTurn * slope(turn) * speed * near + 0.004 * (random() - 0.5);
  });
}

/** Volts over the sense resistor of a sensor that switches as each tooth's field comes and goes. */
function currents(ring: Ring, turns: Float64Array, random: () => number, lowV = 0.8) {
  const count = ring.at.length;
  return Float32Array.from(turns, (turn) => {
    const k = Math.round((((turn % 1) + 1) % 1) * count) % count;
    const off = (turn % 1) - ring.at[k]!;
    const isHigh = ring.height[k] !== 0 && Math.abs(off - Math.round(off)) * count < 0.25;
    return (isHigh ? 2 : 1) * lowV + 0.006 * (random() - 0.5);
  });
}

const capture = (samples: Float32Array): Capture => ({
  name: "made",
  sampleS: 1 / RATE,
  startS: 0,
  channels: [{ name: "signal", unit: "V", samples }],
});
const analysed = (samples: Float32Array, options: AnalyseOptions = {}) => analyseCapture(capture(samples), options)[0]!;
const codes = (samples: Float32Array, options?: AnalyseOptions) =>
  analysed(samples, options).findings.map(({ code }) => code as string);

describe("a coil's ring with teeth gone", () => {
  it.each([1, 2, 3])("has them named whichever way the leads were clipped on (%d gone)", (gone) => {
    const random = seeded(40 + gone);
    for (const clipped of [1, -1] as const)
      for (const [seconds, speed] of [
        [6, spun(1.6)],
        [4, driven(1.3)],
      ] as const) {
        const ring = ringOf(48, random, [20, 21, 22].slice(0, gone));
        const one = analysed(coil(ring, turned(seconds, speed), 0.6, clipped, random), { family: "passive" });
        expect(one.findings.map(({ code, count }) => [code, count])).toEqual([["missing-pulses", gone]]);
        expect(one.pulsesPerRevolution ?? 48).toBe(48);
      }
  });

  it("is one ring damaged twice, and no loose wire beside, where teeth are gone at two places", () => {
    const random = seeded(51);
    const ring = ringOf(46, random, [9, 31]);
    for (const [seconds, speed] of [
      [5, 1],
      [8, 1.1],
    ] as const)
      for (const options of [{}, { pulses: 46 }]) {
        const turns = turned(seconds, driven(speed));
        expect(codes(coil(ring, turns, 0.6, -1, random), options)).toEqual(["missing-pulses", "missing-pulses"]);
        expect(codes(currents(ring, turns, random), options)).toEqual(["missing-pulses", "missing-pulses"]);
      }
  });

  it("swings to one side beside the gap, which is no wander of the whole: a drive with a stop keeps its true middle", () => {
    const random = seeded(52);
    const speed = (t: number) =>
      Math.max(0, t < 9 ? 1.2 * Math.min(1, t / 2, (8 - t) / 2) : 3 * Math.min(1, (t - 9) / 3));
    const samples = coil(ringOf(45, random, [3, 4, 5]), turned(16, speed), 0.4, -1, random);
    expect(codes(samples, { pulses: 45 })).toEqual(["missing-pulses"]);
  });
});

describe("a ring that has opened at a crack", () => {
  it.each([0.35, 0.55, 0.65])("is cracked, and lacks no tooth (%d of a pitch)", (pitches) => {
    const random = seeded(60);
    const ring = opened(48, 17, pitches, random);
    for (const samples of [
      coil(ring, turned(6, driven(1.1)), 0.6, 1, random),
      coil(ring, turned(6, driven(1.1)), 0.6, -1, random),
      currents(ring, turned(6, driven(1.1)), random),
    ])
      expect(codes(samples, { pulses: 48 })).toEqual(["cracked-ring"]);
  });
});

describe("a wheel crept round by hand", () => {
  it("goes slower and faster as the hand likes, and has lost nothing", () => {
    const random = seeded(70);
    for (const beat of [0.3, 0.45]) {
      const turns = turned(18, (t) => 0.03 * (1 + 0.55 * Math.sin(2 * Math.PI * beat * t)));
      expect(codes(currents(ringOf(51, random), turns, random))).toEqual([]);
    }
  });
});

describe("what a shop lays over a recording", () => {
  const loud = (samples: Float32Array, fromS: number, toS: number, rmsV: number, random: () => number) =>
    samples.map((value, i) => {
      if (i < fromS * RATE || i > toS * RATE) return value;
      const white = random() + random() + random() + random() - 2;
      return value + rmsV * Math.sqrt(3) * white;
    });

  it("a pump that runs for a while is hash for that while, and loses no pulses", () => {
    const random = seeded(80);
    const ring = ringOf(48, random);
    const turns = turned(6, driven(1.2));
    for (const samples of [
      loud(coil(ring, turns, 0.5, 1, random), 2, 4, 0.3, random),
      loud(currents(ring, turns, random), 2, 4, 0.25, random),
    ]) {
      const one = analysed(samples);
      expect(one.findings.map(({ code }) => code as string)).toEqual(["interference"]);
      expect(one.findings[0]!.startS).toBeCloseTo(2, 1);
      expect(one.findings[0]!.endS).toBeCloseTo(4, 1);
    }
  });

  it("a gap in the ring is told through it", () => {
    const random = seeded(81);
    const samples = loud(currents(ringOf(48, random, [7]), turned(7, driven(1.2)), random), 2, 4, 0.2, random);
    expect(codes(samples).toSorted()).toEqual(["interference", "missing-pulses"]);
  });

  it("a wheel out of true, driven at the mains' pace, is no hum", () => {
    const random = seeded(82);
    const ring = { ...ringOf(44, random), eccentric: 0.2 };
    for (const hz of [50, 60]) {
      const samples = coil(
        ring,
        turned(6, (t) => (hz / 44) * (1 + 0.006 * Math.sin(1.7 * t))),
        0.5,
        1,
        random,
      );
      expect(codes(samples, { family: "passive" })).toEqual(["eccentric"]);
    }
  });

  it("another wheel's signal on the leads makes no count of teeth", () => {
    const random = seeded(83);
    for (const other of [41, 57, 73]) {
      const own = coil(ringOf(44, random), turned(9, driven(1.25)), 0.5, 1, random);
      const one = analysed(own.map((value, i) => value + 0.03 * Math.sin((2 * Math.PI * other * i) / RATE)));
      expect(one.pulsesPerRevolution === null || one.pulsesPerRevolution === 44).toBe(true);
      expect(one.findings.filter(({ ringLocked }) => ringLocked)).toEqual([]);
    }
  });

  it("the key turned in the middle is told once, however softly the level comes up", () => {
    const random = seeded(84);
    const samples = currents(ringOf(48, random), turned(5, driven(1.4)), random).map((value, i) => {
      const since = i / RATE - 0.7;
      return since < 0 ? 0.003 * random() : value * (1 - Math.exp(-since / 0.002));
    });
    expect(codes(samples)).toEqual(["key-on-transient"]);
  });

  it("AC coupling begins with a part of a pulse, which is no key", () => {
    const random = seeded(85);
    const whole = currents(ringOf(48, random), turned(5, driven(1.2)), random);
    let under = whole[0]!;
    const samples = whole.map((value) => {
      under += (value - under) * ((2 * Math.PI * 2.5) / RATE);
      return value - under;
    });
    expect(codes(samples)).not.toContain("key-on-transient");
    expect(codes(samples)).not.toContain("random-dropout");
  });

  it("some millivolts of a coil shaken by the idling engine have no levels to be uneven", () => {
    const random = seeded(86);
    const samples = Float32Array.from({ length: 3 * RATE }, (_, i) => {
      const wave = 0.004 * Math.sin((2 * Math.PI * 26 * i) / RATE) + 0.002 * Math.sin((4 * Math.PI * 26 * i) / RATE);
      return Math.round((wave + 0.0004 * (random() - 0.5)) / 0.007) * 0.007;
    });
    expect(codes(samples)).not.toContain("duty-shift");
  });

  it("the converter's steps under a coded sensor that hardly turns are no noise of a resting coil", () => {
    const random = seeded(87);
    // One sample in sixteen a step of the converter up, one a step down.
    const level = () =>
      0.5107 + 0.0064 * (Math.floor(16 * random()) === 0 ? 1 : Math.floor(15 * random()) === 0 ? -1 : 0);
    const pulsing = (pulses: number) =>
      Float32Array.from({ length: 6 * RATE }, (_, i) => (i % 2200 === 1700 && i < 2200 * pulses ? 1.02 : level()));
    expect(codes(pulsing(24))).not.toContain("noise-at-rest");
  });

  it("a wheel that turns slowly as the key is turned still begins with the key", () => {
    const random = seeded(88);
    const samples = currents(
      ringOf(48, random),
      turned(9, (t) => 0.05 + 0.2 * t),
      random,
    ).map((value, i) => (i < 0.35 * RATE ? 0.003 * random() : value));
    expect(codes(samples)).toEqual(["key-on-transient"]);
  });
});
