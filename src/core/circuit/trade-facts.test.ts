/** Facts of the trade, each as a check that would fail if the model were wrong. Sources beside each. */
import { describe, expect, it } from "vitest";
import { coilRmsV, nominalRing, pitchMm, spacingFactor, dropOutSpeedKmh } from "../ring/ring";
import { frequencyHz, overallDiameterMm, parseTyre, rollingCircumferenceM, speedKmh } from "../tyre/tyre";
import { decodeCode, onlyHistory, sayCode, splitCodes } from "../codes/code";
import { nominalCondition, setContact } from "./condition";
import { CornerNet } from "./corner-net";
import { parsePoint, pointText, type Point } from "./point";
import { cornerSetupSchema, type CornerSetup } from "./setup";
import { SolvedCorner } from "./solve";
import { circuitStateSchema } from "./state";
import { copperAt, wireOhms } from "./wire";

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1" },
  { spanM: 3.4, mm2: 0.5 },
  { station: "plug" },
];
const active = cornerSetupSchema.parse({ corner: "RR", family: "active-2wire", path });
const passive = cornerSetupSchema.parse({ corner: "FL", family: "passive", path });
const at = (text: string, setup: CornerSetup): Point => {
  const parsed = parsePoint(text, setup);
  if (!parsed.ok) throw new Error(parsed.say);
  return parsed.point;
};
const solve = (
  setup: CornerSetup,
  alter: (car: ReturnType<typeof nominalCondition>) => void = () => undefined,
  state: object = {},
) => {
  const car = nominalCondition(setup);
  alter(car);
  return new SolvedCorner(setup, new CornerNet(setup)).solve(car, circuitStateSchema.parse(state));
};
const negative: Point = { at: "battery", pole: "negative" };

describe("active two-wire, sensing low", () => {
  it("healthy return sits at 0.75–0.95 V and 1.66–1.9 V (common practice, no source)", () => {
    const { low, high } = solve(active).meterVolts(at("plug.out.return", active), negative);
    expect(low).toBeGreaterThan(0.75);
    expect(low).toBeLessThan(0.95);
    expect(high).toBeGreaterThan(1.66);
    expect(high).toBeLessThan(1.9);
  });

  it("supply arrives at 10–12 V with the key on (common practice, no source)", () => {
    const { low } = solve(active).meterVolts(at("plug.out.supply", active), negative);
    expect(low).toBeGreaterThan(10);
    expect(low).toBeLessThan(12.05);
  });

  it("unplugged, the supply pin holds its voltage and the return reads nothing (domain, section 4)", () => {
    const open = solve(active, undefined, { unplugged: ["plug"] });
    expect(open.meterVolts(at("plug.in.supply", active), negative).low).toBeCloseTo(11.8, 0);
    expect(open.meterVolts(at("plug.in.return", active), negative).low).toBeLessThan(0.06);
  });

  it("a 100 kΩ splice still shows near-supply to a meter and drops out under load (common practice, no source)", () => {
    const splice = (car: ReturnType<typeof nominalCondition>) =>
      void car.spanDefects.push({ span: 1, fraction: 0.5, conductor: 0, kind: "series", ohms: 100_000 });
    const unloaded = solve(active, splice, { unplugged: ["plug"] }).meterVolts(
      at("plug.in.supply", active),
      negative,
    ).low;
    expect(unloaded / 11.8).toBeGreaterThan(0.97);
    const loaded = solve(active, splice).meterVolts(at("plug.in.supply", active), negative).low;
    expect(loaded).toBeLessThan(1);
    const lamp = solve(active, splice, {
      unplugged: ["plug"],
      load: { kind: "lamp", red: "plug.in.supply", black: "battery.negative" },
    });
    expect(lamp.loadAmps()).toBeLessThan(0.001);
  });

  it("return at supply level means a short between the two (domain, section 4)", () => {
    const short = solve(
      active,
      (car) => void car.spanDefects.push({ span: 1, fraction: 0.5, conductor: 0, kind: "to-neighbour", ohms: 0.5 }),
    );
    const returned = short.meterVolts(at("plug.out.return", active), negative).low;
    expect(short.meterVolts(at("plug.out.supply", active), negative).low - returned).toBeLessThan(0.1);
  });
});

