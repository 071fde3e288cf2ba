/**
 * Random histories of one job on two machines with two tabs each: clocks apart, stores that refuse, tabs killed as they
 * log, files carried over. Against a plain list of what was typed. `npm run histories` runs 10,000.
 */
import "fake-indexeddb/auto";
import fc from "fast-check";
import { IDBFactory } from "fake-indexeddb";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { stamped } from "../core/job/merge";
import { jobSchema, type Entry, type Job } from "../core/job/schema";
import type * as jobsStore from "./jobs";
import type * as journalStore from "./journal";

type JobsStore = typeof jobsStore;
type JournalStore = typeof journalStore;

const RUNS = Number(process.env.HISTORIES ?? 60);

interface Machine {
  indexedDB: IDBFactory;
  localStorage: Storage;
}

interface Tab {
  machine: Machine;
  store: JobsStore & JournalStore;
  /** Seconds its clock is off by. */
  offS: number;
  held: Job | null;
}

const step = fc.oneof(
  fc.record({
    what: fc.constant("log" as const),
    tab: fc.nat(3),
    /** What becomes of it once it is journaled: stored, refused by the store, or the tab dies that moment. */
    fate: fc.constantFrom("stored", "refused", "killed"),
    field: fc.boolean(),
  }),
  fc.record({ what: fc.constant("reread" as const), tab: fc.nat(3) }),
  fc.record({ what: fc.constant("carry" as const), tab: fc.nat(3), to: fc.nat(3) }),
);

let tabs: Tab[];

beforeAll(async () => {
  tabs = [];
  for (const machine of [aMachine(), aMachine()])
    for (const offS of [0, -3600]) {
      vi.resetModules();
      await on(machine, async () => {
        const store = { ...(await import("./jobs")), ...(await import("./journal")) };
        await store.listJobs(); // The package binds the machine's own database when it is first used.
        tabs.push({ machine, store, offS: offS + tabs.length, held: null });
      });
    }
});

afterAll(() => vi.unstubAllGlobals());

describe("two machines with two tabs each on one job", () => {
  it("end the same, with every entry once, whatever happened in between (property)", async () => {
    let run = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 3, maxLength: 14 }), async (steps) => {
        const id = `h${run++}`;
        const typed = new Set<string>();
        const names = [""];
        for (const one of tabs) one.held = null;
        await save(tabs[0]!, anew(id));
        await carry(tabs[0]!, tabs[2]!, id);
        for (const [i, one] of steps.entries()) {
          const tab = tabs[one.tab]!;
          const held = (tab.held ??= await open(tab, id));
          if (one.what === "reread") tab.held = await open(tab, id);
          else if (one.what === "carry") await carry(tab, tabs[one.to]!, id);
          else {
            const changed = one.field
              ? { ...held, car: { ...held.car, name: `name ${i}` } }
              : { ...held, entries: [...held.entries, note(`n${i}`)] };
            if (one.field) names.push(changed.car.name);
            else typed.add(`n${i}`);
            const next = stamped(held, changed, clock(i, tab.offS));
            await on(tab.machine, async () => void tab.store.journalJob(next));
            tab.held = one.fate === "killed" ? null : next;
            if (one.fate === "stored") await save(tab, next);
            if (one.fate === "refused") await refused(tab, next);
          }
        }
        const [first, second] = [await open(tabs[0]!, id), await open(tabs[2]!, id)];
        await carry(tabs[0]!, tabs[2]!, id);
        await carry(tabs[2]!, tabs[0]!, id);
        const ends = [await open(tabs[1]!, id), await open(tabs[3]!, id)];
        expect(ends[0]).toEqual(ends[1]);
        expect(ends[0]!.entries.map((entry) => entry.id).toSorted()).toEqual([...typed].toSorted());
        expect(names).toContain(ends[0]!.car.name);
        const latest = [first, second].map(({ car, stamps }) => [stamps?.name ?? "", car.name] as const).toSorted();
        expect(ends[0]!.car.name).toBe(latest.at(-1)![1]);
      }),
      { numRuns: RUNS },
    );
  });
});

function aMachine(): Machine {
  const kept = new Map<string, string>();
  const localStorage = new Proxy(
    {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => void kept.set(key, text),
      removeItem: (key: string) => void kept.delete(key),
    } as Storage,
    { ownKeys: () => [...kept.keys()], getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) },
  );
  return { indexedDB: new IDBFactory(), localStorage };
}

/** What a tab does, it does on its own machine. */
async function on<T>({ indexedDB, localStorage }: Machine, act: () => Promise<T>): Promise<T> {
  vi.stubGlobal("indexedDB", indexedDB);
  vi.stubGlobal("localStorage", localStorage);
  return act();
}

async function open(tab: Tab, id: string): Promise<Job> {
  return (await on(tab.machine, () => tab.store.loadJob(id)))!;
}

async function save(tab: Tab, job: Job): Promise<void> {
  await on(tab.machine, () => tab.store.saveJob(job));
}

async function refused(tab: Tab, job: Job): Promise<void> {
  const put = vi.spyOn(IDBObjectStore.prototype, "put").mockImplementationOnce(() => {
    throw new DOMException("no room", "QuotaExceededError");
  });
  await expect(save(tab, job)).rejects.toThrow();
  put.mockRestore();
}

/** A job exported from one machine and taken in on another. */
async function carry(from: Tab, to: Tab, id: string): Promise<void> {
  await save(to, jobSchema.parse(JSON.parse(JSON.stringify(await open(from, id)))));
}

function anew(id: string): Job {
  return jobSchema.parse({
    ...{ tastatura: "job/4", id, createdAt: "2026-01-01T00:00:00Z", car: { name: "" }, complaint: {}, policy: {} },
    setup: {
      corner: "FL",
      family: "passive",
      path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
    },
    entries: [],
  });
}

function note(id: string): Entry {
  return { id, at: "2026-01-01T00:00:00.000Z", kind: "note", text: id };
}

function clock(second: number, offS: number): string {
  return new Date(Date.UTC(2026, 0, 2, 0, 0, second + offS)).toISOString();
}
