/** A folder a logger writes into: its newest file is followed, and the next one when it is begun. */
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { parseCaptureCsv } from "@/core/capture/csv";
import { folderSource } from "./folder-source";

beforeEach(() => {
  vi.useFakeTimers();
});
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
