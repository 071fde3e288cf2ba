/** What tells a wire from the terminal beside it: a step between its ends. Common practice, no source. */
import { describe, expect, it } from "vitest";
import { parsePoint } from "../circuit/point";
import { cornerSetupSchema, type Family } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import type { Hookup } from "./hookup";
import { helpsBeside, isSoundBeside } from "./sound-beside";
import { helpsStep, stepAcross, type Stretch, type Taken } from "./step-across";

const setupOf = (family: Family, sense?: "low" | "high") =>
  cornerSetupSchema.parse({
    corner: "RR",
    family,
    ...(sense ? { sense } : {}),
    path: [
      { station: "module" },
      { spanM: 1, mm2: 0.5 },
      { station: "c1" },
      { spanM: 3, mm2: 0.5 },
      { station: "plug" },
    ],
  });
const LOW = setupOf("active-2wire", "low");
const HIGH = setupOf("active-2wire", "high");
const COIL = setupOf("passive");

function point(text: string, setup = LOW) {
  const read = parsePoint(text, setup);
  if (!read.ok) throw new Error(read.say);
  return read.point;
}

const span2 = (conductor: "supply" | "return" | "a"): Stretch => ({
  from: { station: "c1", face: "out" },
  to: { station: "plug", face: "in" },
  conductor,
});

/** `c1.out.supply 11.4`, `… > plug.in.return`, `[open plug]`, `[creep]`, ohms where dead. */
function taken(text: string, setup = LOW, speaks = false): Taken {
  const [, red, black, shown, how = ""] = /^(\S+)(?: > (\S+))? = (\S+)(?: \[(.*)\])?$/.exec(text)!;
  const ohms = how.includes("ohms");
  const unplugged = how.split(" ").filter((word) => /^(?:c1|plug|module)$/.test(word));
  const hookup: Hookup = {
    instrument: ohms ? "ohms" : "volts-dc",
    red: point(red!, setup),
    black: black ? point(black, setup) : { at: "battery", pole: "negative" },
    state: circuitStateSchema.parse({
      key: ohms ? "off" : "on",
      batteryOff: ohms,
      unplugged,
      wheel: how.includes("creep") ? "creep" : "still",
    }),
  };
  const [low, high = low] = shown!.split("…").map((end) => (end === "OL" ? Infinity : Number(end)));
  return { hookup, speaks, word: null, shown: [low!, high!] };
}

