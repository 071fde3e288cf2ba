import { describe, expect, it } from "vitest";
import { checkCatalogue } from "../checks/catalogue";
import { hookupCard } from "../checks/hookup-card";
import { cautions, instruction } from "../checks/instruction";
import { interlock } from "../checks/interlocks";
import { hookupLabel, stateWords } from "../checks/words";
import { pointText } from "../circuit/point";
import { cornerSetupSchema, usualCorner } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";
import { proposeChecks } from "./next-check";
import { typedValue } from "../observation/typed-value";
import { readCar, simulateCar } from "../simulated/simulated-car";

const setup = cornerSetupSchema.parse({
  ...usualCorner,
  corner: "RL",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1.4, mm2: 0.5 },
    { station: "c1" },
    { spanM: 2.6, mm2: 0.5 },
    { station: "plug" },
  ],
});
const watching = checkCatalogue(setup, true);
const watched = watching.find(
  ({ id }) => id.startsWith("volts-dc:c1.out.return>battery.negative") && /watched/.test(id),
)!;
const glance = watching.find(({ id }) => watched.id === `${id}watched`)!;

describe("an intermittent, watched", () => {
  it("live volts and ohms are offered watched only where the fault comes and goes, at minutes a glance does not cost", () => {
    expect(checkCatalogue(setup).some(({ hookup }) => hookup.state.watched)).toBe(false);
    expect(watched.ownMinutes).toBeGreaterThan(glance.ownMinutes);
    for (const { hookup } of watching.filter(({ hookup }) => hookup.state.watched))
      expect(hookup.state.recorded ? ["volts-dc", "scope"] : ["volts-dc", "ohms"]).toContain(hookup.instrument);
  });

  it("is recorded for hours with everything joined, the signal by a scope at both faces of each plug, and not driven with play", () => {
    const long = watching.filter(({ hookup }) => hookup.state.recorded);
    for (const { hookup, ownMinutes } of long) {
      expect(hookup.state).toMatchObject({ key: "on", unplugged: [] });
      expect(ownMinutes).toBeGreaterThan(watched.ownMinutes);
      expect(instruction(hookup, setup)).toMatch(/for hours/);
      expect(cautions(hookup).join()).toMatch(/Whoever drives does not look/);
      expect(interlock(hookup, "play")?.stops).toBe(true);
    }
    const scoped = long.flatMap(({ hookup }) => (hookup.instrument === "scope" ? [pointText(hookup.red)] : []));
    expect(scoped).toEqual(["module", "c1", "plug"].flatMap((one) => [`${one}.in.return`, `${one}.out.return`]));
  });

  it("the card says to hold least and greatest, to move the loom, and what to type", () => {
    const said = instruction(watched.hookup, setup);
    expect(said).toMatch(/MIN\/MAX/);
    expect(said).toMatch(/move the loom/);
    expect(said).toMatch(/value it jumped to/);
    expect(hookupCard(watched.hookup, setup)!.dial).toMatch(/MIN\/MAX/);
    expect(hookupLabel(watched.hookup)).toMatch(/watched$/);
    expect(stateWords(watched.hookup.state)).toMatch(/watched while moved/);
    expect(instruction(glance.hookup, setup)).not.toMatch(/MIN\/MAX/);
  });

  it("a watch meets a fault that is seldom there, a glance mostly does not", () => {
    const meets = (hookup: typeof watched.hookup) => {
      let seen = 0;
      for (let seed = 0; seed < 150; seed++) {
        const car = simulateCar(setup, "wire-open@span1.return", { seed, intermittent: true });
        if (parseFloat(readCar(car, hookup)) > 5) seen++;
      }
      return seen / 150;
    };
    const [long, short] = [meets(watched.hookup), meets(glance.hookup)];
    // Duty d is drawn even over 8–85 %: a glance meets it 46 % of the time, a watch 1 − (1 − d)³ = 77 %.
    expect(short).toBeGreaterThan(0.35);
    expect(short).toBeLessThan(0.57);
    expect(long).toBeGreaterThan(0.62);
    expect(long).toBeLessThan(0.86);
  });

  it("after the same usual volts a watch clears a broken return further than a glance does", () => {
    const left = (hookup: typeof watched.hookup) => {
      const belief = new Belief(setup, complaintSchema.parse({ presence: "intermittent" }), { seed: 3, perGroup: 36 });
      const typed = typedValue(hookup, "0.86 V", setup);
      if (!typed.ok) throw new Error(typed.say);
      belief.add({ entryId: "", ...typed.observed });
      return belief.shares()[belief.indexOf("wire-open@span1.return")]!;
    };
    expect(left(watched.hookup)).toBeLessThan(0.7 * left(glance.hookup));
  });

  it("a watch may be proposed again, a glance not", () => {
    const belief = new Belief(setup, complaintSchema.parse({ presence: "intermittent" }), { seed: 3, perGroup: 36 });
    const supply = watching.find(
      ({ id }) => id.startsWith("volts-dc:c1.in.supply>battery.negative") && /watched/.test(id),
    )!;
    for (const [{ hookup }, value] of [
      [supply, "11.3 V"],
      [glance, "0.86 V"],
    ] as const) {
      const typed = typedValue(hookup, value, setup);
      if (!typed.ok) throw new Error(typed.say);
      belief.add({ entryId: "", ...typed.observed });
    }
    const ids = proposeChecks(
      belief,
      { approach: "information", pierce: false },
      { done: new Set(["reach:c1"]), skipped: new Set() },
      { most: 400 },
    ).map(({ check }) => check.id);
    expect(ids).not.toContain(glance.id);
    expect(ids.some((id) => id.endsWith("watched"))).toBe(true);
  });
});
