import { whereaboutsOf } from "../car/whereabouts";
import { describe, expect, it } from "vitest";
import type { Ranges } from "../car/dimensions";
import { drawCar } from "../car/draw";
import { StateReader, type Outlook } from "../observation/reader";
import { cornerSetupSchema, families, type Family } from "../circuit/setup";
import { stateKey } from "../circuit/state";
import { suspectables, suspectId } from "../faults/catalogue";
import { hookupOf, readingFrom } from "../observation/read-observation";
import { pathShares } from "../harness/path-shares";
import { matchAnswer, answersFor } from "./answers";
import { scopeAnswers } from "./scope-answers";
import { checkCatalogue } from "./catalogue";
import { hookupKey } from "./hookup";
import { cautions, instruction } from "./instruction";

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1" },
  { spanM: 2, mm2: 0.5 },
  { station: "c2" },
  { spanM: 1.4, mm2: 0.35 },
  { station: "plug" },
];
const setupOf = (family: Family, sense: "low" | "high" = "low") =>
  cornerSetupSchema.parse({ corner: "RL", family, sense, path });

describe.each(families)("checks on %s", (family) => {
  const setup = setupOf(family);
  const checks = checkCatalogue(setup);

  it("keeps the interlocks: ohms only dead, battery off before the module plug", () => {
    const ohms = checks.filter(({ hookup }) => hookup.instrument === "ohms");
    expect(ohms.length).toBeGreaterThan(10);
    for (const { hookup } of ohms) expect(hookup.state).toMatchObject({ key: "off", batteryOff: true });
    for (const { hookup } of checks)
      if (hookup.state.unplugged.includes("module")) expect(hookup.state.batteryOff).toBe(true);
  });

  it("every check can be written, read again and said, with the cautions of its state", () => {
    for (const { hookup, access, ownMinutes } of checks) {
      const again = hookupOf(readingFrom(hookup, ""), setup);
      expect(again.ok && hookupKey(again.value)).toBe(hookupKey(hookup));
      expect(instruction(hookup, setup)).toMatch(/[.?]$/);
      expect(ownMinutes + access.reduce((sum, { minutes }) => sum + minutes, 0)).toBeGreaterThan(0);
      if (hookup.state.wheel === "hand") expect(cautions(hookup).join()).toMatch(/stands.*spinning hub/s);
      if (hookup.state.batteryOff) expect(cautions(hookup).join()).toMatch(/Battery negative off/);
      if (hookup.state.wheel === "still" && !hookup.state.batteryOff)
        expect(cautions(hookup).join()).not.toMatch(/spinning/);
    }
  });

  it("no fault is invisible, whatever its size: each differs from a healthy car in some check", () => {
    const all = suspectables(setup);
    const usual =
      (own: number): Ranges =>
      (dimension) =>
        dimension.startsWith("own") ? own : 0.45;
    const nothing = all.find(({ fault }) => fault.part === "none")!;
    const states = new Set(checks.map(({ hookup }) => stateKey(hookup.state)));
    const readers = [...states].map((state) => {
      const sharing = checks.filter(({ hookup }) => stateKey(hookup.state) === state).map(({ hookup }) => hookup);
      return new StateReader(setup, sharing[0]!.state, sharing);
    });
    const read = (one: (typeof all)[number], own: number) =>
      readers.flatMap((reader) => {
        reader.take(drawCar(setup, one.fault, one.place, usual(own)));
        const where = whereaboutsOf(one, false);
        return reader.hookups.map((_, at) => reader.outlook(at, where));
      });
    const healthy = read(nothing, 0.5);
    for (const one of all)
      for (const own of [0.1, 0.9]) {
        const told = read(one, own).filter((outlook, i) => differs(outlook, healthy[i]!)).length;
        expect(told > 0, `${suspectId(one.fault, one.place)} of size ${own}`).toBe(one !== nothing);
      }
  });

  it("priors of all faults and places sum to one, and the path carries all of them", () => {
    const all = suspectables(setup);
    expect(all.reduce((sum, { prior }) => sum + prior, 0)).toBeCloseTo(1, 9);
    const ids = all.map(({ fault, place }) => suspectId(fault, place));
    expect(new Set(ids).size).toBe(ids.length);
    const items = pathShares(
      setup,
      all.map(({ fault, place, prior }) => ({ place: place.id, part: fault.part, share: prior })),
    );
    const elsewhere = all.filter(({ fault }) => fault.part === "none").reduce((sum, { prior }) => sum + prior, 0);
    expect(items.reduce((sum, { share }) => sum + share, 0) + elsewhere).toBeCloseTo(1, 6);
  });
});

function differs(one: Outlook, other: Outlook): boolean {
  if (one.kind === "words")
    return other.kind === "words" && one.chances.some((chance, i) => Math.abs(chance - other.chances[i]!) > 0.3);
  if (other.kind === "words") return false;
  if (one.values.length !== other.values.length) return true;
  return one.values.some((value, i) => {
    const usual = other.values[i]!;
    if (value === usual) return false;
    return !Number.isFinite(value - usual) || Math.abs(value - usual) > 0.1 * Math.abs(usual) + 0.05;
  });
}

describe("answers", () => {
  const setup = setupOf("active-2wire");
  const ring = answersFor({ instrument: "eyes", look: "ring", state: checkCatalogue(setup)[0]!.hookup.state })!;
  it.each([
    ["intact", "intact"],
    ["whole", "intact"],
    ["2", "missing"],
    ["crac", "cracked"],
    ["9", null],
    ["purple", null],
    ["Looks intact.", "intact"],
    ["missing tooth", "missing"],
    ["cracked and dirty", null],
    ["not missing", null],
  ])("%s means %s", (typed, meant) => {
    expect(matchAnswer(ring, typed)).toBe(meant);
  });
  const plug = answersFor({ instrument: "eyes", look: "plug", state: checkCatalogue(setup)[0]!.hookup.state })!;
  it.each([
    ["no corrosion at all", "clean"],
    ["not wet", "clean"],
    ["no visible corrosion", "clean"],
    ["not clean", "bad"],
    ["not wet but loose", null],
    ["not sure, wet", null],
  ])("of two answers, %s means %s", (typed, meant) => {
    expect(matchAnswer(plug, typed)).toBe(meant);
  });
  it.each([
    ["one tooth missing", "missing-pulses"],
    ["dropouts", "random-dropout"],
    ["stuck high", "flat"],
    ["swells once a turn", "eccentric"],
    ["good, even", "clean"],
    ["good but noisy", null],
    ["level 2.4 V", null],
  ])("of a recording, %s means %s", (typed, meant) => {
    expect(matchAnswer(scopeAnswers(), typed)).toBe(meant);
  });
  const speed = answersFor({ instrument: "scan", look: "speed", state: checkCatalogue(setup)[0]!.hookup.state })!;
  it.each([
    ["0 km/h", "zero"],
    ["0 km/h below 8", null],
    ["goes dead now and then", null],
    ["half of the others", "ratio-off"],
  ])("of a live speed, %s means %s", (typed, meant) => {
    expect(matchAnswer(speed, typed)).toBe(meant);
  });
});
