/** A whole car by the `diagnose/2` contract. */
import { describe, expect, it } from "vitest";
import { UnusableInput } from "../capture/capture";
import { diagnoseCar } from "./diagnose-car";

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1" },
  { spanM: 3.4, mm2: 0.5 },
  { station: "plug" },
];
const volts = (red: string, value: string, unplugged: string[] = []) => ({
  ...{ instrument: "volts-dc", red, black: "battery.negative", value },
  state: { key: "on", unplugged },
});
const seen = (instrument: string, look: string, value: string) => ({ instrument, look, value, state: { key: "off" } });
const corner = (readings: object[], codes: string[] = []) => ({
  ...{ family: "active-2wire", path, readings },
  complaint: { codes, symptoms: ["lamp"] },
});
const diagnosed = (corners: object, shared?: object) =>
  diagnoseCar(JSON.stringify({ tastatura: "diagnose/2", car: {}, corners, ...(shared ? { shared } : {}) }), "car.json");

describe("a whole car", () => {
  it("one bad feed of the module at two corners is one cause, said once and first", () => {
    const dead = [volts("plug.in.supply", "0.9 V", ["plug"])];
    const { parts, corners } = diagnosed(
      { RL: corner(dead, ["C0037-16"]), RR: corner(dead, ["C003A-16"]) },
      { readings: [volts("battery.positive", "12.5 V"), volts("module.in.power", "2.1 V")] },
    );
    expect(parts[0]).toMatchObject({ part: "module-feed" });
    expect(parts[0]!.share).toBeGreaterThan(0.85);
    expect(parts.filter(({ part }) => part === "module-feed")).toHaveLength(1);
    const alone = corners.RR!.parts.find(({ part }) => part === "module-feed")!.share;
    expect(parts[0]!.share).toBeGreaterThanOrEqual(alone - 1e-6);
  });

  it("two corners with faults of their own each keep theirs, with its corner", () => {
    const { parts } = diagnosed({
      FL: corner([seen("eyes", "ring", "missing"), seen("film", "encoder", "gap"), seen("film", "encoder", "gap")]),
      RR: corner([
        volts("c1.in.supply", "11.9 V"),
        volts("c1.out.supply", "0.02 V"),
        volts("plug.out.supply", "0.02 V"),
      ]),
    });
    const lead = (at: string) => parts.find((one) => one.corner === at)!;
    expect(lead("FL")).toMatchObject({ part: "ring" });
    expect(lead("RR")).toMatchObject({ part: "connector" });
    expect(Math.min(lead("FL").share, lead("RR").share)).toBeGreaterThan(0.75);
  });

  it("levels of the other side are the reference: half of them here speak for a resistance, alone they are a make's own", () => {
    const creep = { instrument: "volts-dc", red: "plug.out.return", black: "battery.negative" };
    const toggle = (value: string) => ({ ...creep, value, state: { key: "on", wheel: "creep" } });
    const healthy = (corners: object) =>
      diagnosed(corners).corners.FL!.parts.find(({ part }) => part === "none")!.share;
    const low = corner([toggle("0.42 / 0.84 V")]);
    expect(healthy({ FL: low, FR: corner([toggle("0.84 / 1.68 V")]) })).toBeLessThan(0.5 * healthy({ FL: low }));
  });

  it("proposes for all corners, and what is the same for all once", () => {
    const { next } = diagnosed({ FL: corner([]), FR: corner([]) });
    expect(next.length).toBeGreaterThan(3);
    expect(new Set(next.map((one) => one.corner)).size).toBe(2);
    expect(next.filter(({ look }) => look === "others").length).toBeLessThan(2);
  });

  it.each([
    [{}, /no corner in it/],
    [{ FL: { family: "steam", path } }, /FL: family/],
    [{ XX: corner([]) }, /no corner in it/],
  ])("%j is told with its place", (corners, say) => {
    expect(() => diagnosed(corners)).toThrow(UnusableInput);
    expect(() => diagnosed(corners)).toThrow(say);
  });
});
