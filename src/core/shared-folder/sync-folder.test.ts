/**
 * Two to four browsers on one folder, its files carried between them late, torn, doubled and under other names, clocks
 * apart. Against a plain set of what was typed.
 */
import fc from "fast-check";
import { strToU8 } from "fflate";
import { describe, expect, it } from "vitest";
import { UnusableInput, type Capture } from "../capture/capture";
import { packCapture, unpackCapture } from "../job-file/capture-pack";
import { mergeJobs, stamped } from "../job/merge";
import { jobSchema, type Entry, type Job } from "../job/schema";
import { syncedWords } from "./synced-words";
import type { FolderShelf, SharedFolder } from "./shared-folder";
import { syncFolder, type FolderMemory, type Shop } from "./sync-folder";

interface Written {
  bytes: Uint8Array;
  modified: number;
}

/** One machine's copy of the folder, as a service that carries files about leaves it there. */
class Mirror implements SharedFolder {
  readonly files = new Map<string, Written>();
  private readonly older = new Map<string, Uint8Array>();
  /** An older version lies there again, as the newest. */
  putBack(path: string): void {
    const bytes = this.older.get(path);
    if (bytes) this.files.set(path, { bytes, modified: ++ticks });
  }
  async list(shelf: FolderShelf) {
    return [...this.files].flatMap(([path, { bytes, modified }]) =>
      path.startsWith(`${shelf}/`) ? [{ name: path.slice(shelf.length + 1), bytes: bytes.length, modified }] : [],
    );
  }
  async read(shelf: FolderShelf, name: string) {
    return this.files.get(`${shelf}/${name}`)!.bytes;
  }
  async write(shelf: FolderShelf, name: string, bytes: Uint8Array) {
    const before = this.files.get(`${shelf}/${name}`);
    if (before) this.older.set(`${shelf}/${name}`, before.bytes);
    this.files.set(`${shelf}/${name}`, { bytes, modified: ++ticks });
  }
  /** What the other has newer comes here; `tornAt` of a hundred of each file's bytes for now. */
  carryFrom(other: Mirror, tornAt = 100): void {
    for (const [path, { bytes, modified }] of other.files) {
      if ((this.files.get(path)?.modified ?? -1) >= modified) continue;
      const cut = tornAt < 100 ? bytes.slice(0, Math.floor((bytes.length * tornAt) / 100)) : bytes;
      // What is not whole yet is older than the whole.
      this.files.set(path, { bytes: cut, modified: tornAt < 100 ? modified - 0.5 : modified });
    }
  }
}

let ticks = 0;

class Browser {
  readonly kept = new Map<string, Job>();
  readonly captures = new Map<string, Capture>();
  readonly mirror = new Mirror();
  memory: FolderMemory;
  constructor(author: string) {
    this.memory = { author, seen: {}, written: {}, met: [] };
  }
  readonly shop: Shop = {
    jobs: async () => [...this.kept.values()],
    join: async (job) => {
      const own = this.kept.get(job.id);
      this.kept.set(job.id, own ? mergeJobs(own, job) : job);
    },
    attachments: [
      {
        shelf: "captures",
        idsIn: (job) => job.entries.flatMap((one) => (one.kind === "capture" ? [one.captureId] : [])),
        isHere: async (id) => this.captures.has(id),
        files: async (id) =>
          packCapture(id, this.captures.get(id)!)
            .map(([name, bytes]): [string, Uint8Array] => [name.replace("captures/", ""), bytes])
            .reverse(),
        names: (id) => [`${id}.f32`, `${id}.json`],
        keep: async (id, files) => {
          const inZip = Object.fromEntries([...files].map(([name, bytes]) => [`captures/${name}`, bytes]));
          const capture = unpackCapture(inZip, id, "folder");
          if (!capture) throw new UnusableInput("not whole");
          this.captures.set(id, capture);
        },
      },
    ],
  };
  async sync() {
    const done = await syncFolder(this.mirror, this.shop, this.memory);
    this.memory = done.memory;
    return done;
  }
}

const anew = (id: string): Job =>
  jobSchema.parse({
    tastatura: "job/4",
    id,
    createdAt: "2026-01-01T08:00:00Z",
    car: { name: "Lisk Sandpiper 5" },
    setup: {
      corner: "FL",
      family: "passive",
      path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
    },
    complaint: {},
    policy: {},
    entries: [],
  });
const at = (tick: number, offS: number) => new Date(Date.UTC(2026, 0, 2) + 1000 * (tick + offS)).toISOString();
const note = (id: string): Entry => ({ kind: "note", id, at: "2026-01-01T08:00:00Z", text: id });

const step = fc.record({
  what: fc.constantFrom(
    "note",
    "name",
    "capture",
    "sync",
    "sync",
    "carry",
    "torn",
    "double",
    "rename",
    "strange",
    "old",
  ),
  who: fc.nat(3),
  to: fc.nat(3),
});

