/** Recordings of wheels that are not spun and left: turned a part at a time, on one screen, by the engine, through one wire. */
import { describe, expect, it } from "vitest";
import type { Capture, Channel } from "../capture/capture";
import { analyseCapture, type AnalyseOptions, type ChannelAnalysis } from "./analyse";
import { chanceTooSmall } from "./coil-size";

const RATE = 10_000;
const noise = (i: number) => (Math.sin(i * 12.9898) + Math.sin(i * 78.233 + 1)) / 2;

/** One value a sample, by the time in seconds. */
const sampled = (seconds: number, valueAt: (t: number, i: number) => number) =>
  Float32Array.from({ length: Math.round(seconds * RATE) }, (_, i) => valueAt(i / RATE, i));

/** Turns passed at each sample, by the speed in turns a second. */
function turnsOf(seconds: number, speedAt: (t: number) => number): Float64Array {
  const turns = new Float64Array(Math.round(seconds * RATE));
  for (let i = 1; i < turns.length; i++) turns[i] = turns[i - 1]! + speedAt(i / RATE) / RATE;
  return turns;
}

const capture = (...samples: Float32Array[]): Capture => ({
  name: "made",
  sampleS: 1 / RATE,
  startS: 0,
  channels: samples.map((one, i): Channel => ({ name: ["left", "right"][i]!, unit: "V", samples: one })),
});
const analysed = (made: Capture, options: AnalyseOptions = {}) => analyseCapture(made, options)[0]!;
const codes = ({ findings }: ChannelAnalysis) => findings.map(({ code }) => code as string);

/** Two currents over a resistor; `gone` of a turn's 48 poles have none. */
const levels = (turns: Float64Array, gone: (pole: number) => boolean = () => false, lowV = 0.8, highV = 1.6) =>
  Float32Array.from(turns, (turn, i) => {
    const pole = turn * 48;
    const isHigh = pole % 1 < 0.5 && !gone(Math.floor(pole) % 48);
    return (isHigh ? highV : lowV) + 0.006 * noise(i);
  });

/** A coil's voltage by Faraday's law, volts a turn a second; the height and place of a tooth by its number. */
function coil(
  turns: Float64Array,
  voltsPerTurn: number,
  tooth: (k: number) => { height?: number; late?: number } = () => ({}),
) {
  const odd = Array.from({ length: 48 }, (_, k) => ({ height: 1, late: 0, ...tooth(k) }));
  const at48 = (k: number) => odd[((k % 48) + 48) % 48]!;
  const flux = Float64Array.from(turns, (turn) => {
    const at = turn * 48;
    let k = Math.floor(at);
    if (at < k + at48(k).late) k--;
    const [from, to] = [k + at48(k).late, k + 1 + at48(k + 1).late];
    const along = (at - from) / (to - from);
    return (at48(along < 0.5 ? k : k + 1).height * (1 + Math.cos(2 * Math.PI * along))) / 2;
  });
  return Float32Array.from(flux, (value, i) => {
    const rate = i === 0 ? 0 : (value - flux[i - 1]!) * RATE;
    return (voltsPerTurn / 48 / Math.PI) * rate + 0.004 * noise(i);
  });
}

/** A hand that turns the wheel a part at a time: up to its speed within a few poles, held, and to rest again. */
const partAtATime = (parts: readonly { speed: number; from: number; to: number }[]) => (t: number) => {
  const own = parts.find(({ to }) => t < to + 0.25);
  if (!own || t < own.from) return 0;
  const up = 1 - Math.exp(-(t - own.from) / 0.06);
  const down = t > own.to ? Math.exp(-(t - own.to) / 0.06) : 1;
  return own.speed * up * down > 0.02 ? own.speed * up * down : 0;
};
const PARTS = [
  { speed: 0.62, from: 0.3, to: 0.75 },
  { speed: 0.48, from: 1.35, to: 1.8 },
  { speed: 0.71, from: 2.2, to: 2.65 },
  { speed: 0.55, from: 3.35, to: 3.75 },
  { speed: 0.66, from: 4.2, to: 4.7 },
];

