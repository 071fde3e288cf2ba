/** Plain halving against binary search's textbook cost: log₂ n probes among n equal places. */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { HANDLING_MINUTES } from "../lineup/place-search";
import { halvingMinutes } from "./halving";

/** Four spans, every connector three minutes away. */
const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  path: ["module", "c1", "c2", "c3", "plug"].flatMap((station, i) => [
    ...(i === 0 ? [] : [{ spanM: 1, mm2: 0.5 }]),
    { station, accessMin: 3 },
  ]),
});
const places = (...shares: number[]) => shares.map((share, span) => ({ span, share }));
const PROBE = 3 + 1 + HANDLING_MINUTES;
const none: ReadonlySet<string> = new Set();

describe("plain halving", () => {
  it("takes log₂ n probes among equal spans", () => {
    expect(halvingMinutes(setup, places(0.25, 0.25, 0.25, 0.25), none)).toBeCloseTo(2 * PROBE, 9);
    expect(halvingMinutes(setup, places(0.5, 0.5, 0, 0), none)).toBeCloseTo(PROBE, 9);
    expect(halvingMinutes(setup, places(1, 0, 0, 0), none)).toBe(0);
  });

  it("does not mind where the damage is likely, pays twice for three spans on the longer side, and for access once", () => {
    expect(halvingMinutes(setup, places(0.7, 0.1, 0.1, 0.1), none)).toBeCloseTo(2 * PROBE, 9);
    expect(halvingMinutes(setup, places(0.2, 0.4, 0.4, 0), none)).toBeCloseTo(PROBE + 0.8 * PROBE, 9);
    expect(halvingMinutes(setup, places(0.5, 0.5, 0, 0), new Set(["reach:c1"]))).toBeCloseTo(PROBE - 3, 9);
  });
});
