/** What holds of every part, whichever is added: shares, order of habit, acts, repairs. */
import { expect, it } from "vitest";
import { faults } from "../catalogue";
import { wakes } from "../wake";
import { wakeChances } from "../wakes";
import { defaultPriors, habitOrder, partLabel, partOf, parts, repairCosts } from "./parts";

it("shares before anything is known sum to one, and each part has some", () => {
  expect(Object.values(defaultPriors).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
  for (const part of parts) expect(defaultPriors[part], part).toBeGreaterThan(0);
});

it("the order of habit names each part once, the sensor first: it is what is sold on a code (domain, section 1)", () => {
  expect([...habitOrder].toSorted()).toEqual([...parts].toSorted());
  expect(habitOrder[0]).toBe("sensor");
  expect(new Set(parts.map((part) => partOf(part).habit)).size).toBe(parts.length);
});

it("every part that can be repaired has an act of its own, a plan and a price; nothing wrong has none", () => {
  const acts = parts.flatMap((part) => partOf(part).act ?? []);
  expect(new Set(acts).size).toBe(parts.length - 1);
  expect(partOf("none").act).toBeUndefined();
  for (const part of parts) {
    const { repair } = partOf(part);
    expect(repair.steps.length, part).toBeGreaterThan(0);
    expect(partLabel(part), part).toMatch(/\p{L}{4}/u);
    expect(repairCosts[part] > 0, part).toBe(part !== "none");
    expect(repair.labourMin, part).toBeGreaterThan(0);
  }
});

it("what wakes a fault is a chance, and every part has faults", () => {
  for (const fault of faults) for (const wake of wakes) expect(wakeChances(fault)[wake], fault.code).toBeGreaterThan(0);
  for (const fault of faults) for (const wake of wakes) expect(wakeChances(fault)[wake], fault.code).toBeLessThan(1);
  for (const part of parts)
    expect(
      faults.some((fault) => fault.part === part),
      part,
    ).toBe(true);
});

it("only what feeds all corners is judged on the car, and only seat and sensor take the sensor out", () => {
  expect(parts.filter((part) => partOf(part).shared)).toEqual(["module-feed"]);
  expect(parts.filter((part) => partOf(part).sensorComesOut)).toEqual(["sensor", "mounting"]);
});
