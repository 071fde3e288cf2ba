/** A logger's file followed while it is written: whole rows only, begun anew, refused, gone. */
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { fileSource } from "./file-source";

const HEAD = "# logger 7\ntime;signal\ns;V\n";
const rows = (from: number, to: number) =>
  Array.from(
    { length: to - from },
    (_, i) => `${((from + i) / 100).toFixed(2)};${(from + i) % 2 ? "1.68" : "0.84"}\n`,
  ).join("");

describe("a file that grows", () => {
  beforeEach(() => void vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"] }));
  afterEach(() => vi.useRealTimers());
  const look = async () => {
    await vi.advanceTimersByTimeAsync(600);
    await new Promise((resolve) => setTimeout(resolve, 20));
  };

  it("is read as it comes, half rows left for the next look", async () => {
    let text = HEAD + rows(0, 40);
    const source = await fileSource({ name: "log.csv", getFile: () => Promise.resolve(new Blob([text])) });
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

  it("begun anew under the same name is another recording; one that goes is told", async () => {
    let text = HEAD + rows(0, 60);
    let gone = false;
    const source = await fileSource({
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

  it("that is no capture is refused at once, with what is wrong", async () => {
    const refused = fileSource({ name: "notes.txt", getFile: () => Promise.resolve(new Blob(["hello there\n"])) });
    await expect(refused).rejects.toThrow(/notes\.txt/);
  });
});
