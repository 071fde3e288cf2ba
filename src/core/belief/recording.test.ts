/**
 * Two channels of one recording stand or fall together: the fault came while both ran or while neither did. Checked
 * against the two mixed by hand, s·f₁·f₂ + (1 − s)·g₁·g₂, from forecasts each of its own.
 */
import { describe, expect, it } from "vitest";
import { openDiagnosis } from "../bench/diagnose-file";
import { cornerSetupSchema } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { readingSchema, type Reading } from "../observation/reading";
import { SLIP } from "../observation/likelihood";
import { observationsIn } from "../replay/observations";
import { Belief } from "./belief";

const corner = {
  corner: "FL",
  family: "passive",
  path: [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "c1" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
};
const complaint = { presence: "intermittent", symptoms: ["lamp"] };
const hours = { key: "on", wheel: "driven", watched: true, recorded: true };

function channel(point: string, finding: string, recording?: string): Reading {
  return readingSchema.parse({
    instrument: "scope",
    point,
    finding,
    state: recording === undefined ? hours : { ...hours, recording },
  });
}

function partsAfter(...readings: Reading[]): Record<string, number> {
  const file = { tastatura: "diagnose/1", ...corner, complaint, readings: [] };
  const { diagnosing } = openDiagnosis(JSON.stringify(file), "intermittent.json");
  for (const reading of readings) expect(diagnosing.read(reading)).toBeNull();
  return Object.fromEntries(diagnosing.ranking().parts.map(({ part, share }) => [part, share]));
}

describe("lost at the module side of the sensor plug, good at its sensor side", () => {
  const lost = (name?: string) => channel("plug.in.a", "random-dropout", name);
  const good = (name?: string) => channel("plug.out.a", "clean", name);

  it("in one recording names what lies between, in two days hardly", () => {
    const [together, apart] = [partsAfter(lost("a"), good("a")), partsAfter(lost(), good())];
    expect(together.sensor!).toBeLessThan(0.5 * apart.sensor!);
    expect(together.sensor!).toBeLessThan(0.12);
  });

  it("whichever channel is typed first", () => {
    const [one, other] = [partsAfter(lost("a"), good("a")), partsAfter(good("a"), lost("a"))];
    for (const part of Object.keys(one)) expect(Math.abs(one[part]! - other[part]!), part).toBeLessThan(0.03);
  });

  it("another name, or another recording in between, is another time", () => {
    const other = partsAfter(lost("a"), good("b"));
    const apart = partsAfter(lost(), good());
    // The first one's forecasts are kept or made anew.
    for (const part of Object.keys(apart)) expect(Math.abs(other[part]! - apart[part]!), part).toBeLessThan(0.005);
  });
});

it("a wire on which a good car has no signal has none to lose: nothing seen there tells next to nothing", () => {
  const highSide = { ...corner, family: "active-2wire", sense: "high", complaint, readings: [] };
  const parts = (...readings: Reading[]) => {
    const { diagnosing } = openDiagnosis(JSON.stringify({ tastatura: "diagnose/1", ...highSide }), "high-side.json");
    for (const reading of readings) expect(diagnosing.read(reading)).toBeNull();
    return new Map(diagnosing.ranking().parts.map(({ part, share }) => [part, share]));
  };
  const came = readingSchema.parse({
    ...{ instrument: "scope", point: "plug.out.return", finding: "flat" },
    state: { ...hours, meanwhile: "came" },
  });
  const [before, after] = [parts(), parts(came)];
  for (const part of ["sensor", "connector", "harness"] as const)
    expect(Math.abs(Math.log(after.get(part)! / before.get(part)!)), part).toBeLessThan(0.35);
});

it("two channels that saw nothing are not two days on which nothing came", () => {
  const quiet = (...names: string[]) =>
    partsAfter(...names.map((name, i) => channel(i === 0 ? "plug.out.a" : "module.in.a", "clean", name)));
  const [one, together, apart] = [quiet("a"), quiet("a", "a"), quiet("a", "b")];
  expect(together.none!).toBeGreaterThan(one.none!);
  expect(together.none! - one.none!).toBeLessThan(0.9 * (apart.none! - one.none!));
});

it("the chance that a car's fault came is that of its forecasts, mixed by hand", () => {
  const loop = cornerSetupSchema.parse({ ...corner, family: "active-2wire", sense: "low" });
  const belief = new Belief(loop, complaintSchema.parse(complaint), { seed: 5 });
  const reading = channel("plug.in.return", "signal-lost", "a");
  const { read } = observationsIn([{ entryId: "1", reading }], loop);
  const [table] = belief.forecasts([read[0]!.hookup]);
  if (table?.kind !== "words") throw new Error("a recording is told in words");
  const at = table.words.indexOf("signal-lost");
  belief.learn(read[0]!);
  const { came } = belief.checkpoint().recording!;
  const comesAndGoes = belief.hypotheses.filter((one) => one.comesAndGoes);
  expect(comesAndGoes.length).toBeGreaterThan(10);
  for (const { first, size } of comesAndGoes)
    for (let row = first; row < first + size; row += 13) {
      const cell = row * table.words.length;
      const s = table.there.subarray(cell, cell + table.words.length).reduce((sum, one) => sum + one, 0);
      const lost = (chance: number) => (1 - SLIP) * chance + SLIP / table.words.length;
      const [f, g] = [table.there[cell + at]! / s, (table.chances[cell + at]! - table.there[cell + at]!) / (1 - s)];
      expect(came[row]!).toBeCloseTo((s * lost(f)) / (s * lost(f) + (1 - s) * lost(g)), 6);
    }
});

it("a name on what does not wait for the fault is refused, with what to do", () => {
  const { diagnosing } = openDiagnosis(
    JSON.stringify({ tastatura: "diagnose/1", ...corner, complaint, readings: [] }),
    "intermittent.json",
  );
  const glance = { instrument: "volts-dc", red: "c1.out.supply", black: "battery.negative", value: "11.9 V" };
  const said = diagnosing.read(readingSchema.parse({ ...glance, state: { recording: "a" } }));
  expect(JSON.stringify(said)).toMatch(/watched/);
});

it("a second channel is proposed where there is one, on the same car in the same hours", () => {
  const proposed = (more: object) => {
    const file = { tastatura: "diagnose/1", ...corner, family: "active-2wire", sense: "low", complaint, ...more };
    const { diagnosing } = openDiagnosis(JSON.stringify({ ...file, readings: [] }), "intermittent.json");
    return diagnosing.diagnosis().next;
  };
  expect(proposed({}).every(({ beside }) => beside === undefined)).toBe(true);
  const pairs = proposed({ channels: 2 }).flatMap((first) => (first.beside ? [[first, first.beside] as const] : []));
  expect(pairs.length).toBeGreaterThan(0);
  for (const [first, beside] of pairs) {
    expect(beside.instrument).toBe(first.instrument);
    expect(beside.state).toEqual(first.state);
    expect([beside.red, beside.black]).not.toEqual([first.red, first.black]);
    expect(beside.alongside).toMatch(/^At the same time/);
  }
});