describe("a wheel turned a part at a time", () => {
  it.each([0, 0.15, 0.3])("loses no pulses where it stands (begun %d s later)", (later) => {
    const turns = turnsOf(5.6, (t) => partAtATime(PARTS)(t - later));
    expect(codes(analysed(capture(levels(turns)), { family: "active-2wire", pulses: 48 }))).toEqual([]);
    expect(codes(analysed(capture(coil(turns, 0.9)), { family: "passive", pulses: 48 }))).toEqual([]);
  });

  it("with poles gone is open, never a loose wire: what was met between two stops alone could be the ring's", () => {
    const turns = turnsOf(5.6, partAtATime(PARTS));
    const gap = (pole: number) => pole === 9 || pole === 10;
    for (const options of [{ family: "active-2wire" }, { family: "active-2wire", pulses: 48 }] as const) {
      const one = analysed(capture(levels(turns, gap)), options);
      expect(codes(one)).not.toContain("random-dropout");
      expect(one.undecided || codes(one).includes("missing-pulses")).toBe(true);
    }
  });

  it("is still told a loose wire where the level leaves the sensor's own two", () => {
    const samples = levels(turnsOf(5.6, partAtATime(PARTS)));
    for (const at of [0.5, 2.4, 4.5]) samples.fill(0, at * RATE, (at + 0.06) * RATE);
    expect(codes(analysed(capture(samples), { family: "active-2wire", pulses: 48 }))).toEqual(["random-dropout"]);
  });
});

it("a wire gone for as long as a hand's stop is told by its level, where no period can tell", () => {
  const samples = levels(turnsOf(5.6, partAtATime(PARTS)));
  // Through the whole of a pause and into the next part.
  samples.fill(0, 1.1 * RATE, 1.5 * RATE);
  samples.fill(0, 2.9 * RATE, 3.5 * RATE);
  const one = analysed(capture(samples), { family: "active-2wire", pulses: 48 });
  expect(codes(one)).toEqual(["random-dropout"]);
  expect(one.findings[0]!.facts).toMatchObject({ times: 2 });
});

describe("one screen of an oscilloscope", () => {
  const screen = (gone: boolean) =>
    levels(
      turnsOf(0.14, () => 1.05),
      (pole) => gone && pole === 3,
    );

  it("of six or seven even pulses is a turning wheel's, not a sensor passed pole by pole", () => {
    const one = analysed(capture(screen(false)), { family: "active-2wire" });
    expect(one.findings).toEqual([]);
    expect(one.undecided).toBe(false);
  });

  it("with one pulse gone clears nothing", () => {
    const one = analysed(capture(screen(true)), { family: "active-2wire" });
    expect(one.findings).toEqual([]);
    expect(one.undecided).toBe(true);
    expect(one.warnings.join()).toContain("Pulses are lost");
  });
});

describe("what stands at the battery's voltage", () => {
  it("is a signal where it switches, also when two are recorded side by side", () => {
    const turns = turnsOf(5, () => 1.2);
    const [left, right] = analyseCapture(
      capture(
        levels(turns, (pole) => pole === 20, 11.7, 12.1),
        levels(turns, undefined, 11.7, 12.1),
      ),
      {
        pulses: 48,
      },
    );
    expect(codes(left!)).toEqual(["missing-pulses"]);
    expect(codes(right!)).toEqual([]);
    expect(right!.pulses).toBeGreaterThan(280);
  });
});

