/** How much a finding is believed: a chance, less where less speaks for it. */
import fc from "fast-check";
import { expect, it } from "vitest";
import { findingCodes } from "../checks/findings/findings";
import { confidenceOf } from "./confidence";

const codes = fc.constantFrom(...findingCodes);
const strengths = fc.double({ min: 0, max: 1, noNaN: true });

it("is a chance below certainty, higher for a stronger finding, lower where another stands beside it (property)", () => {
  fc.assert(
    fc.property(codes, strengths, strengths, fc.double({ min: 0, max: 40, noNaN: true }), (code, one, other, turns) => {
      const [weak, strong] = [Math.min(one, other), Math.max(one, other)];
      const of = (strength: number, beside = 0) => confidenceOf(code, { strength, turns, beside });
      expect(of(weak)).toBeGreaterThan(0);
      expect(of(strong)).toBeLessThan(1);
      expect(of(strong)).toBeGreaterThanOrEqual(of(weak));
      expect(of(strong, 1)).toBeLessThanOrEqual(of(strong));
    }),
  );
});
