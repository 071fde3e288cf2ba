import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { withShare } from "../faults/catalogue";
import { defaultPriors } from "../faults/parts/parts";
import { complaintSchema } from "./complaint";
import { codesElsewhere } from "./complaint-weight";
import { complaintReasons } from "./complaint-reasons";
import { meantWords, ratioTable } from "./ratio-table";
import { Belief } from "../belief/belief";
import { sharesByPart } from "../belief/posterior";

const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  path: [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "plug" }],
});

describe("what an answer does to the suspicion", () => {
  it("is told in parts, for and against, and the line-up moves the same way", () => {
    const complaint = complaintSchema.parse({
      symptoms: ["lamp", "when-wet"],
      codes: ["C0031-13"],
      recentWork: ["exhaust"],
    });
    const reasons = complaintReasons(complaint, setup, defaultPriors);
    const of = (answer: string) => reasons.find((one) => one.answer === answer);
    expect(of("lamp")).toBeUndefined();
    expect(of("when-wet")!.speaksFor).toContain("connector");
    expect(of("C0031-13")!.speaksAgainst).toContain("tone ring or encoder");
    expect(of("exhaust")!.speaksFor[0]).toBe("wiring");
    const share = (symptoms: string[]) => {
      const belief = new Belief(setup, complaintSchema.parse({ symptoms }), { seed: 1, perGroup: 12 });
      return sharesByPart(belief, belief.shares()).get("connector")!;
    };
    expect(share(["when-wet"])).toBeGreaterThan(share([]));
  });

  it("shares of suspicion are the shop's to set, and always come to one", () => {
    const own = withShare(defaultPriors, "bearing", 60)!;
    expect(Object.values(own).reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 12);
    expect(own.bearing).toBeCloseTo(0.6 / (1 - defaultPriors.bearing + 0.6), 12);
    expect(withShare(defaultPriors, "bearing", 101)).toBeNull();
    const belief = new Belief(setup, complaintSchema.parse({}), { seed: 1, perGroup: 12, priors: own });
    expect(sharesByPart(belief, belief.shares()).get("bearing")!).toBeGreaterThan(0.3);
  });

  it("a code of another corner is named and says nothing here", () => {
    const share = (codes: string[]) => {
      const belief = new Belief(setup, complaintSchema.parse({ codes }), { seed: 1, perGroup: 12 });
      return sharesByPart(belief, belief.shares()).get("tyre")!;
    };
    const other = setup.corner === "RR" ? "C0034-13" : "C003A-13";
    expect(codesElsewhere([other, "C1145"], setup.corner)).toEqual([other]);
    expect(share([other])).toBeCloseTo(share([]), 9);
  });
});

it("every row of the table of ratios has a name to show, no bare id", () => {
  const meant = ratioTable().flatMap(({ entries }) => entries.flatMap((entry) => entry.meant));
  expect(meant.length).toBeGreaterThan(40);
  for (const one of meant) expect(meantWords(one), one).toMatch(/^[a-z]/i);
  for (const one of meant.filter((id) => id.includes("-"))) expect(meantWords(one)).not.toBe(one);
});
