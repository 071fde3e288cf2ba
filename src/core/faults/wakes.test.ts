/** What brings an intermittent on: the same table speaks for the driver's words and for the check that provokes it. */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema, usualCorner } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";
import { sharesByPart } from "../belief/posterior";
import { hookupOf } from "../observation/read-observation";
import { readingSchema } from "../observation/reading";
import { typedValue } from "../observation/typed-value";

const setup = cornerSetupSchema.parse({
  ...usualCorner,
  corner: "FL",
  family: "active-2wire",
  path: [{ station: "module" }, { spanM: 3, mm2: 0.5 }, { station: "plug" }],
});

function partsAfter(presence: "hard" | "intermittent", answers: [string, string][], symptoms: string[] = []) {
  const belief = new Belief(setup, complaintSchema.parse({ presence, symptoms }), { seed: 3, perGroup: 24 });
  for (const [look, value] of answers) {
    const instrument = look === "other-side" ? "compare" : "hands";
    const hookup = hookupOf(readingSchema.parse({ instrument, look }), setup);
    if (!hookup.ok) throw new Error(hookup.say);
    const typed = typedValue(hookup.value, value, setup);
    if (!typed.ok) throw new Error(typed.say);
    belief.add({ entryId: "", ...typed.observed });
  }
  return sharesByPart(belief, belief.shares());
}

describe("what wakes an intermittent", () => {
  // Common practice, no source: heat finds the sensor's electronics, water the plugs, movement the wires and plugs.
  it.each([
    ["wake-heat", "sensor"],
    ["wake-wet", "connector"],
    ["wake-bump", "connector"],
    ["wake-turn", "harness"],
    ["wiggle-lead", "sensor"],
  ] as const)("%s speaks for the %s when the reading jumps, and against it when it stands", (look, part) => {
    const before = partsAfter("intermittent", []).get(part)!;
    expect(partsAfter("intermittent", [[look, "jumps"]]).get(part)).toBeGreaterThan(1.2 * before);
    expect(partsAfter("intermittent", [[look, "steady"]]).get(part)).toBeLessThan(before);
  });

  it("tells next to nothing of a fault that is there all the time", () => {
    const before = partsAfter("hard", []);
    const after = partsAfter("hard", [["wake-wet", "steady"]]);
    for (const [part, share] of after) expect(Math.abs(share - before.get(part)!), part).toBeLessThan(0.01);
  });

  it("what the driver says brings it on points the same way", () => {
    const said = partsAfter("intermittent", [], ["when-wet"]).get("connector")!;
    expect(said).toBeGreaterThan(partsAfter("intermittent", [], ["when-hot"]).get("connector")!);
  });
});

describe("beside the other side", () => {
  it("a trace like the other side's clears ring and sensor; a missing one speaks for the electrics", () => {
    const before = partsAfter("hard", []);
    const alike = partsAfter("hard", [["other-side", "alike"]]);
    expect(alike.get("sensor")).toBeLessThan(0.55 * before.get("sensor")!);
    const none = partsAfter("hard", [["other-side", "dead"]]);
    expect(none.get("ring")).toBeLessThan(before.get("ring")!);
    expect(none.get("sensor")).toBeGreaterThan(before.get("sensor")!);
  });
});
