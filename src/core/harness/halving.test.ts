/** Plain halving against binary search's textbook cost: log₂ n probes among n equal places. */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { HANDLING_MINUTES } from "../planning/place-search";
import { halvingMinutes } from "./halving";
import { pathShares } from "./path-shares";

/** Four spans, every connector three minutes away. */
const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  path: ["module", "c1", "c2", "c3", "plug"].flatMap((station, i) => [
    ...(i === 0 ? [] : [{ spanM: 1, mm2: 0.5 }]),
    { station, accessMin: 3 },
  ]),
});
const PROBE = 1 + HANDLING_MINUTES;
const REACH = 3;

/** Minutes of halving with so much suspicion at each place. */
function minutes(shares: Record<string, number>, ...done: string[]): number {
  const suspects = Object.entries(shares).map(([place, share]) => ({ place, share, part: "harness" as const }));
  return halvingMinutes(setup, pathShares(setup, suspects), new Set(done));
}

describe("plain halving", () => {
  it("takes one probe between two neighbours, and none when one is left", () => {
    expect(minutes({ "span2.supply": 0.5, c2: 0.5 })).toBeCloseTo(REACH + PROBE, 9);
    expect(minutes({ "span2.supply": 0.5, c2: 0.5 }, "reach:c2")).toBeCloseTo(PROBE, 9);
    expect(minutes({ "span2.supply": 1 })).toBe(0);
  });

  it("reaches a connector once for both its faces", () => {
    expect(minutes({ "span1.supply": 0.25, c1: 0.5, "span2.supply": 0.25 })).toBeCloseTo(
      REACH + PROBE + 0.75 * PROBE,
      9,
    );
  });

  it("takes three probes among eight equal places, wherever they are likely", () => {
    const eight = ["module", "span1", "c1", "span2", "c2", "span3", "c3", "span4"];
    const equal = Object.fromEntries(eight.map((place) => [place, 1 / 8]));
    const skewed = { ...equal, module: 0.3, span1: 0.3, c1: 0.075, span2: 0.075, c2: 0.0625, span3: 0.0625 };
    expect(minutes(equal, "reach:module", "reach:c1", "reach:c2", "reach:c3")).toBeCloseTo(3 * PROBE, 9);
    expect(minutes(skewed, "reach:module", "reach:c1", "reach:c2", "reach:c3")).toBeCloseTo(3 * PROBE, 9);
  });
});
