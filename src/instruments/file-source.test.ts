/** A logger's file followed while it is written: whole rows only, begun anew, refused, gone. */
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { parseCaptureCsv } from "@/core/capture/csv";
import { fileSource, type GrowingFile } from "./file-source";

const HEAD = "# logger 7\ntime;signal\ns;V\n";
const rows = (from: number, to: number) =>
  Array.from(
    { length: to - from },
    (_, i) => `${((from + i) / 100).toFixed(2)};${(from + i) % 2 ? "1.68" : "0.84"}\n`,
  ).join("");

const follow = (file: GrowingFile, keptSigns?: number) =>
  fileSource(file, (text, name) => Promise.resolve().then(() => parseCaptureCsv(text, name)), keptSigns);

describe("a file that grows", () => {
  beforeEach(() => void vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"] }));
  afterEach(() => vi.useRealTimers());
  const look = async () => {
    await vi.advanceTimersByTimeAsync(600);
    await new Promise((resolve) => setTimeout(resolve, 20));
  };

  it("is read as it comes, half rows left for the next look", async () => {
    let text = HEAD + rows(0, 40);
    const source = await follow({ name: "log.csv", getFile: () => Promise.resolve(new Blob([text])) });
    expect(source.channels).toEqual(["signal"]);
    expect(source.last(60)!.channels[0]!.samples).toHaveLength(40);
    text += rows(40, 100) + "1.00;0.8";
    await look();
    expect(source.last(60)!.channels[0]!.samples).toHaveLength(100);
    text += "4\n" + rows(101, 150);
    await look();
    const all = source.last(60)!;
    expect(all.channels[0]!.samples).toHaveLength(150);
    expect(all.channels[0]!.samples[100]).toBeCloseTo(0.84, 5);
    expect(source.last(0.2)!.channels[0]!.samples).toHaveLength(20);
    expect(source.last(0.2)!.startS).toBeCloseTo(1.3, 5);
    source.stop();
    text += rows(150, 200);
    await look();
    expect(source.last(60)!.channels[0]!.samples).toHaveLength(150);
  });

  it("of hours the last is kept, at its own time", async () => {
    let text = HEAD + rows(0, 12_000);
    const source = await follow({ name: "log.csv", getFile: () => Promise.resolve(new Blob([text])) });
    for (const end of [12_100, 12_200, 12_300]) {
      text += rows(end - 100, end);
      await look();
      const last = source.last(20)!;
      expect(last.channels[0]!.samples).toHaveLength(2000);
      expect(last.startS).toBeCloseTo(end / 100 - 20, 5);
    }
    // Nobody asks for more than half a minute, and all of it would be read anew at every look.
    expect(source.last(1000)!.channels[0]!.samples.length).toBeLessThan(4500);
    source.stop();
  });

  it("begun anew under the same name is another recording; one that goes is told", async () => {
    let text = HEAD + rows(0, 60);
    let gone = false;
    const source = await follow({
      name: "log.csv",
      getFile: () => (gone ? Promise.reject(new Error("NotFoundError")) : Promise.resolve(new Blob([text]))),
    });
    text = HEAD + rows(500, 530);
    await look();
    expect(source.last(60)!.startS).toBeCloseTo(5, 5);
    expect(source.last(60)!.channels[0]!.samples).toHaveLength(30);
    gone = true;
    await look();
    expect(source.ended).toMatch(/can no longer be read/);
    expect(source.last(60)!.channels[0]!.samples).toHaveLength(30);
  });

  it("without rows is waited for; what is no capture is refused, with what is wrong", async () => {
    let text = "";
    const source = await follow({ name: "log.csv", getFile: () => Promise.resolve(new Blob([text])) });
    expect(source.last(60)).toBeNull();
    expect(source.waiting).toContain("log.csv");
    text = HEAD + rows(0, 9);
    await look();
    expect(source.waiting).toMatch(/16/);
    text += rows(9, 40);
    await look();
    expect(source.waiting).toBeNull();
    expect(source.last(60)!.channels[0]!.samples).toHaveLength(40);
    source.stop();
    const notes = "hello there, nothing to see\n".repeat(1000);
    await expect(follow({ name: "notes.txt", getFile: () => Promise.resolve(new Blob([notes])) })).rejects.toThrow(
      /notes\.txt/,
    );
  });

  // As loggers of many countries write them (common practice, no source). @returns the bytes of rows `from` to `to`
  const STEP_S = 0.002;
  const volts = (i: number) => Number((1.1 + 0.9 * Math.sin(i / 11)).toFixed(4));
  const seconds = (i: number) => i * STEP_S;
  const comma = (value: number, digits: number) => value.toFixed(digits).replace(".", ",");
  const clock = (s: number) =>
    `${String(Math.floor(s / 3600) % 24).padStart(2, "0")}:${String(Math.floor(s / 60) % 60).padStart(2, "0")}:${(s % 60).toFixed(3).padStart(6, "0")}`;
  const utf8 = (text: string) => new TextEncoder().encode(text);
  const utf16 = (text: string) => Uint8Array.from([...text].flatMap((sign) => [sign.charCodeAt(0), 0]));
  const western = (text: string) => Uint8Array.from([...text].map((sign) => sign.charCodeAt(0)));
  const ways: Record<string, { head: string; row: (i: number) => string; bytes?: (text: string) => Uint8Array }> = {
    "seconds and volts": { head: "time (s),A (V)\n", row: (i) => `${seconds(i).toFixed(3)},${volts(i)}\n` },
    "decimal commas, CRLF": {
      head: "Zeit;Kanal A\r\nms;V\r\n",
      row: (i) => `${comma(seconds(i) * 1e3, 1)};${comma(volts(i), 4)}\r\n`,
    },
    "a clock past midnight": { head: "Time,V\n", row: (i) => `${clock(86_390 + seconds(i))},${volts(i)}\n` },
    "date and clock": {
      head: "Date,Time,Volt\n",
      row: (i) => `29/11/2026,${clock(33_000 + seconds(i))},${volts(i)}\n`,
    },
    "no times, a rate": { head: "# rate 500 Hz\nV\n", row: (i) => `${volts(i)}\n` },
    "letters of two bytes": {
      head: "\ufeffTime (s);A (V)\r\n",
      row: (i) => `${seconds(i).toFixed(3)};${volts(i)}\r\n`,
      bytes: utf16,
    },
    "western letters": {
      head: "Zeit (\u00b5s);Gr\u00f6\u00dfe (V)\n",
      row: (i) => `${Math.round(seconds(i) * 1e6)};${volts(i)}\n`,
      bytes: western,
    },
    "CR alone": { head: "time (s)\tA (V)\r", row: (i) => `${seconds(i).toFixed(3)}\t${volts(i)}\r` },
  };

  it.each(Object.entries(ways))(
    "hands out its newest seconds at their time, long after the first rows went: %s",
    async (_, way) => {
      const { head, row, bytes = utf8 } = way;
      const rowsOf = (from: number, to: number) => Array.from({ length: to - from }, (_, i) => row(from + i)).join("");
      let parts = [bytes(head.slice(0, 7))];
      const source = await follow(
        { name: "log.csv", getFile: () => Promise.resolve(new Blob(parts as BlobPart[])) },
        60_000,
      );
      let [at, fromS] = [0, null as number | null];
      // Cut in the middle of the header, of a row, and of a letter; the last piece is far more than is kept.
      const pieces = [head.slice(7) + rowsOf(0, 50), ...[600, 7000, 9000, 150_000].map((to) => ({ to }))];
      for (const piece of pieces) {
        const to = typeof piece === "string" ? 50 : piece.to;
        const whole = bytes(typeof piece === "string" ? piece : rowsOf(at, to));
        at = to;
        parts = [...parts, whole.slice(0, -5)];
        await look();
        parts = [...parts, whole.slice(-5)];
        await look();
        const last = source.last(1)!;
        const newest = Array.from(last.channels[0]!.samples.slice(-40), (value) => Number(value.toFixed(4)));
        expect(newest).toEqual(Array.from({ length: 40 }, (_, i) => volts(at - 40 + i)));
        expect(last.sampleS).toBeCloseTo(STEP_S, 6);
        const endS = last.startS + last.channels[0]!.samples.length * last.sampleS;
        fromS ??= endS - at * STEP_S;
        // What was passed over unread is reckoned by its bytes, where no row tells the time.
        expect(Math.abs(endS - fromS - at * STEP_S)).toBeLessThan(head.includes("rate") && at > 9000 ? 3 : 0.01);
      }
      source.stop();
    },
    20_000,
  );
});
