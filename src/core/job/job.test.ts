import { describe, expect, it } from "vitest";
import { UnusableInput } from "../capture/capture";
import { cornerSetupSchema } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { policySchema } from "../complaint/policy";
import { lastUndoable, standingReadings } from "./derive";
import { mergeJobs } from "./merge";
import { progressOf } from "../bench/progress";
import { diagnoseFile } from "../bench/diagnose-file";
import { exportJob, importJob } from "../job-file/file";
import { JOB_VERSION, type Entry, type Job } from "./schema";
import { readingSchema } from "../observation/reading";
import { observe } from "../observation/read-observation";

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1", accessMin: 4 },
  { spanM: 3.4, mm2: 0.5 },
  { station: "plug", accessMin: 7 },
];
const reading = (id: string, at: string): Entry => ({
  id,
  at,
  kind: "reading",
  reading: readingSchema.parse({
    instrument: "volts-dc",
    red: "c1.out.supply",
    black: "battery.negative",
    value: "11.2 V",
  }),
});
const job = (entries: Entry[]): Job => ({
  tastatura: JOB_VERSION,
  id: "j1",
  createdAt: "2026-01-01T00:00:00Z",
  car: { name: "Invented 1", plate: "" },
  setup: cornerSetupSchema.parse({ corner: "RR", family: "active-2wire", path }),
  complaint: complaintSchema.parse({}),
  policy: policySchema.parse({}),
  entries,
});

describe("the log", () => {
  it("a retracted reading no longer counts, stays in the log, and undo takes the one before it", () => {
    const one = job([reading("a", "1"), reading("b", "2"), { id: "r", at: "3", kind: "retract", entry: "b" }]);
    expect(standingReadings(one).map(({ id }) => id)).toEqual(["a"]);
    expect(lastUndoable(one)!.id).toBe("a");
    expect(progressOf(one).done.has("reach:c1")).toBe(true);
  });

  it("two copies merge without doubles or loss, in order of time", () => {
    const merged = mergeJobs(job([reading("a", "1"), reading("c", "3")]), job([reading("a", "1"), reading("b", "2")]));
    expect(merged.entries.map(({ id }) => id)).toEqual(["a", "b", "c"]);
  });
});

describe("job files", () => {
  it("export and import give the same job", () => {
    const one = job([reading("a", "1")]);
    expect(importJob(exportJob(one), "j.json")).toEqual(one);
  });

  it.each([
    ["", /is empty/],
    [exportJob(job([reading("a", "1")])).slice(0, 400), /cut short/],
    ["hello", /not JSON/],
    ['{"a":1}', /no Tastatura job/],
    [exportJob(job([])).replace("job/4", "job/9"), /version “job\/9”.*Update/],
    [exportJob(job([])).replace('"family": "active-2wire"', '"family": "steam"'), /setup\.family/],
  ])("bad job file %# gets a sentence", (text, say) => {
    expect(() => importJob(text, "j.json")).toThrow(UnusableInput);
    expect(() => importJob(text, "j.json")).toThrow(say);
  });
});

describe("the diagnose contract", () => {
  const file = {
    tastatura: "diagnose/1",
    corner: "RR",
    family: "active-2wire",
    sense: "low",
    supplyV: 12,
    pulsesPerRevolution: 48,
    tyre: "205/55R16",
    path,
    complaint: {
      presence: "hard",
      codes: ["C003A-13"],
      symptoms: ["lamp", "false-abs-low-speed"],
      recentWork: ["bearing"],
    },
    policy: { approach: "information", pierce: false },
    readings: [
      {
        instrument: "volts-dc",
        red: "c1.out.supply",
        black: "battery.negative",
        state: { key: "on", unplugged: ["plug"], wheel: "still" },
        value: "11.2 V",
      },
      { instrument: "eyes", look: "ring", value: "intact" },
      { instrument: "scope", point: "plug.out.return", finding: "random-dropout" },
    ],
  };

  it("answers the documented example with every field", () => {
    const result = diagnoseFile(JSON.stringify(file), "f.json");
    expect(result.suspects.reduce((sum, { share }) => sum + share, result.unlisted)).toBeCloseTo(1, 6);
    expect(result.suspects[0]).toMatchObject({
      fault: expect.any(String),
      place: expect.any(String),
      verdict: expect.stringMatching(/suspect|proven|cleared/),
    });
    expect(result.next.length).toBeGreaterThan(0);
    expect(result.next[0]!.minutes).toBeGreaterThan(0);
    expect(result.guess.plan.expectedCost).toBeGreaterThan(0);
  });

  it.each([
    [{ ...file, family: "steam" }, /family/],
    [{ ...file, tyre: "fat" }, /tyre “fat”/],
    [{ ...file, path: path.slice(0, 2) }, /path/],
  ])("unusable input %# is named", (bad, say) => {
    expect(() => diagnoseFile(JSON.stringify(bad), "f.json")).toThrow(say);
  });

  it.each([
    [{ instrument: "volts-dc", red: "c7.out.supply", value: "1 V" }, /no station “c7”/],
    [{ instrument: "volts-dc", red: "c1.out.supply", value: "twelve" }, /“twelve”/],
    [{ instrument: "amps-dc", red: "battery.positive", value: "7mA" }, /clamp a looped jumper at a connector/],
  ])("a reading that says nothing for this corner is unread, with the reason, and moves nothing: %j", (bad, say) => {
    const without = diagnoseFile(JSON.stringify({ ...file, readings: [] }), "f.json");
    const result = diagnoseFile(JSON.stringify({ ...file, readings: [bad] }), "f.json");
    expect(result.unread.map(({ entryId }) => entryId)).toEqual(["0"]);
    expect(result.unread[0]!.say).toMatch(say);
    expect(result.unread[0]!.mend.length).toBeGreaterThan(10);
    expect(result.suspects).toEqual(without.suspects);
  });

  it("any reading in any state is accepted", () => {
    const setup = job([]).setup;
    for (const one of [
      {
        instrument: "ohms",
        red: "plug.out.return",
        black: "body",
        state: { key: "on", unplugged: ["plug"] },
        value: "OL",
      },
      {
        instrument: "volts-dc",
        red: "span2.33.supply",
        black: "battery.positive",
        state: { unplugged: ["module", "plug"] },
        value: "-3",
      },
      { instrument: "ohms", red: "c1.in.supply", black: "c1.in.return", state: { key: "off" }, value: "no beep" },
      {
        instrument: "lamp",
        red: "battery.positive",
        black: "plug.in.return",
        state: { key: "off", unplugged: ["plug"] },
        value: "dark",
      },
      {
        instrument: "hertz",
        red: "module.in.return",
        black: "module.in.earth",
        state: { wheel: "driven", speedKmh: 50 },
        value: "345",
      },
    ])
      expect(observe(readingSchema.parse(one), setup)).toMatchObject({ ok: true });
  });
});
