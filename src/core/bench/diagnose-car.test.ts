/** A whole car by the `diagnose/2` contract. */
import { describe, expect, it } from "vitest";
import { UnusableInput } from "../capture/capture";
import { carParts } from "../verdict/car-parts";
import { diagnoseCar, openCar } from "./diagnose-car";

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
const fileOf = (corners: object, shared: object = {}, car: object = {}) =>
  JSON.stringify({ tastatura: "diagnose/2", car, corners, shared });
/** What is believed of a car, without what to measure next. */
function diagnosed(corners: object, shared?: object, car?: object) {
  const { alone, together } = openCar(fileOf(corners, shared, car), "car.json");
  const made = together.map(({ diagnosing, ...one }) => ({ ...one, ...diagnosing.ranking() }));
  return { parts: carParts(alone, made), corners: Object.fromEntries(made.map((one) => [one.corner, one])) };
}

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
    const low = corner([toggle("0.42 / 0.84 V")], ["C0031"]);
    expect(healthy({ FL: low, FR: corner([toggle("0.84 / 1.68 V")]) })).toBeLessThan(0.5 * healthy({ FL: low }));
  });

  it("two faults of their own, both coded and each seen by the other, are no shared cause", () => {
    const others = seen("scan", "others", "several");
    const { parts, corners } = diagnosed({
      FL: corner([others, seen("scan", "speed", "cuts-low"), seen("eyes", "foot", "lifted")], ["C0031"]),
      RR: corner([others, volts("c1.in.supply", "11.9 V"), volts("c1.out.supply", "0.02 V")], ["C003A-13"]),
    });
    expect(parts.find(({ part }) => part === "module-feed")!.share).toBeLessThan(0.1);
    expect(corners.FL!.parts[0]).toMatchObject({ part: "mounting" });
    expect(corners.RR!.parts[0]).toMatchObject({ part: "connector" });
  });

  it("what was measured once counts once, however many corners are in work", () => {
    const others = { FL: corner([], ["C0031"]), FR: corner([], ["C0034"]), RL: corner([], ["C0037"]) };
    const shared = { readings: [volts("module.in.power", "9.0 V")] };
    const share = (corners: object) =>
      diagnosed(corners, shared).parts.find(({ part }) => part === "module-feed")!.share;
    expect(share(others)).toBeLessThan(share({ FL: corner([], ["C0031", "C0034", "C0037"]) }) + 0.03);
  });

  it("a corner that no code names is the others' reference: sound until its own readings say otherwise", () => {
    const fault = corner([seen("film", "encoder", "gap")], ["C0031"]);
    const { corners, parts } = diagnosed({ FL: fault, FR: corner([seen("eyes", "foot", "seated")]) });
    expect(corners.FR!.parts[0]).toMatchObject({ part: "none" });
    expect(parts[0]).toMatchObject({ corner: "FL", part: "ring" });
    const own = corner([seen("eyes", "foot", "seated")], ["C1145"]);
    expect(diagnosed({ FL: fault, FR: own }).corners.FR!.parts[0]!.part).not.toBe("none");
    const worn = corner([seen("film", "encoder", "gap"), seen("eyes", "ring", "missing")]);
    expect(diagnosed({ FL: fault, FR: worn }).corners.FR!.parts[0]).toMatchObject({ part: "ring" });
  });

  it("takes what holds for all corners from the car, and the four speeds as they stood side by side", () => {
    const own = { readings: [], complaint: { codes: ["C0037"] } };
    const four = {
      instrument: "scan",
      speedsKmh: { FL: 30.2, FR: "18.6 mph", RL: 0, RR: 30.1 },
      state: { wheel: "driven" },
    };
    const shared = [four, { ...seen("scan", "speed", "zero"), corner: "FL" }, volts("module.power", "12.6 V")];
    const file = (car: object, corners: object) => diagnosed(corners, { readings: shared }, car);
    const head = { family: "active-2wire", path, sense: "low" };
    const { corners } = file(head, { RL: own, RR: { readings: [volts("plug.steam", "1 V")] } });
    expect(corners.RL!.names).toEqual([{ shared: 0 }, { shared: 2 }]);
    expect(corners.RR!.names.at(-1)).toEqual({ reading: 0 });
    expect(corners.RR!.unread.map(({ entryId }) => corners.RR!.names[Number(entryId)])).toEqual([{ reading: 0 }]);
    const dead = file({}, { RL: { ...head, ...own, readings: [seen("scan", "speed", "zero")] } });
    expect(corners.RL!.parts.find(({ part }) => part === "ring")!.share).toBeCloseTo(
      dead.corners.RL!.parts.find(({ part }) => part === "ring")!.share,
      1,
    );
  });

  it("proposes for all corners, and what is the same for all once", () => {
    const { next } = diagnoseCar(fileOf({ FL: corner([]), FR: corner([]) }), "car.json");
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
