/** What a shop's closed jobs come to. Sums by hand. */
import { describe, expect, it } from "vitest";
import { habitOrder, repairCosts, type Part } from "../faults/parts/parts";
import { pastJobs } from "../../demo/past-cars";
import { spansOf } from "../circuit/setup";
import { carsComeBack, historyRow, minutesByPart, repairsByMonth, repairsByPart, type HistoryRow } from "./history";

const row = (
  car: string,
  part: Part | null,
  repairedAt: string | null,
  more: Partial<HistoryRow> = {},
): HistoryRow => ({
  ...{
    id: car + repairedAt,
    car,
    date: "2026-01-01",
    family: "passive",
    corner: "FL",
    readings: 3,
    minutes: 20,
    guess: false,
  },
  ...{ part, repairedAt, bill: part ? 100 : null, guessingBill: part ? 300 : null },
  ...more,
});
const rows = [
  row("Drover", "ring", "2026-01-30T10:00:00Z", { minutes: 10 }),
  row("Drover", "sensor", "2026-04-02T10:00:00Z", { guess: true, minutes: 50 }),
  row("Skua", "ring", "2026-04-20T10:00:00Z", { minutes: 40 }),
  row("Skua", "ring", "2026-04-21T10:00:00Z", { guess: true, minutes: 13 }),
  row("Teal", null, null),
];

describe("the history of a shop", () => {
  it("counts repairs by part, proven and guessed apart, and leaves open jobs out", () => {
    expect(repairsByPart(rows)).toEqual([
      { part: "ring", proven: 2, guessed: 1 },
      { part: "sensor", proven: 0, guessed: 1 },
    ]);
  });

  it("has every month between the first repair and the last", () => {
    expect(repairsByMonth(rows)).toEqual([
      { month: "2026-01", repairs: 1, bill: 100, guessingBill: 300 },
      { month: "2026-02", repairs: 0, bill: 0, guessingBill: 0 },
      { month: "2026-03", repairs: 0, bill: 0, guessingBill: 0 },
      { month: "2026-04", repairs: 3, bill: 300, guessingBill: 900 },
    ]);
    expect(repairsByMonth([row("Teal", null, null)])).toEqual([]);
    const odd = [row("A", "ring", "1970-01-01T00:00:00Z"), row("B", "ring", "2026-01-01T00:00:00Z")];
    expect(repairsByMonth(odd).length).toBeLessThanOrEqual(240);
  });

  it("tells the least, the middle and the most minutes of each part, and which cars came back", () => {
    expect(minutesByPart(rows)).toEqual([
      { part: "sensor", cars: 1, least: 50, middle: 50, most: 50 },
      { part: "ring", cars: 3, least: 10, middle: 13, most: 40 },
    ]);
    expect(carsComeBack(rows)).toEqual([
      { car: "Drover", repairs: 2, parts: ["ring", "sensor"] },
      { car: "Skua", repairs: 2, parts: ["ring"] },
    ]);
  });

  it("bills a closed job for measuring, part and labour, and guessing for every part fitted until that one", () => {
    const path = [
      { station: "module" as const, accessMin: 30 },
      { spanM: 1, mm2: 0.5 },
      { station: "c1" as const, accessMin: 4 },
      { spanM: 2, mm2: 0.5 },
      { station: "plug" as const, accessMin: 7 },
    ];
    const jobs = pastJobs(new Date("2026-11-28T12:00:00Z"), path);
    for (const job of jobs) {
      const { part, bill, guessingBill, repairedAt, minutes } = historyRow(job);
      expect(spansOf(job.setup)).toHaveLength(2);
      expect(repairedAt! > job.createdAt, job.id).toBe(true);
      expect(bill!, job.id).toBeGreaterThan((minutes / 60) * 80);
      const until = habitOrder.indexOf(part!);
      expect(guessingBill, job.id).toBe(habitOrder.slice(0, until + 1).reduce((sum, one) => sum + repairCosts[one], 0));
    }
  });
});
