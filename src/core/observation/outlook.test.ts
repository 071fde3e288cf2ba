/** What any car answers to any check is a proper forecast, and tells it from every other. */
import { describe, expect, it } from "vitest";
import { checkCatalogue } from "../checks/catalogue";
import { byState } from "../checks/hookup";
import { cornerSetupSchema, families } from "../circuit/setup";
import { suspectables, suspectId } from "../faults/catalogue";
import { seeded } from "../random/random";
import { dimensionsOf, fromUniforms } from "../car/dimensions";
import { drawCar } from "../car/draw";
import { StateReader } from "./reader";
import { simulateCar, readCar } from "../simulated/simulated-car";
import { whereaboutsOf } from "../car/whereabouts";

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1", accessMin: 4 },
  { spanM: 3.4, mm2: 0.5 },
  { station: "plug", accessMin: 7 },
];

describe.each(
  families.flatMap(
    (family) =>
      (family === "active-2wire"
        ? [
            [family, "low"],
            [family, "high"],
          ]
        : [[family, "low"]]) as [typeof family, "low" | "high"][],
  ),
)("%s, sensing %s", (family, sense) => {
  const setup = cornerSetupSchema.parse({ corner: "RR", family, sense, path });
  const checks = checkCatalogue(setup, true);

  it("every fault answers every check with chances that sum to one, and no number that is none", () => {
    const random = seeded(11);
    for (const one of suspectables(setup)) {
      const car = drawCar(
        setup,
        one.fault,
        one.place,
        fromUniforms(family, Float64Array.from(dimensionsOf(family), random), 1),
      );
      const where = whereaboutsOf(one, false);
      for (const sharing of byState(checks.map(({ hookup }) => hookup))) {
        const reader = new StateReader(setup, sharing[0]!.state, sharing);
        reader.take(car);
        sharing.forEach((hookup, at) => {
          const outlook = reader.outlook(at, where);
          const label = `${suspectId(one.fault, one.place)} ${JSON.stringify(hookup)}`;
          expect(
            outlook.chances.reduce((sum, chance) => sum + chance, 0),
            label,
          ).toBeCloseTo(1, 6);
          expect(
            outlook.chances.every((chance) => chance >= 0),
            label,
          ).toBe(true);
          if (outlook.kind !== "numbers") return;
          for (const value of outlook.values) {
            expect(Number.isNaN(value), label).toBe(false);
            if (hookup.instrument === "ohms") expect(value, label).toBeGreaterThanOrEqual(0);
            else if (hookup.instrument === "capacitance")
              expect(value, label).toSatisfy((farad: number) => farad === Infinity || (farad >= 0 && farad < 2e-9));
            else expect(Math.abs(value), label).toBeLessThan(1e5);
          }
        });
      }
    }
  });

  it("no two faults of this corner look alike to every check at once", () => {
    const said = new Map<string, string>();
    for (const one of suspectables(setup)) {
      const id = suspectId(one.fault, one.place);
      const car = simulateCar(setup, id, { seed: 77 });
      const where = whereaboutsOf(one, false);
      const all = byState(checks.map(({ hookup }) => hookup)).flatMap((sharing) => {
        const reader = new StateReader(setup, sharing[0]!.state, sharing);
        reader.take(car.condition);
        return sharing.map((_, at) => {
          const outlook = reader.outlook(at, where);
          return outlook.kind === "numbers"
            ? outlook.values.map((value) => value.toPrecision(3)).join()
            : outlook.chances.map((chance) => chance.toFixed(2)).join();
        });
      });
      const key = all.join("|");
      expect(said.get(key), `${id} reads as this everywhere`).toBeUndefined();
      said.set(key, id);
    }
  });

  it("a good corner holds its supply, and its plug answers open nowhere", () => {
    const car = simulateCar(setup, "nothing@none", { seed: 8 });
    const volts = checks.find(({ id }) => id.startsWith(family === "passive" ? "ohms:plug.out" : "volts-dc:plug.in"))!;
    const text = readCar(car, volts.hookup);
    if (family === "passive") expect(text).toMatch(/^\d[.\d]* (k|)Ω$/);
    else expect(Number.parseFloat(text)).toBeGreaterThan(text.includes("m") ? 0 : 4.5);
  });
});
