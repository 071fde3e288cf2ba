import { UNKNOWN_PLACE } from "../car/whereabouts";
/** Facts of the trade as the instruments would show them; each fails if the model of the corner is wrong. */
import { describe, expect, it } from "vitest";
import { checkCatalogue } from "../checks/catalogue";
import type { Hookup } from "../checks/hookup";
import { setContact } from "../circuit/condition";
import { cornerSetupSchema, usualCorner, type CornerSetup } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import type { CarCondition } from "../faults/fault";
import { inTheMiddle } from "../car/dimensions";
import { drawHealthy } from "../car/draw";
import { StateReader } from "./reader";

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1" },
  { spanM: 3, mm2: 0.5 },
  { station: "plug" },
];
const setupOf = (family: CornerSetup["family"], more: object = {}) =>
  cornerSetupSchema.parse({ ...usualCorner, corner: "RR", family, path, ...more });
const usual = (setup: CornerSetup, change: (car: CarCondition) => void = () => undefined) => {
  const car = drawHealthy(setup, inTheMiddle);
  change(car);
  return car;
};

function outlook(setup: CornerSetup, car: CarCondition, hookup: Hookup) {
  const reader = new StateReader(setup, hookup.state, [hookup]);
  reader.take(car);
  return reader.outlook(0, UNKNOWN_PLACE);
}

function numbers(setup: CornerSetup, car: CarCondition, id: string): number[] {
  const check = checkCatalogue(setup).find((one) => one.id.startsWith(id));
  if (!check) throw new Error(`no check ${id}`);
  const shown = outlook(setup, car, check.hookup);
  return shown.kind === "numbers" ? shown.values : [];
}

function word(setup: CornerSetup, car: CarCondition, id: string): number[] {
  const check = checkCatalogue(setup).find((one) => one.id.startsWith(id))!;
  const shown = outlook(setup, car, check.hookup);
  return shown.kind === "words" ? shown.chances : [];
}

describe("active, two wires", () => {
  const setup = setupOf("active-2wire");

  it("a clamp about the supply shows 7 or 14 mA; six loops make 42 and 84 (common practice)", () => {
    const amps = numbers(setup, usual(setup), "amps-dc:c1").sort((a, b) => a - b);
    expect(6000 * amps[0]!).toBeCloseTo(42, -1);
    expect(6000 * amps[1]!).toBeCloseTo(84, -1);
  });

  it("an open anywhere in the loop leaves the clamp at nothing", () => {
    const car = usual(setup, ({ circuit }) => setContact(circuit, 2, 1, Infinity));
    expect(Math.max(...numbers(setup, car, "amps-dc:c1"))).toBeLessThan(1e-5);
  });

  it("the return stands at 0.75–0.95 or 1.6–1.95 V, one of them at a time while the wheel stands", () => {
    const [rest, other] = numbers(setup, usual(setup), "volts-dc:c1.out.return>battery");
    const [low, high] = [Math.min(rest!, other!), Math.max(rest!, other!)];
    expect(low).toBeGreaterThan(0.75);
    expect(low).toBeLessThan(0.95);
    expect(high).toBeGreaterThan(1.6);
    expect(high).toBeLessThan(1.95);
  });

  it("one strand reads a fraction of an ohm and yet a lamp through it stays dark", () => {
    const strands = usual(setup, ({ circuit }) =>
      circuit.spanDefects.push({ span: 1, fraction: 0.4, conductor: 0, kind: "series", ohms: 0.3, loadedOhms: 20_000 }),
    );
    expect(numbers(setup, strands, "ohms:c1.out.supply>plug.in.supply")[0]).toBeLessThan(1);
    const [bright, , dark] = word(setup, strands, "lamp:c1.out.supply>plug.in.supply");
    expect(dark).toBeGreaterThan(0.9);
    expect(bright).toBeLessThan(0.05);
    expect(word(setup, usual(setup), "lamp:c1.out.supply>plug.in.supply")[0]).toBeGreaterThan(0.9);
  });

  it("sensing high, the signal rides on the supply wire and the return stays at ground", () => {
    const high = setupOf("active-2wire", { sense: "high" });
    const supply = numbers(high, usual(high), "volts-dc:c1.out.supply>battery");
    expect(Math.abs(supply[0]! - supply[1]!)).toBeGreaterThan(0.7);
    expect(Math.max(...numbers(high, usual(high), "volts-dc:c1.out.return>battery"))).toBeLessThan(0.1);
    expect(checkCatalogue(high).some(({ id }) => id.startsWith("scope:c1.out.supply"))).toBe(true);
  });

  it("the low level comes first and the high one second, whichever the sensor rests at", () => {
    const point = "volts-dc:c1.out.return>battery";
    const [low, high] = numbers(setup, usual(setup), point);
    expect(high! / low!).toBeGreaterThan(1.7);
    for (const mode of ["alive", "stuck"] as const) {
      const rests = usual(setup, ({ circuit }) => Object.assign(circuit.sensor, { mode, restsHigh: true }));
      expect(numbers(setup, rests, point)[0]).toBeCloseTo(low!, 6);
      expect(numbers(setup, rests, point)[1]).toBeCloseTo(high!, 6);
    }
  });

  it("a magnet at the tip tells a dead sensor from one that stands too far off", () => {
    const far = usual(setup, ({ ring }) => (ring.gapMm = 6));
    const dead = usual(setup, ({ circuit }) => (circuit.sensor.mode = "stuck"));
    expect(word(setup, far, "hands:magnet")[0]).toBeGreaterThan(0.9);
    expect(word(setup, dead, "hands:magnet")[1]).toBeGreaterThan(0.9);
    expect(word(setup, far, "scan:speed")[1]).toBeGreaterThan(0.8);
    expect(word(setup, dead, "scan:speed")[1]).toBeGreaterThan(0.8);
  });
});