describe("a step across a stretch of wire", () => {
  it.each<[string, Stretch, string[], typeof LOW]>([
    [
      "supply there at one end and not at the other",
      span2("supply"),
      ["c1.out.supply = 11.4", "plug.in.supply = 0.1"],
      LOW,
    ],
    ["supply sagging under load", span2("supply"), ["c1.out.supply = 11.4", "plug.in.supply = 7.2"], LOW],
    ["dead even with nothing on it", span2("supply"), ["c1.out.supply = 11.4", "plug.in.supply = 0.1 [plug]"], LOW],
    ["the return floats up on one side", span2("return"), ["c1.out.return = 0.01", "plug.in.return = 11.2"], LOW],
    [
      "the coil through the wire and not through it",
      span2("a"),
      ["c1.out.a > c1.out.b = OL [ohms c1]", "plug.in.a > plug.in.b = 1200 [ohms c1]"],
      COIL,
    ],
  ])("is there: %s", (_, stretch, texts, setup) => {
    expect(
      stepAcross(
        stretch,
        texts.map((text) => taken(text, setup)),
        setup,
      ),
    ).toBe(true);
  });

  it.each<[string, Stretch, string[], typeof LOW]>([
    ["both ends alike", span2("supply"), ["c1.out.supply = 0.1", "plug.in.supply = 0.1"], LOW],
    ["two levels of a toggling wire", span2("return"), ["c1.out.return = 0.84", "plug.in.return = 1.68"], LOW],
    [
      "two levels on a supply that carries the signal",
      span2("supply"),
      ["c1.out.supply = 11.2", "plug.in.supply = 10.3"],
      HIGH,
    ],
    [
      "one end with the sensor on it, the other without",
      span2("return"),
      ["c1.out.return = 0.84", "plug.in.return = 0.00 [plug]"],
      LOW,
    ],
    [
      "ohms into the sensor, and of the loom alone",
      span2("a"),
      ["c1.out.a > c1.out.b = 1200 [ohms c1]", "plug.in.a > plug.in.b = OL [ohms c1 plug]"],
      COIL,
    ],
    [
      "against ground, and against its neighbour",
      span2("supply"),
      ["c1.out.supply = 11.4", "plug.in.supply > plug.in.return = 9.6"],
      LOW,
    ],
    ["one end alone", span2("supply"), ["plug.in.supply = 0.1"], LOW],
  ])("is not there: %s", (_, stretch, texts, setup) => {
    expect(
      stepAcross(
        stretch,
        texts.map((text) => taken(text, setup)),
        setup,
      ),
    ).toBe(false);
  });

  it("is there where the wire was read from end to end and found wrong", () => {
    const through = "c1.out.supply > plug.in.supply = OL [ohms c1 plug]";
    expect(stepAcross(span2("supply"), [taken(through, LOW, true)], LOW)).toBe(true);
    expect(stepAcross(span2("supply"), [taken(through, LOW, false)], LOW)).toBe(false);
    expect(stepAcross(span2("return"), [taken(through, LOW, true)], LOW)).toBe(false);
  });

  it("is helped by the other end read in the same way, and not by what was read already", () => {
    const near = taken("c1.out.supply = 11.4");
    const far = taken("plug.in.supply = 0.1").hookup;
    expect(helpsStep(far, span2("supply"), [near], LOW)).toBe(true);
    expect(helpsStep(near.hookup, span2("supply"), [near], LOW)).toBe(false);
    expect(helpsStep(taken("plug.in.supply > plug.in.return = 9").hookup, span2("supply"), [near], LOW)).toBe(false);
    expect(helpsStep(far, span2("return"), [near], LOW)).toBe(false);
  });
});

describe("a plug between two good halves of an open wire", () => {
  const c1: Stretch = { from: { station: "c1", face: "in" }, to: { station: "c1", face: "out" }, conductor: "a" };
  const open = taken("module.out.a > plug.in.a = OL [ohms module plug]", COIL, true);
  const near = taken("module.out.a > c1.in.a = 0.3 [ohms module c1]", COIL);
  const far = taken("c1.out.a > plug.in.a = 0.3 [ohms c1 plug]", COIL);
  const coilFromPlug = taken("c1.out.a > c1.out.b = 1180 [ohms c1]", COIL);
  const coilFromModule = taken("module.out.a > module.out.b = OL [ohms module]", COIL, true);

  it.each<[string, Taken[], boolean]>([
    ["the whole open, both halves good", [open, near, far], true],
    ["one half not read", [open, near], false],
    ["one half as open as the whole", [open, near, { ...far, speaks: true, shown: [Infinity, Infinity] }], false],
    ["the whole good", [{ ...open, speaks: false, shown: [0.7, 0.7] }, near, far], false],
    [
      "the coil gone from the module, there from the plug on, the wire before it good",
      [coilFromModule, near, coilFromPlug],
      true,
    ],
    ["the same without the wire before it", [coilFromModule, coilFromPlug], false],
    ["the other leg's halves", [open, taken("module.out.b > c1.in.b = 0.3 [ohms module c1]", COIL), far], false],
  ])("%s", (_, log, found) => {
    expect(isSoundBeside(c1, log, COIL)).toBe(found);
  });

  it("asks for the whole first, then for the half that was not read, and for nothing twice", () => {
    expect(helpsBeside(open.hookup, c1, [], COIL)).toBe(true);
    expect(helpsBeside(near.hookup, c1, [], COIL)).toBe(false);
    expect(helpsBeside(near.hookup, c1, [open, far], COIL)).toBe(true);
    expect(helpsBeside(far.hookup, c1, [open, far], COIL)).toBe(false);
  });
});
