import { describe, expect, it } from "vitest";
import { faults } from "../faults/catalogue";
import { parts } from "../faults/parts/parts";
import { otherTorque, repairPlan, sensorComesOut } from "./repair-plan";

describe("every fault of the catalogue", () => {
  it.each(faults.map(({ code, part }) => [code, part] as const))(
    "%s (%s) has a repair that can be worked from",
    (code, part) => {
      const plan = repairPlan(code, part);
      expect(plan.title.length).toBeGreaterThan(5);
      if (part !== "none") expect(plan.steps.length).toBeGreaterThan(0);
      for (const step of [...plan.steps, ...plan.cautions, ...plan.newPart]) expect(step.trim()).toMatch(/[.!?)]$/);
      expect(new Set(plan.steps).size).toBe(plan.steps.length);
      expect(plan.partsCost).toBeGreaterThanOrEqual(0);
      expect(plan.labourMin).toBeGreaterThanOrEqual(0);
    },
  );

  it("whatever takes the wheel off is done on stands, and its nuts are tightened to the maker's figure", () => {
    for (const { code, part } of faults) {
      const plan = repairPlan(code, part);
      if (!plan.steps.some((step) => /wheel off/i.test(step))) continue;
      expect(plan.cautions.join(" "), code).toMatch(/stands/i);
      expect([...plan.torques, ...plan.steps].join(" "), code).toMatch(/wheel nuts/i);
    }
  });

  it("a bearing with an encoder is looked at under the film before it goes in, and never dropped", () => {
    const plan = repairPlan("ring-missing", "ring");
    expect(plan.newPart.join(" ")).toMatch(/film/i);
    expect([...plan.newPart, ...plan.steps].join(" ")).toMatch(/drop/i);
    expect(repairPlan("encoder-reversed", "ring").steps.join(" ")).toMatch(/encoder face toward the sensor/);
  });

  it("a wire is spliced with staggered, sealed joints, its twist kept and clipped away from heat", () => {
    const said = repairPlan("wire-open", "harness").steps.join(" ").toLowerCase();
    for (const word of ["bright", "sealed", "set apart", "twist", "clip"]) expect(said).toContain(word);
  });

  it("rust under the foot is cleaned and the sensor reseated, not replaced", () => {
    const plan = repairPlan("mounting-gap", "mounting");
    expect(plan.partsCost).toBeLessThan(20);
    expect(plan.steps.join(" ")).toMatch(/rust/i);
  });

  it("the module's own work comes with its caution on battery and on who may do it", () => {
    expect(repairPlan("channel-deaf", "module").cautions.join(" ")).toMatch(/licensed.*battery/is);
  });

  it("the sensor comes out for the sensor and its mounting only, where it may be seized", () => {
    expect(sensorComesOut("sensor")).toBe(true);
    for (const part of parts.filter((one) => one === "tyre" || one === "harness" || one === "module"))
      expect(sensorComesOut(part)).toBe(false);
  });
});

// 1 lbf·ft = 1.3558179483 N·m (NIST SP 811): 88 lb·ft is 119.3 N·m.
it("a torque is told in the other unit as well; nonsense is not", () => {
  expect(otherTorque(88, "lb·ft")).toBeCloseTo(119.31, 2);
  expect(otherTorque(119, "N·m")).toBeCloseTo(87.77, 2);
  expect(otherTorque(NaN, "N·m")).toBeNull();
});