describe("the meter is part of the circuit", () => {
  const setup = setupOf("active-2wire");
  const splice = ({ circuit }: CarCondition) =>
    circuit.spanDefects.push({ span: 1, fraction: 0.5, conductor: 0, kind: "series", ohms: 100_000 });
  const unplugged: Hookup = {
    instrument: "volts-dc",
    red: { at: "face", station: "plug", face: "in", conductor: "supply" },
    black: { at: "battery", pole: "negative" },
    state: circuitStateSchema.parse({ unplugged: ["plug"] }),
  };

  it("through 100 kΩ of corrosion a 10 MΩ meter still shows nearly all, an old 20 kΩ one next to nothing", () => {
    const read = (inputMegohm: number) => {
      const own = setupOf("active-2wire", { meter: { inputMegohm, leadOhms: 0.1, averageResponding: false } });
      const shown = outlook(own, usual(own, splice), unplugged);
      return shown.kind === "numbers" ? shown.values[0]! : NaN;
    };
    expect(read(10)).toBeGreaterThan(11);
    expect(read(0.02)).toBeLessThan(2.5);
  });

  it("lead ohms are in every reading of a good wire", () => {
    const of = (leadOhms: number) => {
      const own = setupOf("active-2wire", { meter: { inputMegohm: 10, leadOhms, averageResponding: false } });
      return numbers(own, usual(own), "ohms:c1.out.supply>plug.in.supply")[0]!;
    };
    expect(of(0.5) - of(0)).toBeCloseTo(0.5, 6);
    expect(of(0)).toBeLessThan(0.2);
  });

  it("an averaging meter reads a square wave 1.11 times too high and a sine right", () => {
    const of = (family: CornerSetup["family"], averageResponding: boolean) => {
      const own = setupOf(family, { meter: { inputMegohm: 10, leadOhms: 0.1, averageResponding } });
      return numbers(own, usual(own), "volts-ac:c1.out")[0]!;
    };
    expect(of("active-2wire", true) / of("active-2wire", false)).toBeCloseTo(1.11, 2);
    expect(of("passive", true) / of("passive", false)).toBeCloseTo(1, 6);
  });

  it("ohms on a live circuit are nonsense", () => {
    const live: Hookup = { ...unplugged, instrument: "ohms", state: circuitStateSchema.parse({}) };
    const shown = outlook(setup, usual(setup), live);
    const value = shown.kind === "numbers" ? shown.values[0]! : NaN;
    expect(value < 0 || value > 1e6 || value === Infinity).toBe(true);
  });
});

describe("passive", () => {
  const setup = setupOf("passive");

  it("gives 0.65 V or so at 5 mph where it is that maker's, and the gauge reads the gap that takes it away", () => {
    const makers = usual(setup, (car) => (car.outputFactor = 1));
    const near = numbers(setup, makers, "volts-ac:c1.out")[0]!;
    const far = usual(setup, (car) => {
      car.outputFactor = 1;
      car.ring.gapMm += 1.5;
    });
    expect(near).toBeGreaterThan(0.4);
    expect(near).toBeLessThan(0.8);
    expect(numbers(setup, far, "volts-ac:c1.out")[0]! / near).toBeCloseTo(
      Math.exp((-2 * Math.PI * 1.5) / ((Math.PI * 100) / 48)),
      2,
    );
    expect(numbers(setup, far, "gauge:gap")[0]! - numbers(setup, usual(setup), "gauge:gap")[0]!).toBeCloseTo(1.5, 6);
  });

  it("plugs changed over: a good capture here, another corner answers on the scan tool", () => {
    const swapped = usual(setup, (car) => (car.elsewhere = true));
    expect(word(setup, swapped, "scope:c1")[0]).toBeGreaterThan(0.9);
    expect(word(setup, swapped, "scan:which")[1]).toBeGreaterThan(0.9);
    expect(word(setup, usual(setup), "scan:which")[0]).toBeGreaterThan(0.9);
  });
});