describe("passive", () => {
  it("0.65 V at 5 mph rises in a straight line to about 9 V (common practice, no source)", () => {
    const ring = nominalRing(48);
    expect(coilRmsV(ring, 8.04672, 1)).toBeCloseTo(0.65, 3);
    expect(coilRmsV(ring, 2 * 8.04672, 1)).toBeCloseTo(1.3, 3);
    expect(coilRmsV(ring, 70 * 1.609344, 1)).toBeCloseTo(9.1, 1);
  });

  it("a good coil shows through the whole harness, module unplugged", () => {
    const ohms = solve(passive, undefined, { key: "off", batteryOff: true, unplugged: ["module"] }).meterOhms(
      at("module.out.a", passive),
      at("module.out.b", passive),
    );
    expect(ohms).toBeGreaterThan(1200);
    expect(ohms).toBeLessThan(1202);
  });

  it.each([0, 1])(
    "with leg %i broken a meter of 10 MΩ shows no AC beyond the break, whichever leg it is (Ohm's law)",
    (wire) => {
      const spun = { unplugged: ["c1"], wheel: "hand" };
      const broken = solve(passive, (car) => setContact(car, 2, wire, Infinity), spun);
      const [a, b] = [at("c1.out.a", passive), at("c1.out.b", passive)];
      expect(broken.coilTransfer(a, b)).toBeLessThan(0.01);
      expect(broken.coilTransfer(at("plug.out.a", passive), at("plug.out.b", passive))).toBeGreaterThan(0.99);
      expect(solve(passive, undefined, spun).coilTransfer(a, b)).toBeGreaterThan(0.99);
    },
  );

  it("copper: 1100 Ω at 20 °C reads 1446 Ω at 100 °C (IEC 60028, α20 = 0.00393)", () => {
    expect(copperAt(1100, 100)).toBeCloseTo(1445.8, 1);
  });

  it("gap loss is 54.6 dB per wavelength (Wallace, Bell System Technical Journal 30, 1951)", () => {
    expect(-20 * Math.log10(spacingFactor(0, 1, 1))).toBeCloseTo(54.6, 1);
    expect(pitchMm(nominalRing(48))).toBeCloseTo(6.545, 3);
  });

  it("half the voltage doubles the speed at which the signal falls out (domain, section 5)", () => {
    expect(dropOutSpeedKmh(0.65, 8, 0.15)).toBeCloseTo(1.846, 3);
    expect(dropOutSpeedKmh(0.325, 8, 0.15)).toBeCloseTo(3.692, 3);
  });
});

describe("wire, tyre, code", () => {
  it.each([
    [0.35, 54.4],
    [0.5, 37.1],
    [0.75, 24.7],
    [1, 18.5],
  ])("%s mm² is %s mΩ/m (ISO 6722-1 maxima, from memory)", (mm2, milliohm) => {
    expect(wireOhms(1, mm2) * 1000).toBeCloseTo(milliohm, 6);
  });

  /** ASTM B258: diameter of gauge n is 0.005 in · 92^((36 − n) / 39); IEC 60028: annealed copper has 0.017241 Ω·mm²/m. */
  it.each([24, 22, 20, 18, 16])(
    "%s AWG: no less than solid copper of its geometry has, and a tenth more at most (ASTM B258, IEC 60028)",
    (gauge) => {
      const diameterMm = 0.127 * 92 ** ((36 - gauge) / 39);
      const mm2 = (Math.PI / 4) * diameterMm ** 2;
      const solid = 0.017241 / mm2;
      expect(wireOhms(1, mm2)).toBeGreaterThan(solid);
      expect(wireOhms(1, mm2)).toBeLessThan(1.1 * solid);
    },
  );

  it("205/55R16 is 631.9 mm across (UNECE R30, D = d + 2H) and rolls 1.927 m (ETRTO 3.05·D, from memory)", () => {
    const size = parseTyre("205/55R16 91V")!;
    expect(overallDiameterMm(size)).toBeCloseTo(631.9, 1);
    expect(rollingCircumferenceM(size)).toBeCloseTo(1.927, 3);
    expect(frequencyHz(8.04672, 48, rollingCircumferenceM(size))).toBeCloseTo(55.7, 1);
    expect(speedKmh(55.68, 48, rollingCircumferenceM(size))).toBeCloseTo(8.05, 1);
  });

  it("codes after SAE J2012 (from memory), in any style; others are told apart", () => {
    expect(decodeCode("c003a-13")).toMatchObject({ code: "C003A", corner: "RR", failure: { kind: "open" } });
    expect(decodeCode("C0033")).toMatchObject({ corner: "FL", subject: "tone wheel" });
    expect(decodeCode("C0034 31")).toMatchObject({ corner: "FR", failure: { say: "no signal" } });
    expect(decodeCode("P0420")).toBeNull();
    expect(decodeCode("C003A 31 history")).toMatchObject({ corner: "RR", status: "history" });
    expect(splitCodes("C0034-13 present\nC003A 31 history, u0121")).toEqual([
      "C0034-13 present",
      "C003A 31 history",
      "u0121",
    ]);
    expect(onlyHistory(["C003A 31 history", "U0121"])).toBe(true);
    expect(decodeCode("C1145 right front sensor circuit open")).toMatchObject({
      maker: true,
      corner: "FR",
      failure: { kind: "open" },
    });
    expect(sayCode("C1145")).toMatch(/Which corner/);
    expect(sayCode("u0121")).toMatch(/set aside/);
  });

  it("a point written and read again is the same point", () => {
    for (const text of ["c1.out.supply", "span2.30.return", "battery.positive", "body", "module.in.earth"])
      expect(pointText(at(text, active))).toBe(text);
    expect(parsePoint("c4.in.supply", active)).toMatchObject({ ok: false });
    expect(parsePoint("span3.50.supply", active)).toMatchObject({ ok: false });
  });
});
