import { describe, expect, test } from "vitest";
import { UnusableInput } from "../capture/capture";
import { corners, type Corner } from "../units/corner";
import { analyseScan, liveSpeedWord } from "./analyse-scan";
import { parseScanCsv } from "./scan-csv";

/** A drive out of kinematics alone: pull away, hold, brake to a stop, twice. Speeds in km/h every 0.2 s. */
function drive(change: (corner: Corner, kmh: number, timeS: number) => number | ""): string {
  const rows = ["time (s);FL km/h;FR km/h;RL km/h;RR km/h"];
  for (let i = 0; i < 300; i++) {
    const t = i * 0.2;
    const phase = t % 30;
    const kmh = phase < 8 ? 6 * phase : phase < 18 ? 48 : phase < 26 ? 48 - 6 * (phase - 18) : 0;
    const wander = (corner: Corner) => 1 + 0.003 * Math.sin(i * (1 + corners.indexOf(corner)));
    rows.push(
      [t.toFixed(1), ...corners.map((one) => change(one, kmh * wander(one), t))].join(";").replaceAll(".", ","),
    );
  }
  return rows.join("\n");
}

const said = (text: string, corner: Corner) => liveSpeedWord(analyseScan(parseScanCsv(text, "log.csv")), corner);

describe("a four-wheel log", () => {
  test.each<[string, Parameters<typeof drive>[0], string]>([
    ["a good car", (_, kmh) => kmh, "follows"],
    ["a dead corner", (corner, kmh) => (corner === "RL" ? 0 : kmh), "zero"],
    ["a weak passive corner", (corner, kmh) => (corner === "RL" && kmh < 9 ? 0 : kmh), "cuts-low"],
    ["a loose wire", (corner, kmh, t) => (corner === "RL" && t % 13 > 12.3 ? 0 : kmh), "drops-out"],
    // Worked by hand: 2 % less circumference turns 2 % more often.
    ["a small tyre", (corner, kmh) => (corner === "RL" ? kmh * 1.02 : kmh), "ratio-off"],
    ["a ring with half the poles", (corner, kmh) => (corner === "RL" ? kmh / 2 : kmh), "ratio-off"],
    ["each edge counted", (corner, kmh) => (corner === "RL" ? 2 * kmh : kmh), "ratio-off"],
    ["no speeds under 4 km/h", (_, kmh) => (kmh < 4 ? "" : kmh), "follows"],
  ])("%s", (_, change, word) => {
    expect(said(drive(change), "RL")).toBe(word);
    expect(said(drive(change), "FR")).toBe("follows");
  });

  test("a wrong ring is named with its arithmetic, a cut-out with its speed", () => {
    const ratio = analyseScan(
      parseScanCsv(
        drive((corner, kmh) => (corner === "FL" ? (kmh * 47) / 48 : kmh)),
        "a",
      ),
      { pulsesPerRevolution: 48 },
    );
    expect(ratio[0]!.say).toContain("47/48");
    const cut = analyseScan(
      parseScanCsv(
        drive((corner, kmh) => (corner === "FL" && kmh < 9 ? 0 : kmh)),
        "a",
      ),
    );
    expect(cut.find(({ code }) => code === "cuts-low")!.size).toBeGreaterThan(8);
    expect(cut.map(({ code }) => code)).toContain("false-activation");
  });

  test("both wheels of an axle off alike are tyre sizes, no fault of a corner", () => {
    const log = parseScanCsv(
      drive((corner, kmh) => (corner[0] === "F" ? kmh * 1.02 : kmh)),
      "a",
    );
    const findings = analyseScan(log);
    expect(findings.map(({ code }) => code)).toEqual(["axle-ratio"]);
    expect(findings[0]!.size).toBeCloseTo(1.02, 2);
    for (const corner of corners) expect(liveSpeedWord(findings, corner)).toBe("follows");
    // By UNECE R30 and hand: 205/55R16 is 631.9 mm, 195/55R16 620.9 mm across; 631.9 / 620.9 = 1.0177.
    const car = { pulsesPerRevolution: 48, corner: "FL", tyre: "195/55R16", otherAxleTyre: "205/55R16" } as const;
    expect(analyseScan(log, car)[0]!.say).toContain("differ by just that much");
  });

  test("a front axle with one wheel fast and the other slow is no axle of other tyres", () => {
    const apart = { FL: 1.02, FR: 0.98, RL: 1, RR: 1 };
    const findings = analyseScan(
      parseScanCsv(
        drive((corner, kmh) => kmh * apart[corner]),
        "a",
      ),
    );
    expect(findings.map(({ code, corner, size }) => [code, corner, size > 1])).toEqual([
      ["ratio-off", "FL", true],
      ["ratio-off", "FR", false],
    ]);
  });

  test("separators inside quotes part no cells (RFC 4180, section 2)", () => {
    const rows = Array.from({ length: 40 }, (_, i) => `${i / 10},10.5,10.5,"said ""ok"", then 0",10.5,10`);
    const log = parseScanCsv(['"time, s",FL,FR,"note, free",RL,RR', ...rows].join("\n"), "quoted");
    expect(log.timeS[1]).toBeCloseTo(0.1, 9);
    expect([...log.speedKmh.RL.slice(0, 3)]).toEqual([10.5, 10.5, 10.5]);
    expect([...log.speedKmh.RR.slice(0, 3)]).toEqual([10, 10, 10]);
  });

  test("a quarter of a million rows are read and judged", () => {
    const rows = Array.from({ length: 250_000 }, (_, i) => {
      const kmh = Math.round(300 + 200 * Math.sin(i / 5000)) / 10;
      return `${i / 100},${kmh},${kmh},0,${kmh}`;
    });
    const findings = analyseScan(parseScanCsv(["time,FL,FR,RL,RR", ...rows].join("\n"), "long.csv"));
    expect(liveSpeedWord(findings, "RL")).toBe("zero");
    expect(liveSpeedWord(findings, "FL")).toBe("follows");
  });

  test("a car that sends nothing under 4 km/h, a slip under hard braking, and a held wheel are no faults", () => {
    const silent = analyseScan(
      parseScanCsv(
        drive((_, kmh) => (kmh < 4 ? "" : kmh)),
        "a",
      ),
    );
    expect(silent.map(({ code }) => code)).toEqual(["published-above"]);
    const rows = ["time,FL,FR,RL,RR"];
    for (let i = 0; i < 60; i++) {
      const t = i * 0.1;
      const kmh = t < 2 ? 60 : Math.max(0, 60 - 3.6 * 8 * (t - 2));
      const slip = t > 2.4 && t < 3.2 ? 1 - 0.62 * Math.sin((Math.PI * (t - 2.4)) / 0.8) : 1;
      rows.push([t, kmh, kmh, kmh * slip, kmh].join(","));
    }
    const braking = analyseScan(parseScanCsv(rows.join("\n"), "b"));
    expect(braking.map(({ code }) => code)).toContain("slip");
    expect(liveSpeedWord(braking, "RL")).toBe("follows");
    const held = ["time,FL,FR,RL,RR", ...Array.from({ length: 20 }, (_, i) => `${i},0,0,${i > 4 ? 16 : 0},0`)];
    expect(analyseScan(parseScanCsv(held.join("\n"), "c")).map(({ code }) => code)).toContain("held-doubles");
  });

  test("miles are read as miles and rows out of order are put in order", () => {
    const log = parseScanCsv(
      "t,fl mph,fr mph,rl mph,rr mph\n2,20,20,20,20\n1,10,10,10,10\n3,30,30,30,30\n4,30,,30,30",
      "m",
    );
    expect(log.speedKmh.FL[0]).toBeCloseTo(16.09344, 6);
    expect(log.speedKmh.FR[3]).toBeNaN();
  });

  test.each([
    ["", /empty/],
    ["time,a,b\n1,2,3", /no row names the wheels/],
    ["fl,fr,rl,rr\n1,2,3,4", /no time column/],
    ["time,fl,fr,rl,rr\n1,2,3,4,5", /holds 1 rows/],
    ["time,fl,fr,rl,rr\n1,900,2,3,4\n2,900,2,3,4\n3,900,2,3,4\n4,900,2,3,4", /no wheel can have/],
  ])("unusable input %j is told why", (text, why) => {
    expect(() => parseScanCsv(text, "x.csv")).toThrow(UnusableInput);
    expect(() => parseScanCsv(text, "x.csv")).toThrow(why);
  });
});
