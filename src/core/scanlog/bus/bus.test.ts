/**
 * Logs of a vehicle's bus: the text forms as general-purpose tools write them, numbers in frames as a general-purpose signal
 * package reads them, and drives of another maker (bench/outside/bus.ts) whose places are to be found. Figures of fresh
 * seeds stand in docs/benchmarks.md.
 */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { busDrive } from "../../../../bench/outside/bus";
import { corners } from "../../units/corner";
import { analyseScan, liveSpeedWord } from "../analyse-scan";
import { busSummary, identifierWords } from "./bus-summary";
import { busToScan } from "./bus-to-scan";
import { EXTENDED, isBusLog, parseBusLog } from "./frames";
import { speedIn } from "./signal";
import { mapOf, signalsOf, swapped, withStep } from "./wheel-map";

/** What python3-can 4.1.0 and can-utils 2020.11.0 write of the same five frames (written with them in November 2026). */
const PACKED = [
  "(1436509052.250000) can0 1F4#0BB80C1C0C800CE4 R",
  "(1436509052.251000) can0 18FEBF0B#B80B1C0C800CE40C R",
  "(1436509052.252000) can0 7DF#R R",
  "(1436509052.253000) can0 055##0000102030405060708090A0B R",
  "(1436509052.254000) can0 20000080#0000000000000000",
];
const SPACED = [
  "(1436509052.250000)  can0       1F4   [8]  0B B8 0C 1C 0C 80 0C E4   '........'",
  "(1436509052.251000)  can0  18FEBF0B   [8]  B8 0B 1C 0C 80 0C E4 0C   '........'",
  "(1436509052.252000)  can0       7DF   [0]  remote request",
  "(1436509052.253000)  can0       055  [12]  00 01 02 03 04 05 06 07 08 09 0A 0B",
  "(1436509052.254000)  can0  20000080   [8]  00 00 00 00 00 00 00 00   ERRORFRAME",
];
const TABLE = [
  "1436509052.25,0x1f4,0,0,0,8,C7gMHAyADOQ=",
  "1436509052.251,0x18febf0b,1,0,0,8,uAscDIAM5Aw=",
  "1436509052.252,0x7df,0,1,0,8,",
  "1436509052.253,0x55,0,0,0,12,AAECAwQFBgcICQoL",
  "1436509052.254,0x20,1,0,1,8,AAAAAAAAAAA=",
];
const later = (lines: readonly string[], k: number) =>
  lines.map((line) => line.replace(/1436509052\.\d+/, (time) => (Number(time) + k / 100).toFixed(6)));
const tenTimes = (lines: readonly string[]) => Array.from({ length: 10 }, (_, k) => later(lines, k)).flat();

