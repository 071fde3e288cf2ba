/** The worker keeps one line-up and adds to it; what it says must be what a line-up made afresh would say. */
import { beforeAll, describe, expect, it, vi } from "vitest";
import { diagnosisOf, rankingOf } from "../core/bench/diagnosis";
import { progressOf } from "../core/bench/progress";
import { checkpointOf, resumeFrom, type JobCheckpoint } from "../core/replay/checkpoint";
import { observationsOf } from "../core/replay/observations";
import { replay } from "../core/replay/replay";
import { jobSchema, type Entry, type Job } from "../core/job/schema";
import type { LineUpWorker } from "./lineup.worker";

let worker: LineUpWorker;
const kept = new Map<string, JobCheckpoint>();
vi.mock("../store/checkpoints", () => ({
  keptCheckpoint: (id: string) => Promise.resolve(kept.get(id) ?? null),
  keepCheckpoint: (id: string, one: JobCheckpoint) => Promise.resolve(void kept.set(id, one)),
}));
vi.mock("comlink", () => ({ expose: (api: LineUpWorker) => (worker = api) }));

beforeAll(async () => {
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
    tastatura: "job/4",
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
  it("grows by the newest reading and says what one made afresh says", async () => {
    for (const entries of [[], [a], [a, b], [a, b, c]]) {
      const one = job(entries);
      expect(shares((await worker.rank(one)).suspects)).toEqual(afresh(one));
    }
  });

  it("a reading taken back, changed or put before others is as if it had always been so", async () => {
    await worker.rank(job([a, b, c]));
    const back: Entry = { id: "r", at: "2026-01-01T10:09:00Z", kind: "retract", entry: "b" };
    const without = job([a, b, c, back]);
    expect(shares((await worker.rank(without)).suspects)).toEqual(afresh(without));
    const other = job([a, c]);
    expect(shares((await worker.rank(other)).suspects)).toEqual(afresh(other));
    expect(shares((await worker.rank(without)).suspects)).toEqual(shares((await worker.rank(other)).suspects));
  });

  it("another complaint, set-up or job starts again", async () => {
    await worker.rank(job([a]));
    for (const parts of [
      { complaint: { presence: "intermittent" } },
      { id: "k" },
      { setup: { ...job([]).setup, supplyV: 8 } },
    ]) {
      const one = job([a], parts);
      expect(shares((await worker.rank(one)).suspects)).toEqual(afresh(one));
    }
  });

  it("proposes what the command line proposes, and previews without keeping", async () => {
    const one = job([a, b]);
    const lineUp = replay(one);
    const expected = diagnosisOf(lineUp, one.policy, progressOf(one));
    const said = await worker.diagnose(one);
    expect(said.next.map(({ id }) => id)).toEqual(expected.next.map(({ id }) => id));
    const before = shares((await worker.rank(one)).suspects);
    const { hookup } = said.next[0]!;
    const words = said.next[0]!.answers?.words;
    expect(await worker.preview(one, hookup, words?.[0] ?? "1.2")).not.toBeNull();
    expect(await worker.preview(one, hookup, "??")).toBeNull();
    expect((await worker.strip(one, hookup)).rows.length).toBeGreaterThan(2);
    expect(shares((await worker.rank(one)).suspects)).toEqual(before);
  });

  it("reads no instrument on a real car, and the loom with and without piercing", async () => {
    const one = job([a]);
    expect(
      worker.readSimulated(one, {
        instrument: "eyes",
        look: "ring",
        state: one.entries[0]!.kind === "reading" ? one.entries[0]!.reading.state : never(),
      }),
    ).toBeNull();
    expect(worker.recordSimulated(one, [], false)).toBeNull();
    const { places, connectorsOnly, withPiercing, halvingMinutes } = await worker.loom(one);
    expect(halvingMinutes).toBeGreaterThan(0);
    expect(places.length).toBeGreaterThan(0);
    expect(connectorsOnly?.pierces ?? false).toBe(false);
    expect(withPiercing).not.toBeNull();
  });
});

describe("a long log", () => {
  const long = Array.from({ length: 14 }, (_, i) => {
    const [, reading, value] = readings[i % 2]!;
    const state = { key: "on", wheel: i % 4 < 2 ? "still" : "creep" };
    return { ...entry(["a", { ...reading, state }, value]), id: `n${i}`, at: `2026-01-01T10:${10 + i}:00Z` } as Entry;
  });

  it("is taken up where it was left, and goes on as one weighed from the start", async () => {
    kept.clear();
    vi.useFakeTimers();
    await worker.rank(job(long));
    await vi.runAllTimersAsync();
    vi.useRealTimers();
    expect(kept.size).toBe(1);
    vi.resetModules();
    await import("./lineup.worker");
    const { Belief } = await import("../core/belief/belief");
    const learned = vi.spyOn(Belief.prototype, "learn");
    const longer = job([...long, { ...c, id: "last", at: "2026-01-01T11:00:00Z" } as Entry]);
    const { suspects } = await worker.rank(longer);
    expect(learned).toHaveBeenCalledTimes(1);
    learned.mockRestore();
    const whole = afresh(longer);
    for (const { id, share } of suspects) expect(Math.abs(share - whole[id]!)).toBeLessThan(1e-6);
  });

  it("is weighed anew where what was kept is damaged", async () => {
    const one = job([a, b]);
    const { read } = observationsOf(one);
    const whole = checkpointOf(one, "", replay(one), read);
    const expected = afresh(one);
    for (const state of [
      { ...whole.state, weight: whole.state.weight.slice(1) },
      { ...whole.state, covariances: [] },
      { ...whole.state, pairs: [["no-such@place", "nothing@none", 0.1]] as [string, string, number][] },
    ]) {
      const told = vi.fn();
      const belief = replay(one, { resume: resumeFrom({ ...whole, state }, one, "", read), told });
      expect(told).toHaveBeenCalledTimes(2);
      expect(shares(rankingOf(belief).suspects)).toEqual(expected);
    }
  });

  it("is weighed anew where model, car or an early reading is another", () => {
    const one = job(long);
    const { read } = observationsOf(one);
    const checkpoint = checkpointOf(one, "m1", replay(one), read);
    expect(resumeFrom(checkpoint, one, "m1", read)?.log.length).toBe(14);
    expect(resumeFrom(checkpoint, one, "m2", read)).toBeNull();
    expect(resumeFrom(checkpoint, { ...one, setup: { ...one.setup, supplyV: 8 } }, "m1", read)).toBeNull();
    expect(resumeFrom(checkpoint, one, "m1", read.slice(1))).toBeNull();
  });
});

function never(): never {
  throw new Error("a reading was expected");
}
