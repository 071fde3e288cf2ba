import { describe, expect, it } from "vitest";
import { localFindings, turnOf, viewOfTurn } from "./view";

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

  it("what is about half of the recording and more shades nothing", () => {
    expect(localFindings([finding(1, 2), finding(0, 6)], [0, 10])).toEqual([finding(1, 2)]);
  });
});
