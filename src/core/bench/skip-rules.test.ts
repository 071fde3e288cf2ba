import { describe, expect, it } from "vitest";
import { checkCatalogue } from "../checks/catalogue";
import { cornerSetupSchema } from "../circuit/setup";
import { progressOf } from "./progress";
import { jobSchema } from "../job/schema";
import { putOff } from "./skip-rules";

const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "c1" }, { spanM: 2, mm2: 0.5 }, { station: "plug" }],
});
const all = checkCatalogue(setup);
const one = (start: string) => all.find(({ id }) => id.startsWith(start))!;

describe("a skipped check", () => {
  it("out of reach takes all at that place with it, unless the place was reached before", () => {
    const skipped = one("volts-dc:module.in.supply");
    const off = putOff(skipped.id, "can't reach it", setup, new Set());
    expect(off.has(one("eyes:module").id)).toBe(true);
    expect(off.has(one("volts-dc:c1.in.supply").id)).toBe(false);
    expect(putOff(skipped.id, "can't reach it", setup, new Set(["reach:module"])).size).toBe(1);
  });

  it("a missing tool takes its instrument, a wheel left down all that needs it raised, harm only itself", () => {
    const capture = one("scope:c1");
    const noScope = putOff(capture.id, "no tool for it", setup, new Set());
    expect(all.filter(({ id, hookup }) => hookup.instrument === "scope" && !noScope.has(id))).toEqual([]);
    expect(putOff(one("volts-dc:c1.in.supply").id, "no tool for it", setup, new Set()).size).toBe(1);
    const down = putOff(capture.id, "too cold to lift", setup, new Set());
    expect(all.filter(({ id, access }) => access.some((step) => step.id === "lift") && !down.has(id))).toEqual([]);
    expect([...putOff(capture.id, "would do harm", setup, new Set())]).toEqual([capture.id]);
  });

  it("counts until it is taken back", () => {
    const skip = {
      id: "s",
      at: "2026-01-01",
      kind: "skip",
      check: one("scope:c1").id,
      reason: "no tool for it",
      label: "capture",
    };
    const job = (entries: object[]) =>
      jobSchema.parse({
        tastatura: "job/4",
        id: "j",
        createdAt: "2026-01-01T00:00:00Z",
        car: { name: "" },
        setup,
        complaint: {},
        policy: {},
        entries,
      });
    expect(progressOf(job([skip])).skipped.size).toBeGreaterThan(1);
    const back = { id: "r", at: "2026-01-01", kind: "retract", entry: "s" };
    expect(progressOf(job([skip, back])).skipped.size).toBe(0);
  });
});
