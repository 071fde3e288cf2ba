/** After a repair the log goes on: what was mended is out of question but for a repair in vain, the rest stays. */
import { describe, expect, it } from "vitest";
import { dangerOfDriving } from "../verdict/do-not-drive";
import { rankParts } from "../verdict/suspects";
import { replay, replayNow } from "./replay";
import { usualCorner } from "../circuit/setup";
import { jobSchema } from "../job/schema";

const at = (n: number) => `2026-01-01T10:${String(n).padStart(2, "0")}:00Z`;
const volts = (n: number, red: string, value: string, unplugged: string[] = []) => ({
  ...{ id: `r${n}`, at: at(n), kind: "reading" },
  reading: { instrument: "volts-dc", red, black: "battery.negative", state: { key: "on", unplugged }, value },
});
const look = (n: number, instrument: string, what: string, value: string) => ({
  ...{ id: `r${n}`, at: at(n), kind: "reading" },
  reading: { instrument, look: what, value },
});
const repair = (n: number, part: string, place: string) => ({
  ...{ id: `r${n}`, at: at(n), kind: "repair" },
  ...{ fault: "terminal-open", part, place, words: "terminal", share: 0.95, guess: false },
});
const job = (entries: object[]) =>
  jobSchema.parse({
    ...{ tastatura: "job/4", id: "twice", createdAt: at(0), car: { name: "Halmer Teal" }, complaint: {}, policy: {} },
    setup: {
      corner: "RR",
      ...{ family: "active-2wire", ...usualCorner },
      path: [
        { station: "module" },
        { spanM: 1.2, mm2: 0.5 },
        { station: "c1" },
        { spanM: 3.4, mm2: 0.5 },
        { station: "plug" },
      ],
    },
    entries,
  });
const shareOf = (belief: ReturnType<typeof replay>, part: string) =>
  rankParts(belief).find((one) => one.part === part)!.share;

const brokenTerminal = [
  volts(1, "plug.out.supply", "0.02 V"),
  volts(2, "c1.in.supply", "11.9 V"),
  volts(3, "c1.out.supply", "0.02 V"),
];
const mended = [...brokenTerminal, repair(4, "connector", "c1.supply")];
const liveAgain = [volts(5, "plug.out.supply", "11.8 V"), volts(6, "plug.out.return", "0.84 V")];

describe("after a repair", () => {
  it("the part is mostly out of question, and all-clear leads", () => {
    const [before, after] = [replay(job(mended)), replayNow(job(mended))];
    expect(shareOf(before, "connector")).toBeGreaterThan(0.9);
    expect(shareOf(after, "connector")).toBeLessThan(0.15);
    expect(shareOf(after, "none")).toBeGreaterThan(0.8);
  });

  it("a repair in vain is seen: the same reading as before brings the part back", () => {
    const again = replayNow(
      job([...mended, volts(5, "plug.out.supply", "0.02 V"), volts(6, "c1.out.supply", "0.02 V")]),
    );
    expect(shareOf(again, "connector")).toBeGreaterThan(0.6);
  });

  it("a second fault behind the first comes to light, is repaired in its turn, and the corner is clear", () => {
    const second = [...mended, ...liveAgain, look(7, "film", "encoder", "gap"), look(8, "eyes", "ring", "missing")];
    expect(shareOf(replayNow(job(second)), "ring")).toBeGreaterThan(0.8);
    const both = job([...second, repair(9, "ring", "ring"), look(10, "film", "encoder", "whole")]);
    const clear = replayNow(both);
    expect(shareOf(clear, "ring")).toBeLessThan(0.05);
    expect(shareOf(clear, "none")).toBeGreaterThan(0.8);
  });

  it("a wheel with play is not driven after another part was repaired, and is once the bearing was", () => {
    const play = [look(1, "hands", "bearing", "play"), ...brokenTerminal.slice(1)];
    const other = replayNow(job([...play, repair(4, "connector", "c1.supply")]));
    expect(dangerOfDriving(other)).toBe("play");
    expect(dangerOfDriving(replayNow(job([...play, repair(4, "bearing", "bearing")])))).toBeNull();
  });

  it("nothing repaired is the car as it came", () => {
    expect([...replayNow(job(brokenTerminal)).shares()]).toEqual([...replay(job(brokenTerminal)).shares()]);
  });
});
