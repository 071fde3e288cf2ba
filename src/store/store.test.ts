import "fake-indexeddb/auto";
import fc from "fast-check";
import localforage from "localforage";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Diagnosis } from "../core/bench/diagnosis";
import { Watch } from "../core/capture/watch";
import { jobSchema, type Entry, type Job } from "../core/job/schema";
import { keepWatch, keptWatch } from "./watches";

/** Each call is a browser tab of its own: the module afresh over the same store. */
async function tab() {
  vi.resetModules();
  return import("./jobs");
}

const empty = (id: string): Job =>
  jobSchema.parse({
    tastatura: "job/4",
    id,
    createdAt: "2026-01-01T00:00:00Z",
    car: { name: "car" },
    setup: {
      corner: "FL",
      family: "passive",
      path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
    },
    complaint: {},
    policy: {},
    entries: [],
  });
const note = (id: string, minute: number): Entry => ({
  id,
  at: `2026-01-01T10:${String(minute).padStart(2, "0")}:00Z`,
  kind: "note",
  text: id,
});

afterEach(() => vi.restoreAllMocks());

describe("the store", () => {
  it("opens a job that an earlier version stored, and keeps it in today's form once it is touched", async () => {
    const { saveJob, loadJob, listJobs } = await tab();
    await saveJob(empty("aged"));
    const skip = { id: "s", at: "2026-01-01T09:00:00Z", kind: "skip", check: "c", reason: "not raised now: tyres" };
    const shelf = localforage.createInstance({ name: "tastatura", storeName: "jobs" });
    await shelf.setItem("aged", { ...empty("aged"), tastatura: "job/1", entries: [skip] });
    const aged = (await loadJob("aged"))!;
    expect(aged.entries[0]).toMatchObject({ reason: "not raised now", label: "tyres" });
    expect((await listJobs()).jobs.map(({ id }) => id)).toContain("aged");
    await saveJob({ ...aged, entries: [...aged.entries, note("later", 1)] });
    expect(await shelf.getItem("aged")).toMatchObject({ tastatura: "job/4", entries: [{ id: "s" }, { id: "later" }] });
  });

  it("gives back what was said of a job while all it was said of is the same, and nothing of a deleted one", async () => {
    const { saveJob, removeJob } = await tab();
    const { keepDiagnosis, keptDiagnosis } = await import("./diagnoses");
    const job = empty("said");
    await saveJob(job);
    const said = { suspects: [], ruledOut: 7 } as unknown as Diagnosis;
    await keepDiagnosis(job, "now", said);
    expect(await keptDiagnosis(job, "came")).toEqual(said);
    expect(await keptDiagnosis({ ...job, car: { ...job.car, name: "other" } }, "now")).toEqual(said);
    expect(await keptDiagnosis({ ...job, entries: [note("n", 1)] }, "now")).toBeNull();
    expect(await keptDiagnosis({ ...job, beside: [empty("other")] }, "now")).toBeNull();
    const repair = { id: "r", at: "2026-01-01T11:00:00Z", kind: "repair", part: "sensor" } as Entry;
    const repaired = { ...job, entries: [repair] };
    await keepDiagnosis(repaired, "now", said);
    expect(await keptDiagnosis(repaired, "now")).toEqual(said);
    expect(await keptDiagnosis(repaired, "came")).toBeNull();
    await removeJob("said");
    expect(await keptDiagnosis(repaired, "now")).toBeNull();
  });

  it("two tabs on one job lose nothing of each other, whatever the order (against a plain set as model)", async () => {
    let run = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ who: fc.nat(1), rereads: fc.boolean() }), { maxLength: 14 }),
        async (steps) => {
          const id = `job${run++}`;
          const tabs = [await tab(), await tab()];
          const held = [empty(id), empty(id)];
          await tabs[0]!.saveJob(held[0]!);
          const model = new Set<string>();
          for (const [i, { who, rereads }] of steps.entries()) {
            if (rereads) held[who] = (await tabs[who]!.loadJob(id))!;
            held[who] = { ...held[who]!, entries: [...held[who]!.entries, note(`n${i}`, i)] };
            model.add(`n${i}`);
            await tabs[who]!.saveJob(held[who]!);
          }
          const stored = await (await tab()).loadJob(id);
          expect(new Set(stored!.entries.map((entry) => entry.id))).toEqual(model);
          expect(stored!.entries.map(({ at }) => at)).toEqual(stored!.entries.map(({ at }) => at).sort());
        },
      ),
      { numRuns: 25 },
    );
  });

  it("a screen opened in haste sees the save that was still under way", async () => {
    const { saveJob, loadJob } = await tab();
    const slow = saveJob({ ...empty("haste"), car: { name: "newest", plate: "" } });
    expect((await loadJob("haste"))!.car.name).toBe("newest");
    await slow;
  });

  it("a write the browser refuses is told, and the next one goes through", async () => {
    const { saveJob, loadJob } = await tab();
    await saveJob(empty("full"));
    const refuse = vi.spyOn(IDBObjectStore.prototype, "put").mockImplementationOnce(() => {
      throw new DOMException("no room", "QuotaExceededError");
    });
    const job = { ...empty("full"), entries: [note("a", 1)] };
    await expect(saveJob(job)).rejects.toThrow();
    refuse.mockRestore();
    await saveJob(job);
    expect((await loadJob("full"))!.entries).toHaveLength(1);
  });

  it("a record this version cannot read is named and left where it is", async () => {
    const raw = localforage.createInstance({ name: "tastatura", storeName: "jobs" });
    await raw.setItem("future", { tastatura: "job/99", secret: 1 });
    const { listJobs } = await tab();
    const { unreadable } = await listJobs();
    expect(unreadable.map(({ id }) => id)).toContain("future");
    expect(await raw.getItem("future")).toEqual({ tastatura: "job/99", secret: 1 });
    await raw.removeItem("future");
  });

  it("the demo goes only into an empty store, once", async () => {
    const { removeJob, listJobs } = await tab();
    const { seedDemo } = await import("./seed-demo");
    const load = vi.fn(async () => ({ jobs: [empty("demo")], captures: [], scans: [] }));
    expect(await seedDemo(load)).toBe(false);
    expect(load).not.toHaveBeenCalled();
    for (const { id } of (await listJobs()).jobs) await removeJob(id);
    expect(await seedDemo(load)).toBe(true);
    for (const { id } of (await listJobs()).jobs) await removeJob(id);
    expect(await seedDemo(load)).toBe(false);
  });

  it("library, profiles and scans come back as they were kept", async () => {
    vi.resetModules();
    const { keepInLibrary, listLibrary } = await import("./library");
    const { saveProfile, listProfiles } = await import("./profiles");
    const { addCaptures, loadCapture, saveScan, loadScan } = await import("./captures");
    const capture = {
      name: "Drover 09",
      sampleS: 1e-3,
      startS: 0,
      channels: [{ name: "s", unit: "V" as const, samples: Float32Array.of(1, 2) }],
    };
    await keepInLibrary(
      {
        id: "i",
        captureId: "c",
        kind: "known-good",
        model: "Drover",
        family: "passive",
        pulses: 48,
        finding: "clean",
        at: "2026",
        simulated: false,
      },
      capture,
    );
    expect((await listLibrary())[0]).toMatchObject({ model: "Drover" });
    expect((await loadCapture("c"))!.name).not.toContain("09");
    // What a file brings under a name that is taken does not take its place.
    await addCaptures(["c", "new"].map((id) => ({ id, capture: { ...capture, name: "from a file" } })));
    expect((await loadCapture("c"))!.name).not.toBe("from a file");
    expect((await loadCapture("new"))!.name).toBe("from a file");
    await saveProfile({ tastatura: "profile/1", id: "p", name: "Drover", setup: empty("x").setup });
    expect((await listProfiles()).map(({ name }) => name)).toEqual(["Drover"]);
    const log = {
      name: "l",
      timeS: Float64Array.of(0),
      speedKmh: { FL: Float64Array.of(1), FR: Float64Array.of(1), RL: Float64Array.of(NaN), RR: Float64Array.of(1) },
    };
    await saveScan("s", log);
    expect((await loadScan("s"))!.speedKmh.RL[0]).toBeNaN();
  });

  it("copies are made twice a day, survive a clock moved back, and bring back without taking away", async () => {
    vi.resetModules();
    const { listJobs, removeJob, saveJob, loadJob } = await import("./jobs");
    const { listSnapshots, restoreSnapshot, snapshotIfDue } = await import("./snapshots");
    for (const { id } of (await listJobs()).jobs) await removeJob(id);
    const note = (id: string) => ({ id, at: "2026-01-01T00:00:00Z", kind: "note" as const, text: id });
    await saveJob({ ...empty("kept"), entries: [note("a")] });
    await saveJob(empty("lost"));
    expect(await snapshotIfDue(new Date("2026-03-01T08:00:00Z"))).toBe(true);
    expect(await snapshotIfDue(new Date("2026-03-01T15:00:00Z"))).toBe(false);
    await removeJob("lost");
    await saveJob({ ...empty("kept"), entries: [note("a"), note("b")] });
    expect(await restoreSnapshot((await listSnapshots())[0]!)).toEqual({ returned: 1, joined: 1 });
    expect((await loadJob("lost"))!.id).toBe("lost");
    expect((await loadJob("kept"))!.entries.map(({ id }) => id)).toEqual(["a", "b"]);
    expect(await snapshotIfDue(new Date("2026-01-05T08:00:00Z"))).toBe(true);
    for (let day = 2; day < 14; day++) await snapshotIfDue(new Date(Date.UTC(2026, 3, day)));
    expect(await listSnapshots()).toHaveLength(8);
  });
});

