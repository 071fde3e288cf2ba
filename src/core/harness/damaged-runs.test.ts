import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import type { Hookup } from "../checks/hookup";
import { circuitStateSchema } from "../circuit/state";
import { parsePoint } from "../circuit/point";
import { typedValue } from "../observation/typed-value";
import { damagedRuns } from "./damaged-runs";

const setup = cornerSetupSchema.parse({
  corner: "RR",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1, mm2: 0.5 },
    { station: "c1" },
    { spanM: 2, mm2: 0.5 },
    { station: "c2" },
    { spanM: 1.5, mm2: 0.5 },
    { station: "plug" },
  ],
});

function run(near: string, far: string, typed: string, conductor = "supply", unplugged = [near, far]) {
  const [red, black] = [`${near}.out.${conductor}`, `${far}.in.${conductor}`].map((text) => {
    const read = parsePoint(text, setup);
    if (!read.ok) throw new Error(read.say);
    return read.point;
  });
  const state = circuitStateSchema.parse({ key: "off", batteryOff: true, unplugged });
  const hookup = { instrument: "ohms", red: red!, black: black!, state } as Hookup;
  const read = typedValue(hookup, typed, setup);
  if (!read.ok) throw new Error(read.say);
  return { entryId: "", ...read.observed };
}

describe("runs of wire that measured bad", () => {
  it("two of them, each its own break, beside the long run that holds both", () => {
    const runs = damagedRuns(setup, [
      run("module", "plug", "OL"),
      run("module", "c1", "OL"),
      run("c1", "c2", "0.3"),
      run("c2", "plug", "4.7k"),
    ]);
    expect(runs.map(({ from, to }) => [from, to])).toEqual([
      [0, 1],
      [2, 3],
    ]);
    expect(runs[0]!.say).toBe("supply, module plug to connector C1");
  });

  it("one break is one run, however often it was measured and whichever way round the probes stood", () => {
    expect(
      damagedRuns(setup, [run("c1", "c2", "OL"), run("c1", "c2", "OL"), run("module", "plug", "OL")]),
    ).toHaveLength(1);
    const back = run("c1", "c2", "OL");
    if (!("red" in back.hookup) || !("black" in back.hookup)) throw new Error("no probes");
    const turned = { ...back, hookup: { ...back.hookup, red: back.hookup.black, black: back.hookup.red } as Hookup };
    expect(damagedRuns(setup, [turned])[0]).toMatchObject({ from: 1, to: 2 });
  });

  it("the same span of both wires counts as two; good runs and runs still plugged together count for nothing", () => {
    expect(damagedRuns(setup, [run("c1", "c2", "OL"), run("c1", "c2", "OL", "return")])).toHaveLength(2);
    expect(damagedRuns(setup, [run("module", "plug", "0.4"), run("c1", "c2", "OL", "supply", ["c1"])])).toEqual([]);
  });
});