describe("browsers on one folder", () => {
  it("end with the same jobs, each entry once and every recording, whatever the folder went through (property)", async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 2, max: 4 }),
        fc.array(step, { minLength: 4, maxLength: 24 }),
        async (count, steps) => {
          const browsers = Array.from({ length: count }, (_, i) => new Browser(`b${i}`));
          const typed = new Set<string>();
          browsers[0]!.kept.set("j1", anew("j1"));
          for (const [i, { what, who, to }] of steps.entries()) {
            const one = browsers[who % count]!;
            const other = browsers[to % count]!;
            const job = one.kept.get("j1");
            const change = (after: (job: Job) => Job) =>
              job && one.kept.set("j1", stamped(job, after(job), at(i, 700 * (who % count)), `p${who % count}`));
            if (what === "note" && job) typed.add(`n${i}`);
            if (what === "note") change((now) => ({ ...now, entries: [...now.entries, note(`n${i}`)] }));
            if (what === "name") change((now) => ({ ...now, car: { ...now.car, name: `name ${i}` } }));
            if (what === "capture" && job) {
              typed.add(`n${i}`);
              one.captures.set(`c${i}`, recording(i));
              const reading = { instrument: "scope", point: "plug.out.a", finding: "clean", state: {} };
              const entry = { kind: "capture", id: `n${i}`, at: at(i, 0), captureId: `c${i}`, name: "spin", reading };
              change((now) => jobSchema.parse({ ...now, entries: [...now.entries, entry] }));
            }
            if (what === "sync") await one.sync();
            if (what === "carry") other.mirror.carryFrom(one.mirror);
            if (what === "torn") other.mirror.carryFrom(one.mirror, (17 * i) % 100);
            const [path, file] = [...one.mirror.files].find(([name]) => name.startsWith("jobs/")) ?? [];
            if (what === "double" && path) one.mirror.files.set(path.replace(".json", " (2).json"), { ...file! });
            if (what === "rename" && path) {
              one.mirror.files.delete(path);
              one.mirror.files.set(`jobs/copy of ${i}.json`, file!);
            }
            if (what === "old" && job) {
              typed.add(`n${i}`);
              change((now) => ({ ...now, entries: [...now.entries, note(`n${i}`)] }));
              await one.sync();
              one.mirror.putBack(`jobs/j1~b${who % count}.json`);
            }
            if (what === "strange")
              one.mirror.files.set(`jobs/${i}.json`, {
                bytes: strToU8(["{", "[1]", '{"tastatura":"job/9"}'][i % 3]!),
                modified: ++ticks,
              });
          }
          for (let round = 0; round < 3; round++)
            for (const one of browsers) {
              await one.sync();
              for (const other of browsers) if (other !== one) other.mirror.carryFrom(one.mirror);
            }
          for (const one of browsers) await one.sync();
          const ends = browsers.map(({ kept }) => kept.get("j1")!);
          for (const end of ends) expect(end).toEqual(ends[0]);
          expect(ends[0]!.entries.map(({ id }) => id).toSorted()).toEqual([...typed].toSorted());
          for (const { by } of ends[0]!.entries) expect(by).toMatch(/^p\d$/);
          for (const { captures } of browsers)
            for (const entry of ends[0]!.entries)
              if (entry.kind === "capture")
                expect(captures.get(entry.captureId)).toEqual(recording(Number(entry.captureId.slice(1))));
          // Quiet once all is said.
          for (const one of browsers) expect(await one.sync()).toMatchObject({ taken: 0, written: 0 });
        },
      ),
      { numRuns: Number(process.env.FOLDER_RUNS ?? 150) },
    );
  });

  it("what was deleted here is not taken in again, strange files are named, the demo's cars stay at home", async () => {
    const [one, other] = [new Browser("a"), new Browser("b")];
    one.kept.set("j1", anew("j1"));
    one.kept.set("demo", { ...anew("demo"), simulated: { fault: "nothing@none", seed: 1, intermittent: false } });
    expect(syncedWords(await one.sync())).toBe("1 written");
    other.mirror.carryFrom(one.mirror);
    expect(syncedWords(await other.sync())).toBe("1 taken in, 1 written");
    expect([...other.kept.keys()]).toEqual(["j1"]);
    other.kept.delete("j1");
    one.mirror.files.set("jobs/holiday.json", { bytes: strToU8('{"beach":1}'), modified: ++ticks });
    one.kept.set("j1", stamped(one.kept.get("j1")!, { ...one.kept.get("j1")!, archived: true }, at(1, 0)));
    await one.sync();
    other.mirror.carryFrom(one.mirror);
    const { taken, notRead } = await other.sync();
    expect(taken).toBe(0);
    expect(other.kept.size).toBe(0);
    expect(notRead.map(({ name }) => name)).toEqual(["holiday.json"]);
    expect(notRead[0]!.why).toContain("holiday.json");
  });
});

function recording(i: number): Capture {
  return {
    name: "spin",
    sampleS: 0.001,
    startS: 0,
    channels: [{ name: "signal", unit: "V", samples: Float32Array.from({ length: 40 }, (_, k) => Math.sin(k + i)) }],
  };
}
