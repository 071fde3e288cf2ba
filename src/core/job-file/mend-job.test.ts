/** What a hard hand left in a store or a file: what can be saved of it is saved, the rest is listed. */
import { describe, expect, it } from "vitest";
import { parseJob } from "./earlier-jobs";
import { mendJob } from "./mend-job";

const good = {
  ...{ tastatura: "job/4", id: "b", createdAt: "2026-01-01T00:00:00Z", policy: {} },
  car: { name: "Elverby Skua 03", plate: "" },
  complaint: { codes: [] as string[] },
  setup: {
    corner: "RL",
    family: "active-2wire",
    path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
  },
  entries: [] as object[],
};
const reading = (value: string) => ({
  ...{ id: `r${value.length}`, at: "2026-01-01T10:00:00Z", kind: "reading" },
  reading: { instrument: "volts-dc", red: "plug.out.supply", black: "battery.negative", value },
});
const now = new Date("2026-11-27T00:00:00Z");

describe("a record that does not read", () => {
  it.each<[string, object, number]>([
    ["a plate of 51 signs", { ...good, car: { name: "x", plate: "P".repeat(51) } }, 0],
    ["a code of 59", { ...good, complaint: { codes: ["C0034 ".padEnd(59, "x")] } }, 0],
    ["a reading of 246 digits", { ...good, entries: [reading("1".repeat(246)), reading("11.2 V")] }, 0],
    ["a date of words", { ...good, createdAt: "last Tuesday" }, 0],
    ["an entry of no kind", { ...good, entries: [{ id: "x" }, reading("11.2 V")] }, 1],
    ["an entry dated in words", { ...good, entries: [{ ...reading("11.2 V"), at: "soon" }] }, 1],
    ["a complaint that is none", { ...good, complaint: 7 }, 1],
    ["a missing name and policy", { ...good, car: null, policy: undefined }, 0],
    [
      "another corner that is none, and a good one",
      { ...good, others: { RR: { setup: 1 }, FL: { setup: good.setup } } },
      1,
    ],
    [
      "too many entries",
      { ...good, entries: Array.from({ length: 10_001 }, (_, i) => ({ ...reading("1 V"), id: `${i}` })) },
      1,
    ],
  ])("%s is mended, and what was left out is listed", (_, broken, dropped) => {
    expect(parseJob(broken).success).toBe(false);
    const mended = mendJob(broken, now)!;
    expect(parseJob(JSON.parse(JSON.stringify(mended.job))).success).toBe(true);
    expect(mended.job.setup.corner).toBe("RL");
    expect(mended.dropped).toHaveLength(dropped);
  });

  it("a job without a corner is not guessed at", () => {
    expect(mendJob({ ...good, setup: { family: "steam" } }, now)).toBeNull();
    expect(mendJob("a job", now)).toBeNull();
  });
});
