import { describe, expect, it } from "vitest";
import { progressOf } from "../bench/progress";
import { replay } from "../replay/replay";
import { diagnosisOf } from "../bench/diagnosis";
import { jobSchema } from "../job/schema";
import { verification } from "../bench/verify";
import { handOverOf, sheetSchema } from "./hand-over";
import { reportOf, reportSchema } from "./report";

const job = (entries: object[]) =>
  jobSchema.parse({
    tastatura: "job/4",
    id: "r",
    createdAt: "2026-01-01T00:00:00Z",
    car: { name: "Drover 09", plate: "fleet 09" },
    setup: {
      corner: "FL",
      family: "active-2wire",
      path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
    },
    complaint: { codes: ["C0031-13", "P9999"], note: "Lamp since Monday." },
    policy: {},
    entries,
  });
const look = (id: string, value: string) => ({
  id,
  at: `2026-01-0${id}T10:00:00Z`,
  kind: "reading",
  reading: { instrument: "film", look: "encoder", value },
});
const repair = {
  id: "4",
  at: "2026-01-04T10:00:00Z",
  kind: "repair",
  fault: "ring-missing",
  part: "ring",
  words: "Ring has lost teeth",
  share: 0.7,
  guess: true,
};

function made(entries: object[]) {
  const one = job(entries);
  const lineUp = replay(one, { perGroup: 32 });
  const diagnosis = diagnosisOf(lineUp, one.policy, progressOf(one));
  return reportOf(one, diagnosis, verification(one, lineUp), new Date("2026-02-03T00:00:00Z"));
}

describe("the hand-over sheet", () => {
  const sheet = (entries: object[]) => {
    const one = job(entries);
    return handOverOf(
      one,
      diagnosisOf(replay(one, { perGroup: 32 }), one.policy, progressOf(one)),
      new Date("2026-02-03"),
    );
  };
  const under = (made: ReturnType<typeof sheet>, head: RegExp) =>
    made.parts.find((part) => head.test(part.head))!.lines.join("\n");

  it("tells the next shift what is known, how the car stands and three steps, and fits its schema", () => {
    const volts = {
      ...{ id: "2", at: "2026-01-02T10:00:00Z", kind: "reading" },
      reading: {
        ...{ instrument: "ohms", red: "plug.in.supply", black: "body", value: "OL" },
        state: { key: "off", unplugged: ["plug"], batteryOff: true, wheel: "still" },
      },
    };
    const made = sheet([volts]);
    expect(sheetSchema.parse(made)).toEqual(made);
    expect(made.title).toMatch(/^Hand-over, front left, 2026-02-03/);
    expect(under(made, /came/)).toMatch(/open circuit.*\n.*\n.*\nLamp since Monday/);
    expect(under(made, /known/)).toMatch(/Nothing is proven yet/);
    expect(under(made, /stands/)).toMatch(/battery.*plug/i);
    expect(under(made, /next/).split("\n").length).toBeGreaterThanOrEqual(3);
    expect(under(made, /done/)).toMatch(/OL/);
  });

  it("says so where nothing was taken apart", () => {
    expect(under(sheet([]), /stands/)).toBe("Nothing was taken apart.");
  });
});

describe("the report", () => {
  it("says plainly that nothing is proven, and claims no check after a repair that was not made", () => {
    const report = made([look("1", "gap")]);
    expect(report.found).toMatch(/Nothing is proven yet\. Most likely/);
    expect(report).toMatchObject({ verified: [], done: [], fixed: false, date: "2026-02-03" });
    expect(report.came.join(" ")).toMatch(/front left wheel speed sensor: open circuit.*P9999.*Lamp since Monday/);
    expect(report.readings[0]!.value).toBe("a gap or crack in the stripes");
    expect(reportSchema.parse(report)).toEqual(report);
  });

  it("names a guess as one, with its odds, and sets before against after", () => {
    const report = made([look("1", "gap"), repair, look("5", "whole")]);
    expect(report.done[0]).toMatch(/on a guess \(70 % at the time\)/);
    expect(report.verified.join(" ")).toMatch(/before.*after/);
    expect(report.readings.map(({ phase }) => phase)).toEqual(["before", "after"]);
  });
});
