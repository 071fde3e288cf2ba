/**
 * Verdicts on cars the line-up has not seen: tolerances half as wide again as its own, 2 % of readings slipped. A small
 * cut of bench/lineup.ts, with bounds a sound line-up passes by far; the figures themselves are the bench's.
 */
import { beforeAll, describe, expect, it } from "vitest";
import { runCar, truths, type RunResult } from "../../../bench/lineup-run";

const CARS = 5;
let runs: { truth: string; result: RunResult }[] = [];

beforeAll(() => {
  runs = truths(CARS, 51).map((one) => ({ truth: one.truth.fault.part, result: runCar("ours", one) }));
}, 600_000);

describe("the plan and the verdict, on unseen cars", () => {
  it("end with the right part on top", () => {
    expect(runs.filter(({ truth, result }) => result.top === truth).length).toBeGreaterThanOrEqual(CARS - 1);
  });

  it("prove most of them, and hardly ever the wrong one", () => {
    const proven = runs.filter(({ result }) => result.proven !== null);
    expect(proven.length).toBeGreaterThanOrEqual(CARS / 2);
    expect(proven.filter(({ truth, result }) => result.proven !== truth).length).toBeLessThanOrEqual(1);
  });

  it("in few readings", () => {
    const readings = runs.flatMap(({ result }) => (result.proven ? [result.readings] : [])).sort((a, b) => a - b);
    expect(readings[readings.length >> 1]).toBeLessThanOrEqual(10);
    expect(Math.max(...readings)).toBeLessThanOrEqual(14);
  });

  it("shares of all parts leave room for something not listed, and no more than the whole", () => {
    for (const { result } of runs) expect(result.parts.reduce((sum, { share }) => sum + share, 0)).toBeGreaterThan(0.5);
  });
});
