/** Two copies of one job joined: against what each of them says, in any order. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cornerJob, withCorner, withCornerJob, withoutCorner } from "./corner-in-work";
import { laterThan, mergeJobs, stamped } from "./merge";
import { jobSchema, type Entry, type Job } from "./schema";

const base = jobSchema.parse({
  ...{ tastatura: "job/4", id: "m", createdAt: "2026-01-01T00:00:00Z", car: { name: "" }, complaint: {}, policy: {} },
  setup: {
    corner: "FL",
    family: "passive",
    path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
  },
  entries: [],
});
const note = (id: string): Entry => ({ id, at: "2026-01-01T00:00:00.000Z", kind: "note", text: id });
const clock = (second: number) => new Date(Date.UTC(2026, 0, 2, 0, 0, second)).toISOString();

interface Step {
  who: number;
  what: "name" | "plate" | "note" | "entry" | "tyre" | "corner";
  /** Seconds the writer's clock shows: clocks differ and jump. */
  second: number;
}
const steps = fc.array(
  fc.record<Step>({
    who: fc.nat(2),
    what: fc.constantFrom("name", "plate", "note", "entry", "tyre", "corner"),
    second: fc.nat(60),
  }),
  { maxLength: 12 },
);

/** Three writers, each on a copy of its own, never having seen the others'. */
function written(all: readonly Step[]): Job[] {
  const copies = [base, base, base];
  all.forEach(({ who, what, second }, i) => {
    const job = copies[who]!;
    const text = `${what} ${i} by ${who}`;
    const changes: Record<Step["what"], () => Job> = {
      entry: () => ({ ...job, entries: [...job.entries, note(`e${i}`)] }),
      note: () => ({ ...job, complaint: { ...job.complaint, note: text } }),
      tyre: () => ({ ...job, setup: { ...job.setup, tyre: text } }),
      // Another corner is taken in, out again, and has a tyre of its own.
      corner: () => {
        const other = withCorner(job, "RR");
        const own = cornerJob(other, "RR")!;
        return i % 3 === 0
          ? withoutCorner(other, "RR")
          : withCornerJob(other, "RR", { ...own, setup: { ...own.setup, tyre: text } });
      },
      name: () => ({ ...job, car: { ...job.car, name: text } }),
      plate: () => ({ ...job, car: { ...job.car, plate: text } }),
    };
    copies[who] = stamped(job, changes[what](), clock(second));
  });
  return copies;
}

describe("joining copies of a job", () => {
  it("is the same in any order, and twice is once (property)", () => {
    fc.assert(
      fc.property(steps, (all) => {
        const [a, b, c] = written(all) as [Job, Job, Job];
        expect(mergeJobs(a, b)).toEqual(mergeJobs(b, a));
        expect(mergeJobs(mergeJobs(a, b), c)).toEqual(mergeJobs(a, mergeJobs(b, c)));
        expect(mergeJobs(mergeJobs(a, b), b)).toEqual(mergeJobs(a, b));
      }),
      { numRuns: 500 },
    );
  });

  it("two copies that changed one part in the same millisecond agree, whatever a third brings", () => {
    const said = (plate: string) => stamped(base, { ...base, car: { ...base.car, plate } }, clock(39));
    const [one, other] = [said("A"), said("B")];
    const third = stamped(base, { ...base, entries: [note("e")] }, clock(50));
    expect(mergeJobs(mergeJobs(one, third), other).car.plate).toBe(mergeJobs(one, mergeJobs(third, other)).car.plate);
    expect(mergeJobs(mergeJobs(other, third), one).car.plate).toBe("B");
  });

  it("loses no entry, and of each part keeps what was written last by its own stamp (property)", () => {
    fc.assert(
      fc.property(steps, (all) => {
        const copies = written(all);
        const joined = copies.reduce(mergeJobs);
        const wrote = all.flatMap(({ what }, i) => (what === "entry" ? [`e${i}`] : []));
        expect(joined.entries.map(({ id }) => id).toSorted()).toEqual(wrote.toSorted());
        const said = copies.map(({ car, stamps }) => [stamps?.name ?? "", car.name] as const);
        const last = said.reduce((most, one) => (one[0] > most[0] ? one : most));
        expect(joined.stamps?.name ?? "").toBe(last[0]);
      }),
      { numRuns: 200 },
    );
  });

  it("an older copy coming in late changes nothing that is newer", () => {
    const old = stamped(base, { ...base, car: { ...base.car, name: "old" } }, clock(1));
    const newer = stamped(old, { ...old, car: { ...old.car, name: "new" } }, clock(2));
    expect(mergeJobs(old, newer).car.name).toBe("new");
  });

  it("a clock set back does not put a reading before the repair", () => {
    const repair: Entry = {
      ...{ id: "r", at: clock(50), kind: "repair", fault: "sensor-open", part: "sensor", words: "sensor" },
      ...{ share: 1, guess: false },
    };
    const repaired = stamped(base, { ...base, entries: [repair] }, clock(50));
    const after = stamped(repaired, { ...repaired, entries: [...repaired.entries, note("later")] }, clock(3));
    expect(mergeJobs(base, after).entries.map(({ id }) => id)).toEqual(["r", "later"]);
    expect(Date.parse(laterThan(after, clock(3)))).toBeGreaterThan(Date.parse(after.entries[1]!.at));
  });
});
