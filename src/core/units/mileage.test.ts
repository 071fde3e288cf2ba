import { expect, it } from "vitest";
import { kilometresOf, mileageField, mileageShown } from "./mileage";

// 1 mile = 1.609344 km exactly (NIST SP 811, appendix B).
it("a mileage comes back as it was typed, in either unit", () => {
  expect(kilometresOf(100_000, "mph")).toBeCloseTo(160_934.4, 6);
  for (const unit of ["km/h", "mph"] as const)
    for (const typed of [0, 7, 123_456, 999_999]) expect(mileageShown(kilometresOf(typed, unit), unit)).toBe(typed);
});

it("what no clock shows is refused before it is stored", () => {
  for (const text of ["-3", "many", "", "9999999"]) expect(mileageField("mph").parse(text).ok, text).toBe(false);
  expect(mileageField("km/h").parse("123456,7")).toEqual({ ok: true, value: 123_456.7 });
});
