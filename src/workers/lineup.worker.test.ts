/** The worker keeps one line-up and adds to it; what it says must be what a line-up made afresh would say. */
import { beforeEach, describe, expect, it, vi } from "vitest";
import { diagnosisOf, rankingOf } from "../core/bench/diagnosis";
import { progressOf } from "../core/bench/progress";
import { replay } from "../core/job/replay";
import { jobSchema, type Entry, type Job } from "../core/job/schema";
import type { LineUpWorker } from "./lineup.worker";

let worker: LineUpWorker;
vi.mock("comlink", () => ({ expose: (api: LineUpWorker) => (worker = api) }));

beforeEach(async () => {
  vi.resetModules();
  await import("./lineup.worker");
});

const readings: [string, object, string][] = [
  ["a", { instrument: "volts-dc", red: "c1.out.supply", black: "battery.negative", state: { key: "on" } }, "11.2 V"],
  ["b", { instrument: "volts-dc", red: "c1.out.return", black: "battery.negative", state: { key: "on" } }, "0.84 V"],
  ["c", { instrument: "eyes", look: "ring", state: { key: "off" } }, "intact"],
];
const entry = ([id, reading, value]: (typeof readings)[number]): Entry =>
  ({ id, at: `2026-01-01T10:0${id.charCodeAt(0) - 97}:00Z`, kind: "reading", reading: { ...reading, value } }) as Entry;
const job = (entries: Entry[], parts: object = {}): Job =>
  jobSchema.parse({
    tastatura: "job/3",
    id: "j",
    createdAt: "2026-01-01T09:00:00Z",
    car: { name: "Sallow Plover 11" },
    setup: {
      corner: "RR",
      family: "active-2wire",
      path: [
        { station: "module" },
        { spanM: 1, mm2: 0.5 },
        { station: "c1" },
        { spanM: 2, mm2: 0.5 },
        { station: "plug" },
      ],
    },
    complaint: {},
    policy: {},
    entries,
    ...parts,
  });
const shares = (suspects: { id: string; share: number }[]) =>
  Object.fromEntries(suspects.map(({ id, share }) => [id, Number(share.toFixed(9))]));
const afresh = (one: Job) => shares(rankingOf(replay(one)).suspects);
const [a, b, c] = readings.map(entry) as [Entry, Entry, Entry];

describe("the line-up behind a page", () => {
  it("grows by the newest reading and says what one made afresh says", () => {
    for (const entries of [[], [a], [a, b], [a, b, c]]) {
      const one = job(entries);
      expect(shares(worker.rank(one).suspects)).toEqual(afresh(one));
    }
  });

  it("a reading taken back, changed or put before others is as if it had always been so", () => {
    worker.rank(job([a, b, c]));
    const back: Entry = { id: "r", at: "2026-01-01T10:09:00Z", kind: "retract", entry: "b" };
    const without = job([a, b, c, back]);
    expect(shares(worker.rank(without).suspects)).toEqual(afresh(without));
    const other = job([a, c]);
    expect(shares(worker.rank(other).suspects)).toEqual(afresh(other));
    expect(shares(worker.rank(without).suspects)).toEqual(shares(worker.rank(other).suspects));
  });

  it("another complaint, set-up or job starts again", () => {
    worker.rank(job([a]));
    for (const parts of [
      { complaint: { presence: "intermittent" } },
      { id: "k" },
      { setup: { ...job([]).setup, supplyV: 8 } },
    ]) {
      const one = job([a], parts);
      expect(shares(worker.rank(one).suspects)).toEqual(afresh(one));
    }
  });

  it("proposes what the command line proposes, and previews without keeping", () => {
    const one = job([a, b]);
    const lineUp = replay(one);
    const expected = diagnosisOf(lineUp, one.policy, progressOf(one));
    const said = worker.diagnose(one);
    expect(said.next.map(({ id }) => id)).toEqual(expected.next.map(({ id }) => id));
    const before = shares(worker.rank(one).suspects);
    const { hookup } = said.next[0]!;
    const words = said.next[0]!.answers?.words;
    expect(worker.preview(one, hookup, words?.[0] ?? "1.2")).not.toBeNull();
    expect(worker.preview(one, hookup, "??")).toBeNull();
    expect(worker.strip(one, hookup).rows.length).toBeGreaterThan(2);
    expect(shares(worker.rank(one).suspects)).toEqual(before);
  });

  it("reads no instrument on a real car, and the loom with and without piercing", () => {
    const one = job([a]);
    expect(
      worker.readSimulated(one, {
        instrument: "eyes",
        look: "ring",
        state: one.entries[0]!.kind === "reading" ? one.entries[0]!.reading.state : never(),
      }),
    ).toBeNull();
    expect(worker.recordSimulated(one, [], false)).toBeNull();
    const { places, connectorsOnly, withPiercing, halvingMinutes } = worker.loom(one);
    expect(halvingMinutes).toBeGreaterThan(0);
    expect(places.length).toBeGreaterThan(0);
    expect(connectorsOnly?.pierces ?? false).toBe(false);
    expect(withPiercing).not.toBeNull();
  });
});

function never(): never {
  throw new Error("a reading was expected");
}
