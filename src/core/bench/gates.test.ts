/**
 * What must be read before a part may be named (common practice): supply and ground at the sensor before the sensor; the
 * module's own pins, and the loom with nothing on it, before the module.
 */
import { describe, expect, it } from "vitest";
import { readingSchema } from "../observation/reading";
import { openDiagnosis } from "./diagnose-file";

const path = [
  { station: "module", accessMin: 25 },
  { spanM: 1.6, mm2: 0.5 },
  { station: "c1", accessMin: 6 },
  { spanM: 2.2, mm2: 0.5 },
  { station: "plug", accessMin: 7 },
];

function opened(corner: Record<string, unknown>) {
  const file = { tastatura: "diagnose/1", corner: "RR", complaint: { symptoms: ["lamp"] }, path, ...corner };
  const { diagnosing } = openDiagnosis(JSON.stringify(file), "corner.json");
  return {
    read: (...readings: unknown[]) => {
      for (const one of readings) expect(diagnosing.read(readingSchema.parse(one))).toBeNull();
    },
    diagnosis: () => diagnosing.diagnosis(),
  };
}

const volts = (red: string, black: string, value: string, unplugged: string[] = [], key = "on") => ({
  instrument: "volts-dc",
  red,
  black,
  state: { key, wheel: "still", unplugged },
  value,
});
const look = (instrument: string, id: string, value: string, state: Record<string, unknown> = { key: "off" }) => ({
  instrument,
  look: id,
  state,
  value,
});

describe("a three-wire sensor whose signal stays low", () => {
  const corner = opened({ family: "active-3wire", supplyV: 5, pullUpV: 5 });
  corner.read(
    look("scan", "speed", "zero", { key: "on", wheel: "driven" }),
    { ...volts("plug.out.signal", "plug.out.ground", "0 mV"), state: { key: "on", wheel: "creep" } },
    volts("plug.in.signal", "battery.negative", "5.00 V", ["plug"]),
    volts("plug.in.signal", "battery.negative", "9 mV"),
    { ...look("gauge", "gap", "0.87 mm") },
    look("film", "encoder", "whole"),
    look("hands", "magnet", "no-change", { key: "on" }),
    look("eyes", "foot", "seated"),
  );

  it("is suspected, not proven, while nobody has read its supply at the plug", () => {
    const { parts, next } = corner.diagnosis();
    expect(parts[0]).toMatchObject({ part: "sensor", verdict: "suspect" });
    expect(next.some(({ red }) => /supply$/.test(red ?? ""))).toBe(true);
  });

  it("whose supply turns out to be missing is less to blame than before, and not proven", () => {
    const sensor = () => corner.diagnosis().parts.find(({ part }) => part === "sensor")!;
    const before = sensor().share;
    corner.read(
      volts("plug.out.supply", "plug.out.ground", "20 mV"),
      volts("plug.in.supply", "battery.negative", "15 mV", ["plug"]),
    );
    expect(sensor().share).toBeLessThan(before);
    expect(sensor().verdict).not.toBe("proven");
  });
});

describe("a supply that is dead at the module's own pin", () => {
  const corner = opened({ family: "active-2wire", sense: "low", supplyV: 12 });
  corner.read(
    volts("plug.out.return", "battery.negative", "10 mV"),
    volts("plug.in.supply", "battery.negative", "10 mV"),
    volts("c1.in.supply", "battery.negative", "10 mV", ["c1"]),
    volts("module.in.power", "battery.negative", "12.2 V"),
    volts("module.in.earth", "battery.negative", "9 mV"),
    volts("module.in.supply", "module.out.supply", "0 mV"),
    volts("module.in.supply", "battery.negative", "10 mV"),
  );

  it("does not prove the module: a short would have switched its feed off as well, and the loom alone is read next", () => {
    const { parts, next } = corner.diagnosis();
    expect(parts.find(({ part }) => part === "module")!.verdict).toBe("suspect");
    expect(next.some(({ instrument, state }) => instrument === "ohms" && state.unplugged.includes("module"))).toBe(
      true,
    );
  });

  it("is the loom's doing where its two wires touch", () => {
    const dead = { key: "off", batteryOff: true, wheel: "still" };
    corner.read(
      {
        instrument: "ohms",
        red: "plug.in.supply",
        black: "plug.in.return",
        state: { ...dead, unplugged: ["module", "plug"] },
        value: "0.8 Ω",
      },
      {
        instrument: "ohms",
        red: "c1.in.supply",
        black: "c1.in.return",
        state: { ...dead, unplugged: ["module", "c1"] },
        value: "0.6 Ω",
      },
    );
    expect(corner.diagnosis().parts[0]!.part).toBe("harness");
  });
});

/**
 * Common practice, no source: what jumps each time one place is moved, and looks wrong there or was found wrong beside it, is
 * that place. One of them alone is a hint.
 */
describe("a fault that comes and goes, brought on by hand", () => {
  const passive = { family: "passive", complaint: { symptoms: ["lamp"], presence: "intermittent" } };
  const drop = { instrument: "scope", point: "plug.in.a", state: { wheel: "driven", recorded: true, watched: true } };
  const moved = (place: string, value: string) => look("hands", `wiggle-${place}`, value, { key: "on" });
  const verdictOf = (corner: ReturnType<typeof opened>, part: string) =>
    corner.diagnosis().parts.find((one) => one.part === part)!;

  it("and seen at the same plug proves the plug; brought on alone, and nothing to be seen, does not", () => {
    const readings = [
      { ...drop, finding: "random-dropout" },
      moved("span1", "steady"),
      moved("lead", "steady"),
      moved("plug", "jumps"),
    ];
    const [both, one] = [opened(passive), opened(passive)];
    both.read(...readings, look("eyes", "plug", "bad"));
    one.read(...readings, look("eyes", "plug", "clean"));
    expect(verdictOf(both, "connector")).toMatchObject({ verdict: "proven" });
    expect(verdictOf(one, "connector")).toMatchObject({ verdict: "suspect" });
    expect(both.diagnosis().parts[0]!.part).toBe("connector");
  });

  it("by bending the sensor's lead turns suspicion to the sensor, which is proven once it was read wrong at its plug", () => {
    const corner = opened({ ...passive, family: "active-2wire", supplyV: 12, sense: "low" });
    corner.read(
      { ...volts("plug.out.supply", "plug.out.return", "11.8 V"), state: { key: "on", watched: true } },
      moved("plug", "steady"),
      moved("lead", "jumps"),
    );
    expect(verdictOf(corner, "sensor")).toMatchObject({ verdict: "suspect" });
    expect(corner.diagnosis().parts[0]!.part).toBe("sensor");
    corner.read(
      { ...volts("plug.out.return", "battery.negative", "9 mV"), state: { key: "on", watched: true } },
      { ...volts("plug.out.supply", "battery.negative", "11.9 V"), state: { key: "on", watched: true } },
      moved("lead", "jumps"),
    );
    expect(verdictOf(corner, "sensor")).toMatchObject({ verdict: "proven" });
  });
});
