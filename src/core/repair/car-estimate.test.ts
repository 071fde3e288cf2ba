/** One bill for a car: against the bills of its corners, each by itself. */
import { expect, it } from "vitest";
import { carEstimate, type CornerRepair } from "./car-estimate";
import { usualEstimate } from "./usual-estimate";

const bill = (...repairs: CornerRepair[]) => carEstimate(repairs, usualEstimate);
const sensor: CornerRepair = { fault: "sensor-open", part: "sensor", diagnosisMin: 20 };
const ground: CornerRepair = { fault: "module-ground", part: "module-feed", diagnosisMin: 20 };

it("corners with faults of their own cost what they cost one by one", () => {
  expect(bill(sensor, sensor, ground)).toBeCloseTo(2 * bill(sensor) + bill(ground), 6);
});

it("what all corners share is repaired once; its diagnosis at each corner is paid", () => {
  const diagnosis = (20 / 60) * usualEstimate.labourRate * (1 + usualEstimate.taxPct / 100);
  expect(bill(ground, ground)).toBeCloseTo(bill(ground) + diagnosis, 6);
  expect(bill()).toBe(0);
});