describe("a coil's size", () => {
  // domain.md: volts alone condemn only below some 0.05 V at one turn a second; others accept 0.1 V; one maker gives 0.65 V at 5 mph.
  const ofOneMaker = (volts: number) => (volts * 8.05) / (0.65 * 7);

  it("condemns by itself only where no make gives so little", () => {
    expect(chanceTooSmall(ofOneMaker(0.04))).toBeGreaterThan(0.97);
    expect(chanceTooSmall(ofOneMaker(0.1))).toBeLessThan(0.9);
    expect(chanceTooSmall(ofOneMaker(0.2))).toBeLessThan(0.5);
    const turns = turnsOf(5, () => 1);
    const small = analysed(capture(coil(turns, 0.25)), { family: "passive", pulses: 48 });
    expect(small.findings.map(({ code, confidence }) => [code, confidence < 0.8])).toEqual([["low-amplitude", true]]);
  });

  it("is judged by the other side where that was recorded along, either way", () => {
    const turns = turnsOf(5, () => 1);
    const sides = (left: number, right: number) =>
      analyseCapture(capture(coil(turns, left), coil(turns, right)), { family: "passive", pulses: 48 }).map(codes);
    expect(sides(0.15, 0.16)).toEqual([[], []]);
    const [same] = analyseCapture(capture(coil(turns, 0.15), coil(turns, 0.16)), { family: "passive", pulses: 48 });
    expect(same!.leading).toBe("clean");
    expect(sides(0.25, 0.8)).toEqual([["low-amplitude"], []]);
  });

  it("is half of it on one wire against ground, which stands at the module's bias", () => {
    const turns = turnsOf(5, () => 1);
    const whole = coil(turns, 0.7);
    const one = analysed(capture(whole.map((value) => 2.5 + value / 2)), { family: "passive", pulses: 48 });
    expect(one.findings).toEqual([]);
    expect(one.warnings.join()).toContain("one wire of a coil");
  });

  it("is not known where the input was over its range, with the instrument's noise on the flat tops or a wheel that slows", () => {
    const driven = coil(
      turnsOf(5, () => 1),
      0.5,
    );
    const cut = driven.map((value, i) => Math.max(-0.12, Math.min(0.12, value)) + 0.004 * noise(i * 3));
    const slowing = coil(
      turnsOf(5, (t) => 2 - 0.38 * t),
      0.5,
    );
    for (const samples of [cut, slowing.map((value) => Math.max(-0.25, Math.min(0.25, value)))]) {
      const one = analysed(capture(samples), { family: "passive", pulses: 48 });
      expect(one.size).toBeNull();
      expect(codes(one)).toEqual([]);
      expect(one.warnings.join()).toContain("cut off flat");
    }
  });

  it("that swings far both ways about nothing is no message of three levels, however long the wheel stood first", () => {
    const turns = turnsOf(8, (t) => (t < 3 ? 0 : Math.max(0, 2.2 - 0.5 * (t - 3))));
    const samples = coil(turns, 1.1).map((value, i) => value * (1 + 0.35 * Math.sin(2 * Math.PI * turns[i]!)));
    const one = analysed(capture(samples));
    expect(one.signal).toBe("sine");
    expect(codes(one)).toEqual(["eccentric"]);
  });
});

describe("an axle driven by the engine", () => {
  /** Taken up with a judder, then driven with a little of the engine's own beat. */
  const lifted = turnsOf(9, (t) => {
    const taken = Math.min(1, t / 0.6);
    return (
      1.3 *
      taken *
      (1 + 0.22 * Math.exp(-(((t - 0.7) / 0.35) ** 2)) * Math.sin(2 * Math.PI * 8 * t)) *
      (1 + 0.006 * Math.sin(2 * Math.PI * 26 * t))
    );
  });

  it("shows the crack of its ring for all its judder, and none where there is none", () => {
    const cracked = coil(lifted, 0.8, (k) => (k === 30 ? { late: 0.25 } : {}));
    expect(codes(analysed(capture(cracked), { family: "passive" }))).toEqual(["cracked-ring"]);
    expect(codes(analysed(capture(coil(lifted, 0.8)), { family: "passive" }))).toEqual([]);
  });

  it("tells a bent tooth, off in height first, from a crack", () => {
    const bent = coil(lifted, 0.8, (k) => (k === 12 ? { height: 0.45, late: 0.07 } : {}));
    expect(codes(analysed(capture(bent), { family: "passive", pulses: 48 }))).toEqual(["odd-tooth"]);
  });
});

it("a ring's gap is the ring's through a drive with stops, at each of which the count begins anew", () => {
  const turns = turnsOf(
    24,
    (t) => 3 * Math.max(0, Math.sin((2 * Math.PI * t) / 8 + 0.3)) + (t > 8 && t < 8.02 ? 7 : 0),
  );
  const one = analysed(capture(coil(turns, 0.7, (k) => (k === 5 ? { height: 0 } : {}))), {
    family: "passive",
    pulses: 48,
  });
  expect(codes(one)).toEqual(["missing-pulses"]);
});

it("a feed that fails for moments takes the signal with it, and the signal keeps its own two levels", () => {
  const signal = levels(turnsOf(6, () => 1.1));
  const feed = sampled(6, (_, i) => 13.8 + 0.02 * noise(i));
  for (const at of [0.9, 2.3, 2.9, 4.4]) {
    signal.fill(0, at * RATE, (at + 0.09) * RATE);
    feed.fill(2, at * RATE, (at + 0.09) * RATE);
  }
  const [one, other] = analyseCapture(capture(signal, feed), { pulses: 48 });
  expect(one!.signal).toBe("two-level");
  expect(one!.levels.lowV).toBeCloseTo(0.8, 1);
  expect([codes(one!), codes(other!)]).toEqual([[], ["supply-dip"]]);
});
