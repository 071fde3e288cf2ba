import { describe, expect, it } from "vitest";
import { CornerNet } from "../circuit/corner-net";
import { cornerSetupSchema } from "../circuit/setup";
import { SolvedCorner } from "../circuit/solve";
import type { CircuitState } from "../circuit/state";
import { normal, seeded } from "../random/random";
import { dimensionsOf, fromScores } from "./dimensions";
import { drawHealthy } from "./draw";
import { modulePins, moduleView } from "./signal";

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1" },
  { spanM: 3.4, mm2: 0.5 },
  { station: "plug" },
];

/** What people set up: each kind of corner, what feeds it, and where its current is sensed, told or not. */
const setUps = [
  { family: "passive" },
  { family: "active-2wire" },
  ...["low", "high"].flatMap((sense) => [8, 10, 12].map((supplyV) => ({ family: "active-2wire", sense, supplyV }))),
  ...[5, 8, 12].map((supplyV) => ({ family: "active-3wire", supplyV })),
  { family: "active-3wire" },
];

/** Passive ones are heard from 5 mph on, some say from 20 km/h (common practice): hardly one in a hundred later. */
describe.each(setUps)("a sound corner, $family, sensed on the $sense side, fed with $supplyV V", (kind) => {
  it("reaches its module with good levels, whatever its tolerances", () => {
    const setup = cornerSetupSchema.parse({ corner: "RR", path, ...kind });
    const random = seeded(20261130);
    const solved = new SolvedCorner(setup, new CornerNet(setup));
    const state: CircuitState = { key: "on", unplugged: [], batteryOff: false, wheel: "driven", speedKmh: 30 };
    const views = Array.from({ length: 400 }, () => {
      const car = drawHealthy(
        setup,
        fromScores(
          setup.family,
          dimensionsOf(setup.family).map(() => normal(random)),
        ),
      );
      return moduleView(car, setup, modulePins(setup), state, solved.solve(car.circuit, state));
    });
    expect(views.filter(({ circuitOk, levelsOff, lostShare }) => !circuitOk || levelsOff || lostShare > 0.05)).toEqual(
      [],
    );
    expect(views.filter(({ dropOutKmh }) => dropOutKmh > 20).length).toBeLessThanOrEqual(4);
  });
});
