/**
 * Two recordings held together, of wheels pushed by hand: rings, pushes and sensors made here by formula (Newton's law, a
 * tooth's pitch of its own, what the sensor makes of it), with what is true of each pair said beside it.
 */
import { expect, describe, it } from "vitest";
import { normal, seeded, type Random } from "../random/random";
import type { Family } from "../circuit/setup";
import { whoseRecording, type LibraryItem } from "../library/library";
import { analyseCapture } from "./analyse";
import { compareCaptures } from "./compare";
import { ringRaster } from "./raster";

interface Ring {
  pitches: number[];
  heights: number[];
  missing: readonly number[];
}

/** @param uneven how much pitches differ, as a share: good rings by under one in a hundred, worn or cheap ones by two */
function makeRing(random: Random, teeth: number, uneven: number, missing: readonly number[] = []): Ring {
  const some = () => Array.from({ length: teeth }, () => 1 + uneven * normal(random));
  return { pitches: some(), heights: some(), missing };
}

interface Spin {
  family: Family;
  /** Turns a second at the fastest, about. */
  top: number;
  backwards?: boolean;
  /** Low level, or volts per turn a second of a coil. */
  volts?: number;
  lengthS?: number;
}

const RATE = 8000;

function record(random: Random, { pitches, heights, missing }: Ring, spin: Spin) {
  const { family, top, backwards = false, volts = 0.8, lengthS = 7 } = spin;
  const teeth = pitches.length;
  const around = pitches.reduce((sum, one) => sum + one, 0);
  const ends = pitches.map((_, k) => pitches.slice(0, k + 1).reduce((sum, one) => sum + one, 0) / around);
  const pushes = [0.3, 1.1 + 0.6 * random()].map((fromS) => ({ fromS, longS: 0.3, hard: top * (5 + 2 * random()) }));
  let [speed, angle] = [0, random()];
  const samples = Float32Array.from({ length: lengthS * RATE }, (_, i) => {
    const t = i / RATE;
    const force = pushes.reduce(
      (sum, { fromS, longS, hard }) =>
        t >= fromS && t < fromS + longS ? sum + hard * Math.sin((Math.PI * (t - fromS)) / longS) : sum,
      0,
    );
    const drag = 0.25 * top + 0.12 * speed;
    if (speed > 0 || force > drag) speed = Math.max(0, speed + (force - drag) / RATE);
    angle += (backwards ? -1 : 1) * (speed / RATE);
    const at = angle - Math.floor(angle);
    const tooth = Math.min(
      teeth - 1,
      ends.findIndex((end) => at < end),
    );
    const through = ((at - (ends[tooth - 1] ?? 0)) * around) / pitches[tooth]!;
    const noise = 0.004 * normal(random);
    if (missing.includes(tooth)) return family === "passive" ? noise : volts + noise;
    if (family === "passive") return volts * speed * heights[tooth]! * Math.sin(2 * Math.PI * through) + noise;
    return (through < 0.5 ? 2.05 * volts : volts) + noise;
  });
  const capture = {
    name: "spin",
    sampleS: 1 / RATE,
    startS: 0,
    channels: [{ name: "s", unit: "V" as const, samples }],
  };
  const [channel] = analyseCapture(capture, { family, pulses: teeth });
  return { channel: channel!, raster: ringRaster(capture, 0, channel!.foldedBy!, { family }) };
}

const line = (rows: ReturnType<typeof compareCaptures>, what: string) => rows.find((row) => row.what === what);
const RING = "ring, over turns";

