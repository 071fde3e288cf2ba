/**
 * Recordings by closed formulas from another hand, through the door that files come in by: a small fixed set, so that
 * what holds now goes on holding (`bench:outside-waves -- --plain` tries fresh ones).
 */
import { describe, expect, it } from "vitest";
import { plainRecording, type PlainDefect } from "../../../bench/outside/plain";
import { readCaptureFile } from "../capture/read-file";
import { analyseCapture } from "./analyse";
import { rasterWords } from "./raster-words";
import { isUsable } from "./usable";

const EACH = 3;

/** Faults named in a recording, what is explained and no fault left out. */
function faultsIn(seed: number, defect: PlainDefect, isCounted = true): string[] {
  const { text, file, family, teeth } = plainRecording(seed, defect);
  const capture = readCaptureFile(new TextEncoder().encode(text), file);
  const found = analyseCapture(capture, { family, ...(isCounted ? { pulses: teeth } : {}) }).flatMap(
    ({ findings }) => findings,
  );
  return found.map(({ code }) => code).filter((code) => code !== "key-on-transient" && code !== "probe-spike");
}

describe("another hand's recordings", () => {
  it("hash that hides pulses is told, and used for nothing: not as a recording in which every pulse is there", () => {
    const { text, file, family, teeth } = plainRecording(26120514);
    const [signal] = analyseCapture(readCaptureFile(new TextEncoder().encode(text), file), { family, pulses: teeth });
    expect(signal!.findings.map(({ code }) => code)).toEqual(["interference"]);
    expect([signal!.leading, isUsable(signal!)]).toEqual(["clean", false]);
    expect(rasterWords(signal!)).toMatch(/hash/);
  });

  it.each(["clean", "probe-spike", "key-on-transient"] as const)("%s: no fault is named", (defect) => {
    const named = Array.from({ length: EACH }, (_, i) => faultsIn(500 + i, defect));
    expect(named).toEqual(named.map(() => []));
  });

  it.each([
    "missing-pulses",
    "cracked-ring",
    "random-dropout",
    "supply-dip",
    "noise-at-rest",
    "low-amplitude",
    "level-out-of-window",
  ] as const)("%s: found in all but one of them at most", (defect) => {
    const found = Array.from({ length: EACH }, (_, i) => faultsIn(700 + i, defect).some((code) => code === defect));
    expect(found.filter(Boolean).length).toBeGreaterThanOrEqual(EACH - 1);
  });

  it("of a ring that nobody counted: its gap is no loose wire, and a loose wire is no gap", () => {
    const gaps = Array.from({ length: 2 * EACH }, (_, i) => faultsIn(800 + i, "missing-pulses", false));
    expect(gaps.flat()).not.toContain("random-dropout");
    expect(gaps.filter((one) => one.includes("missing-pulses")).length).toBeGreaterThanOrEqual(EACH + 1);
    // What it cannot tell it uses for nothing, least of all as a recording in which every pulse is there.
    for (const i of gaps.keys()) {
      if (gaps[i]!.length > 0) continue;
      const { text, file, family } = plainRecording(800 + i, "missing-pulses");
      const channels = analyseCapture(readCaptureFile(new TextEncoder().encode(text), file), { family });
      expect(channels.map(isUsable), String(800 + i)).toContain(false);
    }
    const wires = Array.from({ length: EACH }, (_, i) => faultsIn(900 + i, "random-dropout", false));
    expect(wires.filter((one) => one.includes("random-dropout")).length).toBeGreaterThanOrEqual(EACH - 1);
    expect(wires.flat()).not.toContain("missing-pulses");
  });

  it("of a ring that nobody counted: its wave is told on a driven wheel, and no other is", () => {
    const steady = [97011009, 97011063, 97011104].map((seed) => {
      const { text, file, family } = plainRecording(seed);
      const capture = readCaptureFile(new TextEncoder().encode(text), file);
      return analyseCapture(capture, { family }).flatMap(({ findings }) => findings.map(({ code }) => code));
    });
    expect(steady.filter((codes) => codes.join() === "eccentric").length).toBeGreaterThanOrEqual(2);
    const clean = Array.from({ length: EACH }, (_, i) => faultsIn(950 + i, "clean", false));
    expect(clean.flat()).toEqual([]);
  });
});
