import { describe, expect, it } from "vitest";
import { readCar, simulateCar } from "../simulated/simulated-car";
import { checkCatalogue } from "../checks/catalogue";
import { hookupKey } from "../checks/hookup";
import { cornerSetupSchema, spansOf, stationsOf } from "../circuit/setup";
import { breakPlaces } from "./break-place";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";
import { typedValue } from "../observation/typed-value";
import { countTerminal } from "../checks/count-terminal";
import { withConnectors } from "./edit-path";
import { passes, wireTable } from "./wire-table";

const setup = cornerSetupSchema.parse({
  corner: "RL",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1.5, mm2: 0.5 },
    { station: "c1" },
    { spanM: 3, mm2: 0.5, landmark: "frame rail top", exposure: 3 },
    { station: "plug" },
  ],
});

describe("the wire table", () => {
  it("limits a good 3 m run by its length and size, leads and all (ISO 6722-1: 37.1 mΩ/m at 0.5 mm²)", () => {
    const [cell] = wireTable(setup, "c1", "plug", 0.2);
    expect(cell!.limit).toMatchObject({ kind: "below" });
    const limit = cell!.limit.kind === "below" ? cell!.limit.ohms : NaN;
    expect(limit).toBeGreaterThan(3 * 0.0371 + 0.2);
    expect(limit).toBeLessThan(0.6);
  });

  it("every cell of a healthy loom is good, and the damaged one is found", () => {
    const judged = (fault: string) => {
      const car = simulateCar(setup, fault, { seed: 6 });
      return wireTable(setup, "c1", "plug", 0.2)
        .map((cell) => {
          const shown = readCar(car, cell.hookup);
          const number =
            Number.parseFloat(shown) * (/k/.test(shown) ? 1e3 : /M/.test(shown) ? 1e6 : /m/.test(shown) ? 1e-3 : 1);
          return passes(cell.limit, cell.limit.kind === "word" ? shown : shown === "OL" ? "OL" : number)
            ? null
            : `${cell.conductor} ${cell.test}`;
        })
        .filter(Boolean);
    };
    expect(judged("nothing@none")).toEqual([]);
    expect(judged("wire-open@span2.supply")).toEqual(["supply end-to-end", "supply load"]);
    expect(judged("wire-strands@span2.return")).toContain("return load");
    expect(judged("wire-strands@span2.return")).not.toContain("return to-ground");
  });
});

describe("finding the break", () => {
  it("voltages alone put an open frame-rail wire in its span; piercing narrows the place within it", () => {
    const car = simulateCar(setup, "wire-open@span2.supply", { seed: 11 });
    const belief = new Belief(setup, complaintSchema.parse({}), { seed: 3 });
    const add = (id: string) => {
      const { hookup } = checkCatalogue(setup).find((check) => check.id.startsWith(id))!;
      const typed = typedValue(hookup, readCar(car, hookup), setup);
      if (typed.ok) belief.add({ entryId: "", ...typed.observed });
    };
    add("volts-dc:plug.in.supply>battery.negative");
    add("volts-dc:c1.out.supply>battery.negative");
    const before = breakPlaces(belief);
    expect(before[1]!.share).toBeGreaterThan(0.6);
    expect(before[0]!.share).toBeLessThan(0.02);
    add("volts-dc:span2.50.supply");
    const after = breakPlaces(belief)[1]!;
    expect(after.toM - after.fromM).toBeLessThan(0.75 * (before[1]!.toM - before[1]!.fromM));
    const at = car.condition.circuit.spanDefects[0]!.fraction * spansOf(setup)[1]!.spanM;
    expect(at).toBeGreaterThanOrEqual(after.fromM - 0.15);
    expect(at).toBeLessThanOrEqual(after.toM + 0.15);
  });
});

describe("the map", () => {
  it("connectors come and go, the length and the landmarks stay", () => {
    const more = { ...setup, path: withConnectors(setup, 3) };
    expect(cornerSetupSchema.safeParse(more).success).toBe(true);
    expect(stationsOf(more).map(({ station }) => station)).toEqual(["module", "c1", "c2", "c3", "plug"]);
    const fewer = { ...setup, path: withConnectors(more, 0) };
    const total = (path: typeof setup) => spansOf(path).reduce((sum, { spanM }) => sum + spanM, 0);
    expect(total(fewer)).toBeCloseTo(total(setup), 0);
    expect(
      new Set(checkCatalogue(cornerSetupSchema.parse(more)).map(({ hookup }) => hookupKey(hookup))).size,
    ).toBeGreaterThan(60);
  });

  it("finds a terminal by counting from the nearer end", () => {
    expect(countTerminal({ rows: 2, columns: 13 }, "15")).toMatchObject({ row: 1, column: 1 });
    expect(countTerminal({ rows: 2, columns: 13 }, "12")!.say).toMatch(/2 from the end with 13/);
    expect(countTerminal({ rows: 2, columns: 13 }, "27")).toBeNull();
  });
});