describe("a log of bus frames", () => {
  it.each<[string, string[]]>([
    ["packed", tenTimes(PACKED)],
    ["spaced", tenTimes(SPACED)],
    ["as a table", ["timestamp,arbitration_id,extended,remote,error,dlc,data", ...tenTimes(TABLE)]],
    [
      "with a date",
      tenTimes(SPACED).map((line) =>
        line.replace(/\(\d+(\.\d+)\)/, (_, part: string) => `(2026-11-29 12:00:07${part})`),
      ),
    ],
    [
      "a byte a cell, in microseconds",
      [
        "Time Stamp,ID,Extended,LEN,D0,D1,D2,D3,D4,D5,D6,D7",
        ...Array.from({ length: 10 }, (_, k) => [
          `${k * 10_000},1F4,false,8,0B,B8,0C,1C,0C,80,0C,E4`,
          `${k * 10_000 + 1000},18FEBF0B,true,8,B8,0B,1C,0C,80,0C,E4,0C`,
          `${k * 10_000 + 3000},055,false,12,0,1,2,3,4,5,6,7`,
        ]).flat(),
      ],
    ],
  ])("is read %s: remote frames and error reports are passed over", (_, lines) => {
    expect(isBusLog(lines.join("\n"))).toBe(true);
    const frames = parseBusLog(lines.join("\r\n"), "bus.log");
    expect([...new Set(frames.id)].map(identifierWords)).toEqual(["1F4", "18FEBF0B", "055"]);
    expect(frames.timeS).toHaveLength(30);
    expect(frames.timeS[1]! - frames.timeS[0]!).toBeCloseTo(0.001, 5);
    expect(frames.timeS[27]! - frames.timeS[0]!).toBeCloseTo(0.09, 5);
    expect([...frames.bytes.subarray(frames.start[0], frames.start[1])]).toEqual([
      0x0b, 0xb8, 0x0c, 0x1c, 0x0c, 0x80, 0x0c, 0xe4,
    ]);
    expect(frames.start[2]! - frames.start[1]!).toBe(8);
  });

  it("with times from frame to frame is added up; without any it is refused with how to mend it", () => {
    const steps = Array.from({ length: 40 }, (_, i) => `(000.0${i % 2 ? "30" : "10"}000) can0 1F4#0B${(i % 90) + 10}`);
    expect(parseBusLog(steps.join("\n"), "d.log").timeS.at(-1)).toBeCloseTo(0.8, 1);
    const clockless = tenTimes(PACKED).map((line) => line.replace(/\(.*?\) /, ""));
    expect(() => parseBusLog(clockless.join("\n"), "x.log")).toThrow(/x\.log has no times/);
    expect(() => parseBusLog(PACKED.join("\n"), "x.log")).toThrow(/at least 20/);
    expect(isBusLog("time,FL,FR,RL,RR\n0,1,1,1,1\n")).toBe(false);
  });

  it("broken anywhere is read without its broken lines, never with wrong bytes", () => {
    const whole = tenTimes(PACKED).join("\n");
    fc.assert(
      fc.property(fc.nat(whole.length - 1), fc.nat(40), (at, size) => {
        const frames = parseBusLog(whole.slice(0, at) + whole.slice(at + size), "bus.log");
        expect(frames.start.every((start, i) => i === 0 || start >= frames.start[i - 1]!)).toBe(true);
        expect(frames.timeS.length).toBeGreaterThanOrEqual(26);
      }),
    );
  });
});

describe("a number in a frame", () => {
  // As canmatrix 0.9.5 reads it: first bit, bits, order, signed, factor, offset, bytes, raw, value.
  it.each([
    [43, 16, "high-first", false, 0.0625, -67.67, "2ce2b5d3bd56cb31", 27827, 1671.5175],
    [8, 11, "low-first", false, 1, 0, "aa0149476a37cd7a", 257, 257.0],
    [28, 17, "high-first", false, 1, -67.67, "52af5b603e541e8b", 997, 929.33],
    [7, 18, "low-first", false, 0.0625, 0, "39e8cc4452dbc6b2", 104912, 6557.0],
    [22, 24, "low-first", false, 1, -67.67, "aa7ee87608ab1e27", 11280859, 11280791.33],
    [20, 21, "high-first", false, 1, -67.67, "78ce7b67d2f67c63", 1796050, 1795982.33],
    [28, 11, "low-first", true, 0.0625, 0, "4ecbe850992fa17e", 405, 25.3125],
    [40, 22, "low-first", false, 1, -67.67, "b4b93458b3f4a064", 2400500, 2400432.33],
    [13, 16, "high-first", false, 0.01, -67.67, "a37b3906f8b7cb69", 60644, 538.77],
    [25, 17, "low-first", true, 0.01, -67.67, "4abf349660a731a9", -20405, -271.72],
    [32, 16, "low-first", true, 1, 0, "13e13ad9030be4a6", 2819, 2819.0],
    [3, 10, "low-first", false, 0.01, -67.67, "345ed377069a028e", 966, -58.01],
    [28, 13, "low-first", false, 1, 0, "b84bb9e10c9a76cf", 206, 206.0],
    [34, 17, "low-first", true, 1, 0, "994aeb2e437f77af", -8240, -8240.0],
  ] as [number, number, "high-first" | "low-first", boolean, number, number, string, number, number][])(
    "at bit %i, %i bits, %s, signed %s, times %d plus %d in %s",
    (firstBit, bits, order, signed, scale, offsetKmh, hex, _, value) => {
      const bytes = Uint8Array.from(hex.match(/../g)!, (two) => parseInt(two, 16));
      expect(speedIn(bytes, { id: 0, firstBit, bits, order, signed, scale, offsetKmh })).toBeCloseTo(value, 6);
    },
  );

  it("of ones alone, or past the frame's end, is none", () => {
    const sixteen = {
      id: 0,
      firstBit: 7,
      bits: 16,
      order: "high-first" as const,
      signed: false,
      scale: 0.01,
      offsetKmh: 0,
    };
    expect(speedIn(Uint8Array.of(0xff, 0xff), sixteen)).toBeNaN();
    expect(speedIn(Uint8Array.of(0x27), sixteen)).toBeNaN();
    expect(speedIn(Uint8Array.of(0x27, 0x10), sixteen)).toBeCloseTo(100, 9);
  });
});

