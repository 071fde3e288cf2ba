/** What a reading tells of where a broken wire is broken, on cars the line-up has not seen. */
import { checkCatalogue } from "../checks/catalogue";
import { suspectId } from "../faults/catalogue";
import { describe, expect, it } from "vitest";
import type { Hookup } from "../checks/hookup";
import { cornerSetupSchema, families, type CornerSetup, type Family, type StationId } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import { breakPlaces } from "./break-place";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";
import { typedValue } from "../observation/typed-value";

const setupOf = (family: Family) =>
  cornerSetupSchema.parse({
    corner: "RL",
    family,
    path: [
      { station: "module" },
      { spanM: 1.8, mm2: 0.5 },
      { station: "c1" },
      { spanM: 2.2, mm2: 0.5 },
      { station: "c2" },
      { spanM: 1.6, mm2: 0.5 },
      { station: "plug" },
    ],
  });

/** A line-up that knows a wire is open in one of the spans, each as likely as the other. */
function openSomewhere(setup: CornerSetup, conductor: string, seed: number): Belief {
  return new Belief(setup, complaintSchema.parse({}), {
    seed,
    perGroup: 48,
    given: ({ fault, place }) => Number(fault.code === "wire-open" && place.conductor === conductor),
  });
}

function weigh(belief: Belief, check: string, shown: string): void {
  const { hookup } = checkCatalogue(belief.setup).find(({ id }) => id.startsWith(check))!;
  const typed = typedValue(hookup, shown, belief.setup);
  if (!typed.ok) throw new Error(typed.say);
  belief.add({ entryId: "", ...typed.observed });
}

const spans = (belief: Belief) => breakPlaces(belief).map(({ share }) => share);

describe("capacitance of a broken wire", () => {
  const charge = (station: StationId, ...unplugged: StationId[]): Hookup => ({
    instrument: "capacitance",
    red: { at: "face", station, face: "in", conductor: "supply" },
    black: { at: "face", station, face: "in", conductor: "return" },
    state: circuitStateSchema.parse({ key: "off", batteryOff: true, unplugged: [station, ...unplugged] }),
  });
  const read = (belief: Belief, hookup: Hookup, shown: string) => {
    const typed = typedValue(hookup, shown, belief.setup);
    if (!typed.ok) throw new Error(typed.say);
    belief.add({ entryId: "", ...typed.observed });
  };

  it("is never proposed: few meters resolve it and hardly anyone does it", () => {
    for (const family of families)
      expect(checkCatalogue(setupOf(family)).some(({ hookup }) => hookup.instrument === "capacitance")).toBe(false);
  });

  it("read freely with both ends undone, a short distance is the last span and a long one the first", () => {
    const near = openSomewhere(setupOf("active-2wire"), "supply", 3);
    read(near, charge("plug", "module"), "35 pF");
    expect(spans(near)[2]).toBeGreaterThan(0.9);
    const far = openSomewhere(setupOf("active-2wire"), "supply", 3);
    read(far, charge("plug", "module"), "0.41 nF");
    expect(spans(far)[0]).toBeGreaterThan(0.6);
  });

  it("with the module joined it is that of the module's capacitors, and is not read", () => {
    const read = typedValue(charge("plug"), "12 nF", setupOf("active-2wire"));
    expect(read.ok ? "" : read.say).toMatch(/own capacitors/);
  });
});

describe("the millivolts a broken wire floats at", () => {
  it.each(["8 mV", "30 mV", "57 mV", "95 mV"])(
    "come of damp and dirt, and hardly tell where it is broken: %s",
    (shown) => {
      const belief = openSomewhere(setupOf("active-2wire"), "supply", 5);
      weigh(belief, "volts-dc:plug.in.supply>plug.in.return:on|plug", shown);
      for (const share of spans(belief)) {
        expect(share).toBeGreaterThan(0.15);
        expect(share).toBeLessThan(0.6);
      }
    },
  );
});

describe("a reading that says nothing of the place", () => {
  it.each([
    ["wire-resistance", "ohms:module.out.supply>plug.in.supply", "1.52 kΩ"],
    ["wire-resistance", "volts-dc:battery.positive>battery.negative", "12.31 V"],
    ["wire-to-ground", "ohms:c1.out.supply>body", "174 Ω"],
  ])("leaves the spans beyond as they are: %s, %s = %s", (fault, check, shown) => {
    const belief = new Belief(setupOf("active-2wire"), complaintSchema.parse({}), {
      seed: 8,
      given: (one) => Number(new RegExp(`^${fault}@span[23].supply`).test(suspectId(one.fault, one.place))),
    });
    weigh(belief, check, shown);
    expect(spans(belief)[1]).toBeCloseTo(0.5, 1);
  });
});
