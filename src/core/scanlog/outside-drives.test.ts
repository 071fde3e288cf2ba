/**
 * Four-wheel logs of another maker (bench/outside/drive.ts: contact points about a bend's middle, a tool that asks one wheel
 * after the other): roundabouts, wheelspin, hard stops and silent stretches are no faults, and the corner at fault is the
 * only one that is named. Bounds by common practice, no source; figures of fresh seeds stand in docs/benchmarks.md.
 */
import { describe, expect, it } from "vitest";
import { drive, driveKinds, type DriveKind } from "../../../bench/outside/drive";
import { corners } from "../units/corner";
import { analyseScan, liveSpeedWord } from "./analyse-scan";
import { parseScanCsv } from "./scan-csv";
import type { ScanCode } from "./scan-log";

const EACH = 8;
const wordsOf = ({ csv }: { csv: string }) => {
  const findings = analyseScan(parseScanCsv(csv, "drive.csv"));
  return { findings, words: new Map(corners.map((corner) => [corner, liveSpeedWord(findings, corner)])) };
};
const made = (kind: DriveKind) => Array.from({ length: EACH }, (_, n) => drive(4100 + n, kind));

describe("drives of another maker", () => {
  it.each(driveKinds.filter((kind) => !["zero", "drops-out", "cuts-low", "ratio-off", "erratic"].includes(kind)))(
    "%s: no corner is at fault",
    (kind) => {
      const wrong = made(kind).filter((one) => [...wordsOf(one).words.values()].some((word) => word !== "follows"));
      expect(wrong.length).toBeLessThanOrEqual(1);
    },
  );

  it.each(["zero", "drops-out", "cuts-low", "ratio-off", "erratic"] as const)("%s at its own corner alone", (kind) => {
    const right = made(kind).filter((one) => {
      const { words } = wordsOf(one);
      const others = corners.filter((corner) => corner !== one.corner);
      return words.get(one.corner) === kind && others.every((corner) => words.get(corner) === "follows");
    });
    expect(right.length).toBeGreaterThanOrEqual(EACH - 1);
  });

  it.each<[DriveKind, ScanCode]>([
    ["wheelspin", "wheelspin"],
    ["silent-above", "published-below"],
    ["silent-below", "published-above"],
  ])("%s is named for what it is: %s", (kind, code) => {
    const named = made(kind).filter((one) => wordsOf(one).findings.some((finding) => finding.code === code));
    expect(named.length).toBeGreaterThanOrEqual(EACH / 2);
  });
});