describe("drives of another maker on the bus", () => {
  it.each([
    ["town", 52_001],
    ["zero", 52_002],
    ["ratio-off", 52_003],
    ["cuts-low", 52_004],
    ["silent-below", 52_005],
  ] as const)("%s: the places are found, and the log says what the drive was", (kind, seed) => {
    const { text, places, corner } = busDrive(seed, kind);
    const frames = parseBusLog(text, "bus.log");
    const found = busSummary(frames).likely[0]!;
    const byteOf = (firstBit: number) => firstBit >> 3;
    const wanted = corners.map(
      (one) => `${places[one].id + (places[one].extended ? EXTENDED : 0)} ${byteOf(places[one].firstBit)}`,
    );
    expect(new Set(found.map(({ id, firstBit }) => `${id} ${byteOf(firstBit)}`))).toEqual(new Set(wanted));
    const signals = Object.fromEntries(
      corners.map((one) => [
        one,
        {
          ...{ id: places[one].id + (places[one].extended ? EXTENDED : 0), firstBit: places[one].firstBit },
          ...{ bits: places[one].bits, scale: places[one].scale, offsetKmh: places[one].offsetKmh, signed: false },
          order: places[one].highFirst ? ("high-first" as const) : ("low-first" as const),
        },
      ]),
    );
    const findings = analyseScan(busToScan(frames, signals), {});
    for (const one of corners)
      expect(liveSpeedWord(findings, one)).toBe(
        one === corner && kind !== "town" && kind !== "silent-below" ? kind : "follows",
      );
  });
});

/** One message of so many bytes, each two a wheel that drives off and stops, but for those at a place that keep still. */
function message(bytes: number, wheels: readonly number[], k: number): string {
  const data = new Uint8Array(bytes);
  wheels.forEach((at, wheel) => {
    const raw = Math.round(4000 * Math.sin((Math.PI * k) / 400) ** 2 * (1 + 0.004 * Math.sin(k / 30 + wheel)));
    [data[at], data[at + 1]] = [raw >> 8, raw & 0xff];
  });
  return `(${(1000 + k / 50).toFixed(6)}) can0 214#${Buffer.from(data).toString("hex").toUpperCase()}`;
}

describe("a wheel that says nothing beside three that move", () => {
  it.each([
    ["first", 8, [2, 4, 6], [0, 2, 4, 6]],
    ["second", 8, [0, 4, 6], [0, 2, 4, 6]],
    ["last", 8, [0, 2, 4], [0, 2, 4, 6]],
    ["last of a longer message", 12, [2, 4, 6], [2, 4, 6, 8]],
    ["nowhere: there is no room beside them", 6, [0, 2, 4], [0, 2, 4]],
  ] as const)("%s in line is proposed with them", (_, bytes, moving, all) => {
    const lines = Array.from({ length: 1200 }, (_, k) => message(bytes, moving, k));
    const [found] = busSummary(parseBusLog(lines.join("\n"), "dead.log")).likely;
    expect(found!.map(({ firstBit }) => firstBit >> 3)).toEqual(all);
  });
});

describe("a map of the wheels", () => {
  const places = [0, 2, 4, 6].map((byte) => ({
    id: 0x214,
    firstBit: 8 * byte + 7,
    bits: 16,
    order: "high-first" as const,
  }));
  it("begins with what was found, is scaled by the speedometer, and lets two wheels change places", () => {
    const map = mapOf(places);
    expect(signalsOf(map).RL).toMatchObject({ id: 0x214, firstBit: 39, scale: 0.01 });
    expect(withStep(map, 33.3, 52).scale).toBeCloseTo(0.015615, 5);
    expect(withStep({ ...map, scale: 0 }, 0, 52).scale).toBe(0);
    expect(swapped(map, "FL", "FR").wheels).toMatchObject({ FL: { firstBit: 23 }, FR: { firstBit: 7 } });
    expect(signalsOf(mapOf(places.slice(0, 2))).RR).toBeUndefined();
  });
});
