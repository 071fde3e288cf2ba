/** Files whose times leave something out: no source but the loggers' own habit of pausing and of writing segments. */
import { describe, expect, it } from "vitest";
import { parseCaptureCsv } from "../capture/csv";
import { packJob, unpackJob } from "../job-file/zip";
import { importJob } from "../job-file/file";
import { analyseCapture } from "./analyse";

const PULSES = 48;

/** A sensor that switches ten times a second by the clock, written at these times. */
function csv(times: readonly number[], digits = 4, level = (t: number) => (t * 10) % 1 < 0.5) {
  return `time (s),signal (V)\n${times.map((t, i) => `${t.toFixed(digits)},${((level(t) ? 1.41 : 0.7) + ((i * 7919) % 13) / 2000).toFixed(3)}`).join("\n")}`;
}
const run = (from: number, rows: number, step: number) => Array.from({ length: rows }, (_, i) => from + i * step);

describe("a file with a hole in its times", () => {
  it("is taken in its longest whole stretch, at its own pace, and says so; the wire is not blamed for it", () => {
    const times = [...run(0, 4000, 1e-3), ...run(29.03, 6000, 1e-3)];
    const capture = parseCaptureCsv(csv(times), "paused.csv");
    expect(capture.sampleS).toBeCloseTo(1e-3, 8);
    expect(capture.startS).toBeCloseTo(29.03, 6);
    expect(capture.channels[0]!.samples).toHaveLength(6000);
    expect(capture.holes).toMatchObject({ count: 1 });
    expect(capture.holes!.longestS).toBeCloseTo(25.031, 3);
    expect(capture.holes!.leftOutS).toBeCloseTo(3.999, 3);
    const [channel] = analyseCapture(capture, { pulses: PULSES });
    expect(channel!.warnings.join()).toMatch(/1 hole, up to 25 s long.* 4 s are left out/);
    expect(channel!.findings.map(({ code }) => code)).not.toContain("random-dropout");
  });

  it("of many segments the longest is taken", () => {
    const times = [300, 900, 500, 400].flatMap((rows, i) => run(i * 10, rows, 1e-3));
    const capture = parseCaptureCsv(csv(times), "segments.csv");
    expect(capture.holes).toMatchObject({ count: 3 });
    expect(capture.channels[0]!.samples).toHaveLength(900);
  });

  it("keeps what it says in a job's ZIP", () => {
    const capture = parseCaptureCsv(csv([...run(0, 400, 1e-3), ...run(9, 600, 1e-3)]), "paused.csv");
    const path = [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }];
    const head = { tastatura: "job/4", id: "a", createdAt: "2026-01-01T00:00:00Z", car: { name: "x" }, entries: [] };
    const job = importJob(
      JSON.stringify({ ...head, setup: { corner: "RR", family: "active-2wire", path }, complaint: {}, policy: {} }),
      "f",
    );
    const [kept] = unpackJob(packJob(job, [{ id: "c", capture }]), "f.zip").captures;
    expect(kept!.capture.holes).toEqual(capture.holes);
  });
});

describe("no hole is", () => {
  it.each<[string, string]>([
    ["a clock written with one digit", csv(run(0, 9000, 1e-3), 1)],
    ["a jitter of a few rows", csv(run(0, 4000, 1e-3).map((t, i) => t + (i % 97 === 0 ? 3e-4 : 0)))],
    ["a row left out now and then", csv(run(0, 4000, 1e-3).filter((_, i) => i % 151 > 3))],
    [
      "a solver's steps, that grow while nothing happens",
      csv([
        ...run(0, 3000, 1e-4),
        ...Array.from({ length: 40 }, (_, i) => 0.3 + 2e-4 * 1.25 ** i),
        ...run(2, 3000, 1e-4),
      ]),
    ],
    [
      "a list of changes while the wheel stands",
      `time (s),signal\n${[...run(0, 200, 0.02), ...run(30, 200, 0.02)].map((t, i) => `${t.toFixed(3)},${i % 2}`).join("\n")}`,
    ],
  ])("%s", (_, text) => {
    const capture = parseCaptureCsv(text, "whole.csv");
    expect(capture.holes).toBeUndefined();
    const lasts = capture.sampleS * (capture.channels[0]!.samples.length - 1);
    const times = text
      .split("\n")
      .slice(1)
      .map((line) => parseFloat(line));
    expect(lasts / (times.at(-1)! - times[0]!)).toBeGreaterThan(0.98);
  });
});
