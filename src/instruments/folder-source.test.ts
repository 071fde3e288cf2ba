/** A folder a logger writes into: its newest file is followed, and the next one when it is begun. */
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, expect, it, vi } from "vitest";
import { parseCaptureCsv } from "@/core/capture/csv";
import { folderSource } from "./folder-source";
import { growingLog } from "./growing-log";

afterEach(() => {
  vi.useRealTimers();
});

/** So many rows at a thousand a second, all of one level. */
const rows = (count: number, volts: number) =>
  `time (s),signal (V)\n${Array.from({ length: count }, (_, i) => `${(i / 1000).toFixed(3)},${volts}\n`).join("")}`;
const parse = (text: string, name: string) => Promise.resolve(parseCaptureCsv(text, name));
const entry = (name: string, lastModified: number, text: string) => ({
  kind: "file" as const,
  name,
  getFile: () => Promise.resolve(new File([text], name, { lastModified })),
});

it("is waited for while it is empty; what is newest is followed, and time goes on from file to file", async () => {
  vi.useFakeTimers();
  const held: (ReturnType<typeof entry> | { kind: "directory"; name: string })[] = [
    { kind: "directory", name: "old.csv" },
    entry("notes.md", 900, "1,2"),
  ];
  const folder = {
    name: "logs",
    async *values() {
      yield* held;
      await Promise.resolve();
    },
  };
  const source = await folderSource(folder, parse);
  expect([source.last(5), source.waiting]).toEqual([null, "No file of numbers in logs yet."]);
  held.push(entry("b.csv", 200, rows(3000, 1)), entry("a.CSV", 100, rows(3000, 9)));
  await vi.advanceTimersByTimeAsync(2500);
  expect(source.name).toBe("logs/b.csv");
  expect(source.channels).toEqual(["signal"]);
  const first = source.last(1)!;
  expect(first.channels[0]!.samples.at(-1)).toBe(1);
  held.push(entry("c.csv", 300, rows(2000, 2)));
  await vi.advanceTimersByTimeAsync(10_000);
  expect(source.name).toBe("logs/c.csv");
  const next = source.last(1)!;
  expect(next.channels[0]!.samples.at(-1)).toBe(2);
  // Its own clock begins at nought: what is followed is later than what went before.
  expect(next.startS).toBeGreaterThan(first.startS);
  source.stop();
});

it("the simulated logger writes is followed, every row as it was recorded", async () => {
  const path = mkdtempSync(join(tmpdir(), "tastatura-log-"));
  const samples = Float32Array.from({ length: 20_000 }, (_, i) => Math.sin(i / 9));
  const recording = {
    name: "car",
    sampleS: 1 / 2000,
    startS: 0,
    channels: [{ name: "signal", unit: "V" as const, samples }],
  };
  const stop = await growingLog(recording, path);
  const folder = {
    name: "log",
    async *values() {
      for (const name of readdirSync(path))
        yield entry(name, statSync(join(path, name)).mtimeMs, readFileSync(join(path, name), "utf8"));
      await Promise.resolve();
    },
  };
  try {
    const source = await folderSource(folder, parse);
    const first = source.last(60)!.channels[0]!.samples.length;
    await vi.waitFor(
      () => expect(readFileSync(join(path, "logger-1.csv"), "utf8").split("\n").length).toBeGreaterThan(2 * first),
      { timeout: 4000 },
    );
    const again = await folderSource(folder, parse);
    const { length } = again.last(60)!.channels[0]!.samples;
    expect(length).toBeGreaterThan(first);
    expect(again.last(60)!.channels[0]!.samples).toEqual(samples.slice(0, length));
    source.stop();
    again.stop();
  } finally {
    stop();
    rmSync(path, { recursive: true });
  }
});
