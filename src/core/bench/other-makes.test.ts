/**
 * Sound cars of other makes and other hands, and what their own figures must not be taken for: a faster hand, another pull-up,
 * a regulator over its battery, lamps left on. Common practice and data sheets, from memory; none is a car of our own drawing.
 */
import { describe, expect, it } from "vitest";
import { capture, corner, creep, hertz, ohms, seen, volts } from "../../../bench/stories/story";
import { Belief } from "../belief/belief";
import { checkCatalogue } from "../checks/catalogue";
import { complaintSchema } from "../complaint/complaint";
import { cornerSetupSchema } from "../circuit/setup";
import type { Part } from "../faults/parts/parts";
import { openDiagnosis } from "./diagnose-file";

function sharesOf(family: string, readings: object[], more: object = {}): (...parts: Part[]) => number {
  const { diagnosing, readings: parsed } = openDiagnosis(JSON.stringify(corner(family, readings, more)), "car.json");
  for (const reading of parsed) expect(diagnosing.read(reading)).toBeNull();
  const { parts } = diagnosing.ranking();
  return (...wanted) => parts.reduce((sum, { part, share }) => sum + (wanted.includes(part) ? share : 0), 0);
}

const low = { sense: "low" };
const toggles = [volts("plug.out.return", "0.88 / 1.76 V", creep), capture("plug.out.return", "clean")];

describe("a sound two-wire corner", () => {
  it.each(["12 Hz", "96 Hz", "150 Hz"])("spun by hand to %s is no gap and no sensor", (spun) => {
    const share = sharesOf("active-2wire", [hertz("plug.out.return", spun), ...toggles], low);
    expect(share("mounting")).toBeLessThan(0.2);
    expect(share("connector", "harness")).toBeLessThan(0.2);
    expect(share("none")).toBeGreaterThan(0.05);
  });

  it.each([
    ["13.7 V", "13.1 V", "a charger holds the battery"],
    ["11.6 V", "10.9 V", "the battery is tired"],
  ])("battery %s, supply %s: %s, and no part is blamed for it", (battery, supply) => {
    const read = [volts("battery.positive", battery), volts("plug.in.supply", supply), ...toggles];
    const share = sharesOf("active-2wire", read, low);
    expect(share("module-feed", "harness", "connector", "module")).toBeLessThan(0.3);
  });

  it("sensed above the sensor, 52 Hz at the module's own pin, its feed good, and no live speed: no ring and no bearing", () => {
    const read = [
      volts("plug.out.supply", "11.2 V"),
      hertz("module.in.supply", "52 Hz"),
      volts("module.in.feed", "12.3 V"),
      volts("module.in.ground", "0.01 V"),
      seen("scan", "speed", "zero", { key: "on", wheel: "driven", speedKmh: 30 }),
    ];
    const share = sharesOf("active-2wire", read, { sense: "high" });
    expect(share("ring", "bearing", "mounting")).toBeLessThan(0.3);
    expect(share("module", "harness", "connector")).toBeGreaterThan(0.6);
  });
});

describe("a sound three-wire corner", () => {
  it.each([
    [5, "4.8 V"],
    [12, "10.8 V"],
    [12, "12.2 V"],
  ])("of a nominal %i V toggles up to %s, and its wires are not blamed for it", (supplyV, high) => {
    const read = [
      volts("plug.out.signal", `0.15 / ${high}`, creep, "plug.out.ground"),
      capture("plug.out.signal", "clean"),
    ];
    const share = sharesOf("active-3wire", read, { supplyV });
    expect(share("connector", "harness")).toBeLessThan(0.3);
    expect(share("sensor")).toBeLessThan(0.15);
  });
});

describe("a return wire rubbed through to battery positive", () => {
  it.each(["1.2 Ω", "200 Ω"])("shows %s to the body with the battery off: what else hangs on it", (read) => {
    const share = sharesOf(
      "active-2wire",
      [
        volts("c1.in.return", "11.44 V"),
        volts("c1.in.supply", "-0.95 V", { key: "on", unplugged: ["c1"] }, "c1.in.return"),
        ohms("c1.in.return", "body", read, "module", "c1"),
        ohms("module.out.return", "c1.in.return", "0.2 Ω", "module", "c1"),
      ],
      low,
    );
    expect(share("harness")).toBeGreaterThan(0.85);
  });
});

it("two wires changed over leave a sensor that switches nothing, whichever side is sensed", () => {
  for (const sense of ["low", "high"]) {
    const setup = cornerSetupSchema.parse(corner("active-2wire", [], { sense }));
    const belief = new Belief(setup, complaintSchema.parse({}), { seed: 5, perGroup: 48 });
    const { first, size } = belief.hypotheses[belief.indexOf("terminals-crossed@plug")]!;
    const { hookup } = checkCatalogue(setup).find(({ id }) => /^scope:c1.out.(return|supply):/.test(id))!;
    const [table] = belief.forecasts([hookup]);
    if (table!.kind !== "words") throw new Error("a recording is logged by a word");
    const { words, chances } = table!;
    for (let row = first; row < first + size; row++)
      expect(chances[row * words.length + words.indexOf("flat")]).toBeGreaterThan(0.8);
  }
});
