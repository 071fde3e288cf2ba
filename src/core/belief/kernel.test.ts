/** However little a check leans on a car's numbers, and however far a reading is off, it takes no car out of its own cloud. */
import fc from "fast-check";
import { expect, it } from "vitest";
import type { Candidates } from "./candidates";
import { pullCandidate, slopeThrough } from "./kernel";

const size = fc.double({ min: 1e-9, max: 1, noNaN: true });
const lean = fc.tuple(size, fc.boolean()).map(([much, down]) => (down ? -much : much));

it("a pull is never longer than four standard deviations of the cloud, and points along it", () => {
  const cases = fc.tuple(
    fc.array(fc.tuple(size, lean), { minLength: 1, maxLength: 5 }),
    fc.double({ min: -20, max: 20, noNaN: true }),
    fc.double({ min: 0, max: 1, noNaN: true }),
  );
  fc.assert(
    fc.property(cases, ([numbers, innovation, error]) => {
      const dimensions = numbers.length;
      const covariance = new Float64Array(dimensions * dimensions);
      numbers.forEach(([variance], d) => (covariance[d * dimensions + d] = variance));
      const slope = slopeThrough(
        { covariance },
        Float64Array.from(numbers, ([, by]) => by),
      );
      const candidates = { scores: new Float64Array(dimensions), dimensions } as Candidates;
      pullCandidate(candidates, 0, slope, innovation, error, 1);
      // Mahalanobis distance of the shift, the cloud's axes lying along the numbers here.
      const moved = numbers.reduce((sum, [variance], d) => sum + candidates.scores[d]! ** 2 / variance, 0);
      expect(Math.sqrt(moved)).toBeLessThan(4 + 1e-6);
      const toward = numbers.reduce((sum, [, by], d) => sum + by * candidates.scores[d]!, 0);
      expect(toward * innovation).toBeGreaterThanOrEqual(0);
    }),
    { numRuns: 400 },
  );
});
