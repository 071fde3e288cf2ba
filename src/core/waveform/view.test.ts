import { describe, expect, it } from "vitest";
import { axisEnds, localFindings, turnOf, viewOfTurn } from "./view";

const rowStartS = Float64Array.of(0.2, 1.2, 2, 2.001);
const raster = { rowStartS } as Parameters<typeof viewOfTurn>[0];
const finding = (startS: number, endS: number) => ({ startS, endS }) as Parameters<typeof localFindings>[0][number];

describe("what of a recording is shown", () => {
  it("a turn from where it begins to where the next does; a cut-off one still gets fifty samples", () => {
    expect(viewOfTurn(raster, 0, 1e-4)).toEqual([0.2, 1.2]);
    const [from, to] = viewOfTurn(raster, 2, 1e-3);
    expect([from, to]).toEqual([2, expect.closeTo(2.05, 9)]);
  });

  it("a finding stands in the turn it begins in; before the first it is the first's", () => {
    expect([0, 0.2, 1.19, 1.2, 9].map((startS) => turnOf(raster, finding(startS, startS + 0.1)))).toEqual([
      0, 0, 0, 1, 3,
    ]);
  });

  it("a level that stands is a line, and not its noise from top to bottom; what moves fills the height", () => {
    const ends = axisEnds(0.818, 0.822, true)!;
    expect(ends[1] - ends[0]).toBeGreaterThan(0.08);
    expect(ends.map((end) => end.toFixed(3))).toEqual(["0.700", "0.900"]);
    expect(axisEnds(-0.001, 0.001, true)).toEqual([-0.1, 0.1]);
    const supply = axisEnds(11.49, 11.52, true)!;
    expect(supply[1] - supply[0]).toBeGreaterThan(1);
    for (const [low, high] of [
      [0.84, 1.68],
      [-0.04, 0.04],
      [11.2, 12.6],
    ] as const)
      expect(axisEnds(low, high, true)).toBeNull();
    expect(axisEnds(Infinity, -Infinity, true), "nothing recorded").toBeNull();
    // Counts of an input that knows no volts are held to their own level alone.
    expect(axisEnds(-0.001, 0.001, false)).toBeNull();
  });

  it("what is about half of the recording and more shades nothing", () => {
    expect(localFindings([finding(1, 2), finding(0, 6)], [0, 10])).toEqual([finding(1, 2)]);
  });
});
