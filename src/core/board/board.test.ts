import { describe, expect, it } from "vitest";
import { boardState, carState, inOrder, isOn, rowKey, type BoardRow } from "./board";
import { mergeJobs, stamped } from "../job/merge";
import { jobSchema, type Entry, type Job } from "../job/schema";

const job = (parts: Partial<Job> = {}): Job =>
  jobSchema.parse({
    ...{
      tastatura: "job/4",
      id: "b",
      createdAt: "2026-01-01T00:00:00Z",
      car: { name: "Teal 2" },
      complaint: {},
      policy: {},
    },
    setup: {
      corner: "FL",
      family: "passive",
      path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
    },
    entries: [],
    ...parts,
  });
const reading: Entry = {
  ...{ id: "r", at: "2026-01-01T10:00:00Z", kind: "reading" },
  reading: { instrument: "ohms", red: "plug.out.a", black: "plug.out.b", state: jobState(), value: "1.2 k" },
};
const repair: Entry = {
  ...{ id: "x", at: "2026-01-01T11:00:00Z", kind: "repair", fault: "sensor-open", part: "sensor", words: "sensor" },
  ...{ share: 1, guess: false },
};
const proven: BoardRow = {
  lead: { words: "Coil open", share: 0.999, proven: true, fault: "sensor-open", part: "sensor" },
  next: null,
  parts: [],
  common: {},
};

function jobState() {
  return { key: "off", unplugged: ["plug"], batteryOff: false, wheel: "still" } as const as never;
}

describe("the board", () => {
  it("tells how far a job has come", () => {
    expect(boardState(job(), null)).toBe("open");
    expect(boardState(job(), { ...proven, lead: { ...proven.lead!, proven: false } })).toBe("open");
    expect(boardState(job(), proven)).toBe("proven");
    expect(boardState(job({ entries: [reading, repair] }), proven)).toBe("repaired");
    expect(
      boardState(
        job({ entries: [repair, { id: "u", at: "2026-01-01T12:00:00Z", kind: "retract", entry: "x" }] }),
        proven,
      ),
    ).toBe("proven");
    expect(boardState(job({ archived: true, entries: [repair] }), proven)).toBe("archived");
  });

  it("a job that waits for a part waits, however far it is, until nothing is written there", () => {
    const waits = job({ car: { name: "Teal 2", plate: "", waitingFor: "sensor, ordered" }, entries: [repair] });
    expect(boardState(waits, proven)).toBe("waiting");
    expect(boardState(job({ car: { name: "Teal 2", plate: "", waitingFor: " " } }), proven)).toBe("proven");
    expect(boardState({ ...waits, archived: true }, proven)).toBe("archived");
  });

  it("days are those of the calendar, not of so many hours", () => {
    const now = new Date(2026, 10, 28, 1, 30);
    const at = (day: number, hour: number) => new Date(2026, 10, day, hour).toISOString();
    expect([at(28, 0), at(27, 23), at(27, 2)].map((one) => isOn("today", one, now))).toEqual([true, false, false]);
    expect([at(28, 0), at(27, 23), at(26, 23)].map((one) => isOn("yesterday", one, now))).toEqual([false, true, false]);
    expect([at(28, 0), at(22, 3), at(21, 23)].map((one) => isOn("week", one, now))).toEqual([true, true, false]);
  });

  it("a car has come as far as the corner that is least far", () => {
    const repaired = job({ entries: [repair] });
    expect(carState([{ job: repaired, row: proven }])).toBe("repaired");
    expect(
      carState([
        { job: repaired, row: proven },
        { job: job(), row: proven },
      ]),
    ).toBe("proven");
    expect(
      carState([
        { job: job(), row: proven },
        { job: job(), row: null },
        { job: repaired, row: proven },
      ]),
    ).toBe("open");
    expect(carState([{ job: job({ archived: true }), row: null }])).toBe("archived");
  });

  it("a row is another as soon as a reading, the policy, the language or the model is, and not for the car's name", () => {
    const key = rowKey(job(), "m", "en");
    expect(rowKey(job({ car: { ...job().car, name: "other" } }), "m", "en")).toBe(key);
    for (const other of [
      rowKey(job({ entries: [reading] }), "m", "en"),
      rowKey(job({ policy: { ...job().policy, pierce: !job().policy.pierce } }), "m", "en"),
      rowKey(job(), "m2", "en"),
      rowKey(job(), "m", "de"),
    ])
      expect(other).not.toBe(key);
  });

  it("archived on one machine and worked on at another is both", () => {
    const base = job();
    const put = stamped(base, { ...base, archived: true }, "2026-01-02T00:00:00Z");
    const worked = stamped(base, { ...base, entries: [reading] }, "2026-01-02T00:00:01Z");
    const joined = mergeJobs(put, worked);
    expect(joined.archived).toBe(true);
    expect(joined.entries).toHaveLength(1);
    const back = stamped(joined, { ...joined, archived: false }, "2026-01-03T00:00:00Z");
    expect(mergeJobs(put, back).archived).toBe(false);
  });

  it("orders by work, by name with its number, and by readings", () => {
    const all = [
      job({ id: "a", car: { ...job().car, name: "Teal 10" }, createdAt: "2026-01-03T00:00:00Z" }),
      job({ id: "b", createdAt: "2026-01-02T00:00:00Z", entries: [reading] }),
    ];
    const ids = (order: Parameters<typeof inOrder>[1]) =>
      inOrder(all, order, ({ createdAt }) => createdAt).map(({ id }) => id);
    expect(ids("worked-on")).toEqual(["a", "b"]);
    expect(ids("car")).toEqual(["b", "a"]);
    expect(ids("readings")).toEqual(["b", "a"]);
  });
});
