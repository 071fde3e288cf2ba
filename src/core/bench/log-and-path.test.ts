/** What is shown of a log: its text, its filters, its pins on the path, its minutes and holes. */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import { holesMade } from "./holes";
import { filterLog } from "./log-filter";
import { logText } from "./log-text";
import { minutesSpent } from "./minutes-spent";
import { pathPins } from "./path-pins";
import { progressOf } from "./progress";
import { jobSchema, type Entry, type Job } from "../job/schema";
import { severalBreaks } from "./several-breaks";

const setup = cornerSetupSchema.parse({
  corner: "RR",
  family: "active-2wire",
  path: [
    { station: "module", accessMin: 30 },
    { spanM: 1, mm2: 0.5, pierceable: true },
    { station: "c1", accessMin: 4 },
    { spanM: 2, mm2: 0.5 },
    { station: "plug", accessMin: 7 },
  ],
});
const on = circuitStateSchema.parse({});
const dead = (...unplugged: string[]) => circuitStateSchema.parse({ key: "off", batteryOff: true, unplugged });
let minute = 0;
const at = () => `2026-01-01T10:${String(minute++ % 60).padStart(2, "0")}:00Z`;
const read = (id: string, reading: object): Entry => ({ id, at: at(), kind: "reading", reading }) as Entry;
const job = (...entries: Entry[]): Job =>
  jobSchema.parse({
    tastatura: "job/4",
    id: "j",
    createdAt: "2026-01-01T09:00:00Z",
    car: { name: "Orrin Gannet 17" },
    setup,
    complaint: {},
    policy: {},
    entries,
  });

const supply = read("supply", {
  instrument: "volts-dc",
  red: "c1.out.supply",
  black: "battery.negative",
  state: on,
  value: "11.2 V",
});
const across = read("across", {
  instrument: "ohms",
  red: "c1.out.return",
  black: "plug.in.return",
  state: dead("c1", "plug"),
  value: "OL",
});
const other = read("other", {
  instrument: "ohms",
  red: "module.out.return",
  black: "c1.in.return",
  state: dead("module", "c1"),
  value: "OL",
});
const ring = read("ring", { instrument: "eyes", look: "ring", state: dead(), value: "intact" });
const pierced = read("pierced", {
  instrument: "volts-dc",
  red: "span1.50.supply",
  black: "battery.negative",
  state: on,
  value: "11.1 V",
});
const note: Entry = { id: "note", at: at(), kind: "note", text: "jumped when the arch loom was moved" };
const skip: Entry = {
  id: "skip",
  at: at(),
  kind: "skip",
  check: "scope:c1.out.return:on|||hand|7|",
  reason: "no tool for it",
  label: "capture at C1 ▸ return",
};
const back = (entry: string): Entry => ({ id: `back-${entry}`, at: at(), kind: "retract", entry });

describe("the log as text", () => {
  it("has a line an entry, in order, and leaves out what was taken back", () => {
    const lines = logText(job(supply, ring, note, skip, back("ring"))).split("\n");
    expect(lines).toHaveLength(3);
    expect(lines[0]).toMatch(/^2026-01-01 10:\d\d {2}11\.2 V {2}C1 ▸ supply to bat − \(key on\)$/);
    expect(lines[1]).toContain("jumped when the arch loom was moved");
    expect(lines[2]).toMatch(/skipped: no tool for it, capture at C1 ▸ return$/);
  });

  it("is found again by kind and by any word on the line, newest first", () => {
    const all = job(supply, ring, note, skip);
    const ids = (kind: Parameters<typeof filterLog>[1], text = "") => filterLog(all, kind, text).map(({ id }) => id);
    expect(ids("all")).toEqual(["skip", "note", "ring", "supply"]);
    expect(ids("measured")).toEqual(["supply"]);
    expect(ids("looked")).toContain("ring");
    expect(ids("notes")).toContain("note");
    expect(ids("all", "arch loom")).toEqual(["note"]);
    expect(ids("all", "NO TOOL")).toEqual(["skip"]);
    expect(ids("all", "11.2")).toEqual(["supply"]);
    expect(ids("all", "nothing like it")).toEqual([]);
  });
});

describe("readings on the drawing", () => {
  it("stand where red stood, and at black too when that is another face of the corner", () => {
    expect(pathPins(job(supply, across, ring))).toEqual([
      { point: "c1.out.supply", label: "11.2 V" },
      { point: "c1.out.return", label: "OL" },
      { point: "plug.in.return", label: "OL ⊣" },
    ]);
    expect(pathPins(job(supply, back("supply")))).toEqual([]);
  });

  it("a hole is listed once, to be sealed, and goes with its reading", () => {
    expect(holesMade(job(pierced, supply))).toHaveLength(1);
    expect(holesMade(job(pierced, supply))[0]).toMatch(/50 % along span 1/);
    expect(holesMade(job(pierced, back("pierced")))).toEqual([]);
  });
});

describe("the work so far", () => {
  it("counts each set-up once, whatever the order", () => {
    const one = minutesSpent(job(across));
    const both = minutesSpent(job(across, other));
    const turned = minutesSpent(job(other, across));
    expect(both).toBe(turned);
    expect(both).toBeLessThan(one + minutesSpent(job(other)));
    expect(minutesSpent(job())).toBe(0);
    expect(minutesSpent(job(across, back("across")))).toBe(0);
  });

  it("knows what is prepared and what was put off, until that is taken back", () => {
    const { done, skipped } = progressOf(job(across, skip));
    expect([...done].some((id) => id.startsWith("reach:"))).toBe(true);
    expect(skipped.has("scope:c1.out.return:on|||hand|7|")).toBe(true);
    expect(progressOf(job(across, skip, back("skip"))).skipped.size).toBe(0);
  });

  it("two runs that both measure open are two breaks, and said so", () => {
    expect(severalBreaks(job(across))).toBeNull();
    const said = severalBreaks(job(across, other));
    expect(said).toMatch(/^More than one place measures bad/);
    expect(said).toMatch(/C1.*plug|plug.*C1/i);
  });
});
