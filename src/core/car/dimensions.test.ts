import { describe, expect, it } from "vitest";
import { cornerSetupSchema, families, type Family } from "../circuit/setup";
import { commonDimensions, dimensionsOf, fromScores, isDeciding, type Dimension } from "./dimensions";
import { drawHealthy } from "./draw";

const setupOf = (family: Family) =>
  cornerSetupSchema.parse({
    corner: "FL",
    family,
    path: [
      { station: "module" },
      { spanM: 1, mm2: 0.5 },
      { station: "c1" },
      { spanM: 2, mm2: 0.5 },
      { station: "plug" },
    ],
  });

/** Every number of a car by its path; a quantity that many places share (contacts, spans) counts once. */
function quantities(value: unknown, path = ""): [string, unknown][] {
  if (typeof value !== "object" || value === null) return [[path, value]];
  return Object.entries(value).flatMap(([key, inner]) =>
    quantities(inner, /^\d+$/.test(key) ? path : `${path}.${key}`),
  );
}

/** What follows from another quantity by definition: the gap from the design gap, the high current from the low. */
const FOLLOWS: Partial<Record<Dimension, string[]>> = {
  designGapMm: [".ring.nominalGapMm", ".ring.gapMm"],
  lowA: [".circuit.sensor.lowA", ".circuit.sensor.highA"],
  outputFactor: [".outputFactor", ".makeOutputFactor"],
};

describe.each(families)("the tolerances of a %s corner", (family) => {
  const setup = setupOf(family);
  const all = dimensionsOf(family);
  // What decides between two kinds is on the side where the sizes that go with it count.
  const base = all.map((dimension) => (isDeciding(dimension) && dimension !== "supplyLogic" ? 1 : 0.1));
  const car = (dimension: Dimension, score: number) =>
    new Map(
      quantities(
        drawHealthy(
          setup,
          fromScores(
            family,
            base.map((one, i) => (all[i] === dimension ? score : one)),
          ),
        ),
      ),
    );

  it("no common number moves two quantities", () => {
    for (const dimension of all.slice(0, commonDimensions(family))) {
      const [low, high] = [car(dimension, -1.5), car(dimension, 1.5)];
      const moved = [...new Set([...low.keys()].filter((path) => low.get(path) !== high.get(path)))];
      expect(moved.length, dimension).toBeGreaterThan(0);
      expect(moved.toSorted(), dimension).toEqual((FOLLOWS[dimension] ?? moved.slice(0, 1)).toSorted());
    }
  });

  it("a fault's own numbers leave a healthy car as it is", () => {
    const plain = JSON.stringify([...car("own0", 0.1)]);
    for (const dimension of all.slice(commonDimensions(family)))
      expect(JSON.stringify([...car(dimension, 2)]), dimension).toBe(plain);
  });
});