describe("a watch", () => {
  it("kept by an older page, of one channel and without marks, is gone on with", async () => {
    const watches = localforage.createInstance({ name: "tastatura", storeName: "watches" });
    const [least, greatest] = [Float32Array.of(1, 2), Float32Array.of(3, 4)];
    await watches.setItem("old", { at: Date.now(), watch: { watchedS: 2, missedS: 0, caught: 1, least, greatest } });
    const before = (await keptWatch("old"))!;
    const watch = new Watch(undefined, before);
    expect([watch.count, watch.least, watch.greatest, watch.marks]).toEqual([1, [[1, 2]], [[3, 4]], []]);
    await keepWatch("old", watch.keep());
    expect((await keptWatch("old"))!.kept).toEqual(watch.keep());
  });
});

describe("what was typed and not yet stored", () => {
  const shelf = new Map<string, string>();
  const storage = {
    getItem: (key: string) => shelf.get(key) ?? null,
    setItem: (key: string, value: string) => void shelf.set(key, value),
    removeItem: (key: string) => void shelf.delete(key),
  };
  /** As a browser has it: keys of the store are its own keys. */
  const local = new Proxy(storage, {
    ownKeys: () => [...shelf.keys()],
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
  });

  it("is found by the next tab after this one was killed, and forgotten once it is stored", async () => {
    vi.stubGlobal("localStorage", local);
    const { saveJob } = await tab();
    await saveJob(empty("killed"));
    const { journalJob } = await import("./journal");
    expect(journalJob({ ...empty("killed"), entries: [note("last-key", 5)] })).toBe(true);
    const next = await tab();
    expect((await next.listJobs()).jobs.find(({ id }) => id === "killed")!.entries).toHaveLength(1);
    expect((await next.loadJob("killed"))!.entries.map(({ id }) => id)).toEqual(["last-key"]);
    expect(shelf.size).toBe(0);
    vi.unstubAllGlobals();
  });

  it("a store that refuses still opens what the journal holds", async () => {
    vi.stubGlobal("localStorage", local);
    const { saveJob } = await tab();
    await saveJob(empty("full"));
    const { journalJob } = await import("./journal");
    journalJob({ ...empty("full"), entries: [note("kept", 6)] });
    const next = await tab();
    vi.spyOn(localforage, "createInstance").mockImplementation(
      () =>
        ({
          ready: () => Promise.resolve(),
          getItem: () => Promise.resolve(empty("full")),
          setItem: () => Promise.reject(new Error("full")),
        }) as never,
    );
    expect((await next.loadJob("full"))!.entries.map(({ id }) => id)).toEqual(["kept"]);
    expect(shelf.size).toBe(1);
    shelf.clear();
    vi.unstubAllGlobals();
  });

  it("a browser without any store holds all while its page is open, and says why", async () => {
    const next = await tab();
    vi.spyOn(localforage, "createInstance").mockImplementation(
      () => ({ ready: () => Promise.reject(new Error("No available storage method found.")) }) as never,
    );
    await next.saveJob({ ...empty("held"), entries: [note("here", 7)] });
    const back = (await next.loadJob("held"))!;
    expect(back.entries.map(({ id }) => id)).toEqual(["here"]);
    back.entries.length = 0;
    expect((await next.listJobs()).jobs.map(({ id, entries }) => [id, entries.length])).toEqual([["held", 1]]);
    const { whyNothingKept } = await import("./shelf");
    expect(whyNothingKept()).toMatch(/No available storage/);
  });

  it("a record that does not read is kept aside when a mended one takes its place", async () => {
    const { saveJob } = await tab();
    const jobs = localforage.createInstance({ name: "tastatura", storeName: "jobs" });
    await jobs.setItem("torn", { half: "a job" });
    await saveJob(empty("torn"));
    const aside = localforage.createInstance({ name: "tastatura", storeName: "aside" });
    const kept = (await aside.keys()).find((key) => key.startsWith("torn "))!;
    expect(await aside.getItem(kept)).toEqual({ half: "a job" });
  });
});
