import { describe, expect, it } from "vitest";
import { countTerminal } from "../checks/count-terminal";
import { cornerSetupSchema, spansOf, stationsOf } from "../circuit/setup";
import { withConnectorMoved, withConnectors } from "./edit-path";
import { parsePinTable } from "./pin-table";

const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1, mm2: 0.5 },
    { station: "c1", landmark: "bulkhead" },
    { spanM: 2, mm2: 0.5 },
    { station: "c2", landmark: "sill" },
    { spanM: 3, mm2: 0.5 },
    { station: "plug" },
  ],
});

describe("a pasted pin table", () => {
  it.each([
    ["semicolons", "wire; module; C1; plug\nsupply; 7 red; 2 red/white; 1\nreturn; 8 brown; pin 3; brown 2"],
    ["tabs", "\tModule\tc1\tsensor plug\nsupply\tred 7\t2 red/white\t1\nReturn\t8 brown\t3\t2 brown"],
  ])("with %s fills terminals and colours, in either order", (_, text) => {
    const read = parsePinTable(text, setup);
    if (!read.ok) throw new Error(read.say);
    const [module, c1, c2, plug] = stationsOf({ ...setup, path: read.path });
    expect(read.filled).toBe(6);
    expect(module!.pins).toEqual({ supply: { pin: "7", colour: "red" }, return: { pin: "8", colour: "brown" } });
    expect(c1!.pins!.supply).toEqual({ pin: "2", colour: "red/white" });
    expect(c2!.pins).toBeUndefined();
    expect(plug!.pins!.return).toEqual({ pin: "2", colour: "brown" });
    expect(cornerSetupSchema.safeParse({ ...setup, path: read.path }).success).toBe(true);
  });

  it.each([
    ["", /head row/],
    ["wire module plug\nsupply 1 2", /one cell only/],
    ["wire; module; c7\nsupply; 1; 2", /“c7”.*module, c1, c2, plug/],
    ["wire; module; plug\nsignal; 1; 2", /Row 2: “signal”.*supply, return/],
    ["wire; module; plug\nsupply; -; -", /No cell/],
  ])("%j says what is wrong and where", (text, say) => {
    const read = parsePinTable(text, setup);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.say).toMatch(say);
  });
});

it("a moved connector keeps its name, takes its span and its landmark along, and the path stays whole", () => {
  const path = withConnectorMoved(setup, 0, 1);
  const moved = { ...setup, path };
  expect(stationsOf(moved).map(({ station, landmark }) => [station, landmark])).toEqual([
    ["module", undefined],
    ["c2", "sill"],
    ["c1", "bulkhead"],
    ["plug", undefined],
  ]);
  expect(spansOf(moved).map(({ spanM }) => spanM)).toEqual([2, 1, 3]);
  expect(cornerSetupSchema.safeParse(moved).success).toBe(true);
});

it("a connector put in anew never takes a name that readings have, there or gone", () => {
  const fewer = { ...setup, path: withConnectors(setup, 1) };
  const again = { ...fewer, path: withConnectors(fewer, 2, ["c2"]) };
  expect(stationsOf(again).map(({ station }) => station)).toEqual(["module", "c1", "c3", "plug"]);
  expect(cornerSetupSchema.safeParse(again).success).toBe(true);
});

it("from the mating side a terminal stands mirrored, and is counted from the same moulded 1", () => {
  const wire = countTerminal({ rows: 2, columns: 8 }, "11")!;
  const mating = countTerminal({ rows: 2, columns: 8, seen: "mating" }, "11")!;
  expect([wire.row, wire.column, mating.row, mating.column]).toEqual([1, 2, 1, 5]);
  expect(mating.say).toContain("3 from the end");
});
