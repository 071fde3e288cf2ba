import { expect, it } from "vitest";
import { kilometresTyped, mileageShown } from "./mileage";

// 1 mile = 1.609344 km exactly (NIST SP 811, appendix B).
it("a mileage comes back as it was typed, in either unit", () => {
  expect(kilometresTyped("100000", "mph")).toBeCloseTo(160_934.4, 6);
  for (const unit of ["km/h", "mph"] as const)
    for (const typed of ["0", "7", "123456", "999999"])
      expect(mileageShown(kilometresTyped(typed, unit)!, unit)).toBe(typed);
  expect(kilometresTyped("-3", "km/h")).toBeNull();
  expect(kilometresTyped("many", "km/h")).toBeNull();
});
