import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { parseJob, upToDate } from "./earlier-jobs";
import { observationsOf } from "../replay/observations";
import { exportJob, importJob } from "./file";
import { JOB_VERSION } from "../job/schema";
import { skipReasons } from "../job/skip-reasons";

/** A job as version 1 wrote it, one entry of every kind. */
const one = {
  tastatura: "job/1",
  id: "old",
  createdAt: "2026-11-24T08:00:00.000Z",
  car: { name: "Osmund Drover 09", plate: "fleet 09" },
  setup: {
    corner: "FL",
    family: "passive",
    path: [{ station: "module" }, { spanM: 1.1, mm2: 0.5 }, { station: "plug" }],
  },
  complaint: { presence: "hard", codes: ["C0031"] },
  policy: {},
  entries: [
    {
      id: "r",
      at: "2026-11-24T08:01:00Z",
      kind: "reading",
      reading: { instrument: "ohms", red: "plug.out.a", black: "plug.out.b", state: { key: "off" }, value: "1.3 kΩ" },
    },
    {
      id: "s",
      at: "2026-11-24T08:02:00Z",
      kind: "skip",
      check: "scope:c1.out.a",
      reason: "no tool for it: capture at C1 ▸ leg A",
    },
    { id: "e", at: "2026-11-24T08:03:00Z", kind: "skip", check: "eyes:ring", reason: "could not see: tone ring, seen" },
    { id: "x", at: "2026-11-24T08:04:00Z", kind: "skip", check: "eyes:foot", reason: "snow" },
    { id: "n", at: "2026-11-24T08:05:00Z", kind: "note", text: "can't reach it: said the driver" },
    { id: "t", at: "2026-11-24T08:06:00Z", kind: "tick", item: "wheel nuts" },
  ],
};

describe("a job of an earlier version", () => {
  it("opens with every entry, and what was said about a skip in its two parts", () => {
    const job = importJob(JSON.stringify(one), "old.json");
    expect(job.tastatura).toBe(JOB_VERSION);
    expect(job.entries.map(({ id, at }) => [id, at])).toEqual(one.entries.map(({ id, at }) => [id, at]));
    const skips = job.entries.flatMap((entry) => (entry.kind === "skip" ? [[entry.reason, entry.label]] : []));
    expect(skips).toEqual([
      ["no tool for it", "capture at C1 ▸ leg A"],
      ["could not see", "tone ring, seen"],
      ["would do harm", "snow"],
    ]);
    expect(job.entries.find(({ id }) => id === "n")).toMatchObject({ text: "can't reach it: said the driver" });
    expect(job.car).toEqual(one.car);
  });

  it.each(["job/1", "job/2"])(
    "%s opens in today's form, and its readings are still of the connectors they named",
    (version) => {
      const path = [
        { station: "module" },
        { spanM: 1.1, mm2: 0.5 },
        { station: "c1" },
        { spanM: 2, mm2: 0.5 },
        { station: "plug" },
      ];
      const old = { ...one, tastatura: version, setup: { ...one.setup, path }, entries: one.entries.slice(0, 1) };
      const job = importJob(JSON.stringify(old), "old.json");
      const moved = { ...job, setup: { ...job.setup, path: job.setup.path.filter((_, i) => i < 1 || i > 2) } };
      expect(observationsOf(job).read.map(({ entryId }) => entryId)).toEqual(["r"]);
      expect(observationsOf(moved).read.map(({ entryId }) => entryId)).toEqual(["r"]);
    },
  );

  it("written again it stays as it is, and nothing is done twice", () => {
    const job = importJob(JSON.stringify(one), "old.json");
    expect(importJob(exportJob(job), "new.json")).toEqual(job);
    expect(upToDate(job)).toBe(job);
  });

  it("loses no entry and no word, whatever the entries are (property)", () => {
    const reason = fc.oneof(fc.constantFrom(...skipReasons), fc.string({ maxLength: 20 }));
    fc.assert(
      fc.property(fc.array(fc.tuple(reason, fc.string({ maxLength: 30 })), { maxLength: 12 }), (said) => {
        const entries = said.map(([why, what], i) => ({
          id: `e${i}`,
          at: "2026-11-24",
          kind: "skip",
          check: "c",
          reason: `${why}: ${what}`,
        }));
        const parsed = parseJob({ ...one, entries });
        expect(parsed.success).toBe(true);
        const kept = parsed.data!.entries.flatMap((entry) => (entry.kind === "skip" ? [entry] : []));
        said.forEach(([why, what], i) => {
          const { reason: now, label } = kept[i]!;
          expect([`${now}: ${label}`, label]).toContain(
            skipReasons.some((one) => `${why}: ${what}`.startsWith(`${one}:`)) ? `${now}: ${label}` : `${why}: ${what}`,
          );
          expect(`${now} ${label}`).toContain(what.trim());
        });
      }),
    );
  });

  it.each([
    null,
    7,
    "job/1",
    [],
    { tastatura: 1 },
    { tastatura: "job/1" },
    { tastatura: "job/1", entries: "none" },
    { tastatura: "job/1", entries: [null, { kind: "skip" }] },
  ])("what is no job is refused, not repaired: %j", (document) => {
    expect(parseJob(document).success).toBe(false);
  });

  it("one of a version to come is left alone and named", () => {
    const later = { ...one, tastatura: "job/5" };
    expect(upToDate(later)).toBe(later);
    expect(() => importJob(JSON.stringify(later), "later.json")).toThrow(/version “job\/5”.*Update the program/);
    const odd = { ...one, tastatura: "__proto__" };
    expect(upToDate(odd)).toBe(odd);
  });
});
