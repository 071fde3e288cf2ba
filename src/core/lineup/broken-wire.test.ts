/** What a reading tells of where a broken wire is broken, on cars the line-up has not seen. */
import { describe, expect, it } from "vitest";
import { readCar, simulateCar } from "../car/simulated";
import { cornerSetupSchema, families, type CornerSetup, type Family } from "../circuit/setup";
import { breakPlaces } from "./break-place";
import { complaintSchema } from "./complaint";
import { LineUp } from "./line-up";
import { typedEvidence } from "./typed-evidence";

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
function openSomewhere(setup: CornerSetup, conductor: string, seed: number): LineUp {
  const lineUp = new LineUp(setup, complaintSchema.parse({}), { seed, perGroup: 48 });
  const { groups, weight } = lineUp.candidates;
  for (const { id, first, size } of groups)
    weight.fill(/^wire-open@span/.test(id) && id.endsWith(conductor) ? 1 / 3 / size : 0, first, first + size);
  return lineUp;
}

function weigh(lineUp: LineUp, check: string, shown: string): void {
  const { hookup } = lineUp.checks.find(({ id }) => id.startsWith(check))!;
  const typed = typedEvidence(hookup, shown, lineUp.setup);
  if (!typed.ok) throw new Error(typed.say);
  lineUp.add(typed.evidence);
}

const spans = (lineUp: LineUp) => breakPlaces(lineUp).map(({ share }) => share);

describe("capacitance of a broken wire", () => {
  it.each(families)("tells how far off it is broken, %s", (family) => {
    const setup = setupOf(family);
    const conductor = family === "passive" ? "a" : "supply";
    let [held, narrowest] = [0, Infinity];
    for (let n = 0; n < 6; n++) {
      const car = simulateCar(setup, `wire-open@span${1 + (n % 3)}.${conductor}`, { seed: 40 + n, spread: 1.5 });
      const lineUp = openSomewhere(setup, conductor, n);
      for (const station of ["plug", "c2"]) {
        const check = lineUp.checks.find(({ id }) => id.startsWith(`capacitance:${station}.in.${conductor}`))!;
        weigh(lineUp, check.id, readCar(car, check.hookup));
      }
      const [broken] = car.condition.circuit.spanDefects;
      const place = breakPlaces(lineUp)[broken!.span]!;
      const metres = broken!.fraction * [1.8, 2.2, 1.6][broken!.span]!;
      if (place.share > 0.3 && place.fromM - 0.1 <= metres && metres <= place.toM + 0.1) held++;
      narrowest = Math.min(narrowest, place.toM - place.fromM);
    }
    expect(held).toBeGreaterThanOrEqual(5);
    expect(narrowest).toBeLessThan(0.7);
  });

  it("a short distance is the last span, a long one the first, and OL that the break lies behind", () => {
    const near = openSomewhere(setupOf("active-2wire"), "supply", 3);
    weigh(near, "capacitance:plug.in", "35 pF");
    expect(spans(near)[2]).toBeGreaterThan(0.9);
    const far = openSomewhere(setupOf("active-2wire"), "supply", 3);
    weigh(far, "capacitance:plug.in", "0.41 nF");
    expect(spans(far)[0]).toBeGreaterThan(0.8);
    const behind = openSomewhere(setupOf("active-2wire"), "supply", 3);
    weigh(behind, "capacitance:c2.in", "OL");
    expect(spans(behind)[2]).toBeGreaterThan(0.9);
  });
});

describe("the millivolts a broken wire floats at", () => {
  it.each(["8 mV", "30 mV", "57 mV", "95 mV"])(
    "come of damp and dirt, and hardly tell where it is broken: %s",
    (shown) => {
      const lineUp = openSomewhere(setupOf("active-2wire"), "supply", 5);
      weigh(lineUp, "volts-dc:plug.in.supply>plug.in.return:on|plug", shown);
      for (const share of spans(lineUp)) {
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
    const lineUp = new LineUp(setupOf("active-2wire"), complaintSchema.parse({}), { seed: 8 });
    const { groups, weight } = lineUp.candidates;
    for (const { id, first, size } of groups)
      weight.fill(new RegExp(`^${fault}@span[23].supply`).test(id) ? 0.5 / size : 0, first, first + size);
    weigh(lineUp, check, shown);
    expect(spans(lineUp)[1]).toBeCloseTo(0.5, 1);
  });
});
