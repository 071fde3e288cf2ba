/** Capacitance of a loom against a general SPICE engine (AC, wires in forty cells) and against the parallel-wire line. */
import { Simulation } from "eecircuit-engine";
import { beforeAll, describe, expect, it } from "vitest";
import { nominalCondition, type CornerCondition } from "./condition";
import { CornerNet } from "./corner-net";
import { parsePoint, type Point } from "./point";
import { cornerSetupSchema, type CornerSetup } from "./setup";
import { SolvedCorner } from "./solve";
import { circuitStateSchema } from "./state";
import { BODY_SHARE, PAIR_FARAD_PER_M } from "./wire";

const spice = new Simulation();
beforeAll(async () => {
  await spice.start();
});

const setup = cornerSetupSchema.parse({
  corner: "RR",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1.2, mm2: 0.5 },
    { station: "c1" },
    { spanM: 3.4, mm2: 0.5 },
    { station: "plug" },
  ],
});
const RAD_PER_S = 300;
const CELLS = 40;
const pointOf = (text: string, of: CornerSetup): Point => {
  const parsed = parsePoint(text, of);
  if (!parsed.ok) throw new Error(parsed.say);
  return parsed.point;
};

/** The loom from the module's pins to `end`, a plug that is undone, written from its lengths alone. */
function netlist(car: CornerCondition, end: 1 | 2, broken: { span: number; fraction: number }): string {
  const out = ["loom", "Rmodule s0w0 0 40000", "Rsense s0w1 0 122"];
  let count = 0;
  const part = (kind: "R" | "C", a: string, b: string, value: number) =>
    out.push(`${kind}${++count} ${a} ${b} ${value}`);
  for (let span = 0; span < end; span++) {
    for (let cell = 0; cell < CELLS; cell++) {
      const [from, to] = [span * CELLS + cell, span * CELLS + cell + 1];
      for (const wire of [0, 1]) {
        const cut = wire === 0 && broken.span === span && Math.round(broken.fraction * CELLS) === cell;
        if (!cut) part("R", `s${from}w${wire}`, `s${to}w${wire}`, car.spanOhms[span]! / CELLS + 0.004);
        part("C", `s${to}w${wire}`, "0", (BODY_SHARE * car.spanFarad[span]!) / CELLS);
        part("R", `s${to}w${wire}`, "0", 1e13);
      }
      part("C", `s${to}w0`, `s${to}w1`, car.spanFarad[span]! / CELLS);
    }
  }
  const last = end * CELLS;
  out.push(
    `Itest s${last}w1 s${last}w0 DC 0 AC 1`,
    `.ac lin 1 ${RAD_PER_S / 2 / Math.PI} ${RAD_PER_S / 2 / Math.PI}`,
    ".end",
  );
  return out.join("\n");
}

describe("what a capacitance range reads of a broken wire", () => {
  it.each([
    ["plug", 2, { span: 1, fraction: 0.25 }],
    ["plug", 2, { span: 1, fraction: 0.9 }],
    ["plug", 2, { span: 0, fraction: 0.5 }],
    ["c1", 1, { span: 0, fraction: 0.1 }],
    ["c1", 1, { span: 0, fraction: 0.75 }],
  ] as const)(
    "from the %s toward the module agrees with SPICE to 4 %%, spans %i, break %o",
    async (station, end, broken) => {
      const car = nominalCondition(setup);
      car.insulationS = 1e-13;
      car.spanDefects.push({ ...broken, conductor: 0, kind: "series", ohms: Infinity });
      spice.setNetList(netlist(car, end, broken));
      const { data, variableNames } = await spice.runSim();
      const at = (name: string) =>
        data[variableNames.indexOf(name)]!.values[0] as unknown as { real: number; img: number };
      const [a, b] = [at(`v(s${end * CELLS}w0)`), at(`v(s${end * CELLS}w1)`)];
      const [real, imaginary] = [a.real - b.real, a.img - b.img];
      const reference = -imaginary / (real * real + imaginary * imaginary) / RAD_PER_S;
      const state = circuitStateSchema.parse({ key: "off", batteryOff: true, unplugged: [station] });
      const solved = new SolvedCorner(setup, new CornerNet(setup), new CornerNet(setup)).solve(car, state);
      const { farad } = solved.capacitance(
        pointOf(`${station}.in.supply`, setup),
        pointOf(`${station}.in.return`, setup),
      );
      expect(Math.abs(farad / reference - 1)).toBeLessThan(0.04);
      expect(farad).toBeGreaterThan(3e-12);
    },
  );

  it("a whole wire ends in the module, and the leak there is what the meter trips over", () => {
    const state = circuitStateSchema.parse({ key: "off", batteryOff: true, unplugged: ["plug"] });
    const solved = new SolvedCorner(setup, new CornerNet(setup), new CornerNet(setup)).solve(
      nominalCondition(setup),
      state,
    );
    const { leakOhms } = solved.capacitance(pointOf("plug.in.supply", setup), pointOf("plug.in.return", setup));
    expect(leakOhms).toBeLessThan(1e5);
  });

  it("the usual range of a metre is that of two parallel wires, C = π·ε0·ε/acosh(D/d) (textbook; diameters after ISO 6722-1, from memory)", () => {
    const line = (outerOverCopper: number, permittivity: number) =>
      (Math.PI * 8.8541878128e-12 * permittivity) / Math.acosh(outerOverCopper);
    expect(line(1.7, 1.8) / PAIR_FARAD_PER_M.from).toBeCloseTo(1, 1);
    expect(line(1.6, 2.3) / PAIR_FARAD_PER_M.usual).toBeCloseTo(1, 1);
    expect(line(1.45, 2.7) / PAIR_FARAD_PER_M.to).toBeCloseTo(1, 1);
  });
});