describe.each(["active-2wire", "passive"] as const)("two recordings of %s wheels pushed by hand", (family) => {
  const random = seeded(family.length);
  const spin = (more: Partial<Spin> = {}): Spin => ({ family, top: 1.6 + 0.4 * random(), ...more });

  it("one uneven ring is known again however it was turned, and another is another", () => {
    for (const teeth of [43, 48, 52]) {
      const ring = makeRing(random, teeth, 0.02);
      const first = record(random, ring, spin());
      expect(line(compareCaptures(first, record(random, ring, spin())), RING)).toMatchObject({
        agrees: true,
        say: "the same ring",
      });
      const back = line(compareCaptures(first, record(random, ring, spin({ backwards: true }))), RING);
      expect(back!.agrees, "turned the other way").not.toBe(false);
      const other = record(random, makeRing(random, teeth, 0.02), spin());
      expect(line(compareCaptures(first, other), RING)).toMatchObject({ agrees: false, say: "another ring" });
    }
  });

  it("rings too even to be known, or turned too little, are called neither", () => {
    for (let n = 0; n < 3; n++) {
      const [one, two] = [makeRing(random, 48, 0.0008), makeRing(random, 48, 0.0008)];
      const rows = compareCaptures(record(random, one, spin()), record(random, two, spin()));
      expect(line(rows, RING)!.agrees).not.toBe(true);
    }
    const ring = makeRing(random, 48, 0.02);
    const short = record(random, ring, spin({ top: 0.4, lengthS: 4 }));
    const rows = compareCaptures(record(random, ring, spin()), short);
    expect(line(rows, RING)?.agrees ?? null).toBeNull();
  });

  it("a ring's own gap is there both times, and gone with a new ring", () => {
    const gap = makeRing(random, 47, 0.004, [20, 21]);
    const before = record(random, gap, spin());
    const lost = "pulses missing a turn";
    expect(line(compareCaptures(before, record(random, gap, spin())), lost)).toMatchObject({ agrees: true });
    const renewed = record(random, makeRing(random, 47, 0.004), spin());
    expect(line(compareCaptures(before, renewed), lost)).toMatchObject({ agrees: false, after: 0 });
  });
});

it("levels and a coil's volts per hertz are held against each other, whatever the speed", () => {
  const random = seeded(3);
  const [ring, coil] = [makeRing(random, 48, 0.004), makeRing(random, 44, 0.004)];
  const active = (volts: number) => record(random, ring, { family: "active-2wire", top: 1 + random(), volts });
  const passive = (volts: number) => record(random, coil, { family: "passive", top: 0.9 + 1.1 * random(), volts });
  const [usual, same, low] = [active(0.8), active(0.8), active(0.5)];
  expect(compareCaptures(usual, same).filter(({ unit }) => unit === "V")).toMatchObject([
    { agrees: true },
    { agrees: true },
  ]);
  expect(line(compareCaptures(usual, low), "low level")).toMatchObject({ agrees: false });
  const size = (rows: ReturnType<typeof compareCaptures>) => line(rows, "size for speed");
  expect(size(compareCaptures(passive(0.7), passive(0.7)))).toMatchObject({ agrees: true });
  const small = size(compareCaptures(passive(0.7), passive(0.3)))!;
  expect(small.agrees).toBe(false);
  // By Faraday's law a coil of 0.7 V per turn a second gives twice 0.7/44 V for each hertz, peak to peak.
  expect(small.before).toBeCloseTo((1000 * 2 * 0.7) / 44, 0);
});

it("rings of different counts are different rings", () => {
  const random = seeded(9);
  const of = (teeth: number) => record(random, makeRing(random, teeth, 0.004), { family: "active-2wire", top: 1.7 });
  expect(line(compareCaptures(of(46), of(48)), "pulses per turn")).toMatchObject({
    before: 46,
    after: 48,
    agrees: false,
  });
});

it("of another car only what holds for every make is judged: the ratio of levels, the duty, what is missing", () => {
  const random = seeded(11);
  const of = (teeth: number, volts: number) =>
    record(random, makeRing(random, teeth, 0.004), { family: "active-2wire", top: 1.7, volts });
  const rows = compareCaptures(of(46, 0.4), of(48, 0.9), "another-car");
  expect(rows.map(({ what, agrees }) => [what, agrees])).toEqual([
    ["low level", null],
    ["high level", null],
    ["high over low", true],
    ["high share of a pulse", true],
    ["pulses missing a turn", true],
  ]);
  const model = compareCaptures(of(46, 0.4), of(48, 0.9), "this-model");
  expect(model.find(({ what }) => what === "low level")!.agrees).toBe(false);
  expect(model.find(({ what }) => what === "pulses per turn")!.agrees).toBe(false);
});

it("a recording is this car's, its model's or another's; a car without a name has no model", () => {
  const item = { model: "Halmer Teal" } as LibraryItem;
  expect(whoseRecording(undefined, "Halmer Teal 05")).toBe("this-car");
  expect(whoseRecording(item, "Halmer Teal 05")).toBe("this-model");
  expect(whoseRecording(item, "Osmund Drover 09")).toBe("another-car");
  expect(whoseRecording({ ...item, model: "car" }, "")).toBe("another-car");
});
