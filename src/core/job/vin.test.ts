/** Check digit by 49 CFR 565.15 (its weights and letter values); 1M8GDM9AXKP042788 and seventeen ones are its usual examples (from memory). */
import { expect, it } from "vitest";
import { normalVin, vinCheckDigit, vinDoubt } from "./vin";

it("works out the ninth sign as published", () => {
  expect(vinCheckDigit("1M8GDM9AXKP042788")).toBe("X");
  expect(vinCheckDigit("11111111111111111")).toBe("1");
  expect(vinCheckDigit("1M8GDM9A")).toBeNull();
});

it("doubts, and never refuses", () => {
  expect(vinDoubt("1m8 gdm9-axkp042788")).toBeNull();
  expect(normalVin("1m8 gdm9-axkp042788")).toBe("1M8GDM9AXKP042788");
  expect(vinDoubt("1M8GDM9A0KP042788")).toMatch(/would be X/);
  expect(vinDoubt("1M8GDM9AOKP042788")).toMatch(/no O.*a 0/);
  expect(vinDoubt("1M8GDM9AXKP0I2788")).toMatch(/no I.*a 1/);
  expect(vinDoubt("1M8GDM9AXKP04278")).toMatch(/16 signs/);
  expect(vinDoubt("1M8GDM9AXKP04278?")).toMatch(/letters and digits/);
  expect(vinDoubt("")).toBeNull();
});

it("any one digit read one too high changes it", () => {
  const vin = "1M8GDM9AXKP042788";
  const wrong = [...vin].flatMap((sign, i) =>
    i === 8 || !/\d/.test(sign) ? [] : [vin.slice(0, i) + String((Number(sign) + 1) % 10) + vin.slice(i + 1)],
  );
  for (const one of wrong) expect(vinCheckDigit(one), one).not.toBe("X");
});
