import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { defaultPriors } from "../faults/parts/parts";
import { complaintSchema } from "../complaint/complaint";
import { policySchema } from "../complaint/policy";
import { estimate } from "../repair/estimate";
import { usualEstimate } from "../repair/usual-estimate";
import { otherTorque, repairPlan } from "../repair/repair-plan";
import { formulaSafe } from "../units/formula-safe";
import { readingsCsv } from "../job-file/readings-csv";
import { parseSettings, usualSettings } from "../settings/settings";
import { readingsAfterRepair, standingReadings } from "../job/derive";
import { progressOf } from "./progress";
import { replay } from "../replay/replay";
import { diagnosisOf } from "./diagnosis";
import { learntPriors } from "../report/history";
import { JOB_VERSION, jobSchema, type Entry, type Job } from "../job/schema";
import { verification } from "./verify";

const reading = (red: string, value: string, unplugged: string[] = []) => ({
  instrument: "volts-dc",
  red,
  black: "battery.negative",
  state: { key: "on", unplugged },
  value,
});
const entry = (id: string, one: object) => ({ id, at: `2026-02-0${id}T10:00:00Z`, kind: "reading", reading: one });

function job(entries: object[]): Job {
  return jobSchema.parse({
    tastatura: JOB_VERSION,
    id: "close",
    createdAt: "2026-02-01T08:00:00Z",
    car: { name: "=1+1" },
    setup: cornerSetupSchema.parse({
      corner: "RL",
      family: "active-2wire",
      path: [
        { station: "module" },
        { spanM: 1, mm2: 0.5 },
        { station: "c1" },
        { spanM: 3, mm2: 0.5 },
        { station: "plug" },
      ],
    }),
    complaint: complaintSchema.parse({}),
    policy: policySchema.parse({}),
    entries,
  });
}

const before = [
  entry("1", reading("plug.in.supply", "0.01 V", ["plug"])),
  entry("2", reading("c1.out.supply", "11.4 V", ["plug"])),
];
const repair = {
  id: "3",
  at: "2026-02-03T10:00:00Z",
  kind: "repair",
  fault: "wire-open",
  part: "harness",
  words: "x",
  share: 0.9,
  guess: false,
};

describe("closing a job", () => {
  it("what is measured after the repair does not judge the car as it came", () => {
    const closed = job([...before, repair, entry("4", reading("plug.in.supply", "11.3 V", ["plug"]))]);
    expect(standingReadings(closed).map(({ id }) => id)).toEqual(["1", "2"]);
    expect(readingsAfterRepair(closed).map(({ id }) => id)).toEqual(["4"]);
    expect([...replay(closed, { perGroup: 40 }).shares()]).toEqual([...replay(job(before), { perGroup: 40 }).shares()]);
  });

  it.each([
    ["11.3 V", true],
    ["0.02 V", false],
  ])("fixed needs the check that failed to pass, and a road test: %s after is %s", (value, passed) => {
    const measured = [...before, repair, entry("4", reading("plug.in.supply", value, ["plug"]))];
    const made = verification(job(measured), replay(job(measured), { perGroup: 60 }));
    expect(made).toMatchObject({ passed, fixed: false });
    const drive: Entry = { id: "5", at: "2026-01-01T11:00:00Z", kind: "tick", item: "road:lamp-out" };
    const driven = job([...measured, drive]);
    expect(verification(driven, replay(driven, { perGroup: 60 })).fixed).toBe(passed);
    expect(made.items.find(({ after }) => after)).toMatchObject({ before: "0.01 V", after: value, passes: passed });
    expect(verification(job(before), replay(job(before), { perGroup: 60 })).fixed).toBe(false);
  });

  it("the diagnosis still names what was wrong, and every fault has a plan", () => {
    const closed = job([...before, repair]);
    const { suspects } = diagnosisOf(replay(closed, { perGroup: 60 }), closed.policy, progressOf(closed));
    expect(suspects[0]!.fault).toBe("wire-open");
    for (const { fault, part } of suspects) expect(repairPlan(fault, part).steps.length).toBeGreaterThan(0);
  });

  it("an estimate adds up by hand: 70 + 75 min + 10 min at 80, a quarter of 45 min, a fifth tax", () => {
    const { net, total } = estimate(repairPlan("sensor-open", "sensor"), 10, true, usualEstimate);
    expect(net).toBeCloseTo(70 + 100 + 80 / 6 + 15, 9);
    expect(total).toBeCloseTo(1.2 * net, 9);
  });

  it("torque by the exact factor of NIST SP 811: 119 N·m is 88 lb·ft", () => {
    expect(otherTorque(119, "N·m")).toBeCloseTo(87.77, 2);
    expect(otherTorque(otherTorque(88, "lb·ft")!, "N·m")).toBeCloseTo(88, 9);
    expect(otherTorque(-1, "N·m")).toBeNull();
  });

  it("cells that a spreadsheet would run are made text; numbers stay numbers", () => {
    expect(["=SUM(A1)", "+cmd|x", "@a", "-1+2"].map(formulaSafe)).toEqual(["'=SUM(A1)", "'+cmd|x", "'@a", "'-1+2"]);
    expect(["-0.5 V", "+12", "OL"].map(formulaSafe)).toEqual(["-0.5 V", "+12", "OL"]);
    expect(readingsCsv(job(before)).split("\r\n")).toHaveLength(3);
  });

  it("the shop's own outcomes shift the shares as Dirichlet counts do, worked by hand", () => {
    const learnt = learntPriors(defaultPriors, ["connector", "connector"], 40);
    const total = Object.values(defaultPriors).reduce((sum, share) => sum + share, 0);
    expect(learnt.connector).toBeCloseTo(((defaultPriors.connector / total) * 40 + 2) / 42, 12);
    expect(Object.values(learnt).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
  });

  it("settings that do not fit fall back to the usual", () => {
    expect(parseSettings("{broken")).toEqual(usualSettings);
    const own = { ...usualSettings, estimate: { ...usualSettings.estimate, labourRate: 95 } };
    expect(parseSettings(JSON.stringify(own))).toEqual(own);
    expect(parseSettings('{"estimate":{"currency":"€","labourRate":-4}}')).toEqual(usualSettings);
    // One part that does not fit, say of a version to come, takes none of the others with it.
    expect(
      parseSettings('{"language":"xx","units":{"speed":"mph"},"look":{"theme":"dark","contrast":"usual"}}'),
    ).toEqual({
      ...usualSettings,
      look: { theme: "dark", contrast: "usual" },
    });
    for (const text of ["null", "7", "[]", '"x"']) expect(parseSettings(text)).toEqual(usualSettings);
  });
});
