/** A number field: what it takes when typed is what its schema stores, and nothing else. */
import fc from "fast-check";
import { expect, it } from "vitest";
import { decimal } from "./decimal";
import { setupFields } from "../circuit/setup";
import { estimateFields } from "../repair/usual-estimate";
import { ratioField } from "../complaint/ratio";

const fields = { ...setupFields, ...estimateFields, ratio: ratioField };

it("takes a text just where its schema takes the number (property)", () => {
  const numbers = fc.oneof(fc.double({ min: -1e3, max: 1e3, noNaN: true }), fc.integer({ min: -5, max: 700 }));
  fc.assert(
    fc.property(numbers, fc.constantFrom(...Object.values(fields)), fc.boolean(), (number, field, comma) => {
      const text = comma ? String(number).replace(".", ",") : String(number);
      const read = field.parse(` ${text} `);
      expect(read.ok).toBe(field.schema.safeParse(number).success);
      if (read.ok) expect(read.value).toBe(Number(text.replace(",", ".")));
    }),
    { numRuns: 2000 },
  );
});

it("is no number of a programmer's: neither hexadecimal nor endless", () => {
  for (const text of ["0x10", "0b1", "Infinity", "1_000", "12 3", "1,2,3"]) expect(decimal(text), text).toBeNaN();
  expect([decimal(" 11,5 "), decimal("-.5"), decimal("1e3")]).toEqual([11.5, -0.5, 1000]);
});

it("says what is wanted, with its limits, of anything that is no number (property)", () => {
  fc.assert(
    fc.property(fc.string(), fc.constantFrom(...Object.values(fields)), (text, field) => {
      const read = field.parse(`x${text}`);
      expect(read).toMatchObject({ ok: false });
      if (!read.ok) expect(read.say).toContain(String(field.most));
    }),
  );
});
