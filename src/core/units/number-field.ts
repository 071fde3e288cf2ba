import * as z from "zod/mini";
import { t } from "../words/words";
import { decimal } from "./decimal";

/** A number that a person types: what a form takes and what a file may hold, from one definition. */
export interface NumberField {
  least: number;
  most: number;
  /** What is stored is held to it. */
  schema: z.ZodMiniNumber;
  /** A typed text, with decimal point or comma. @returns the number, or a sentence saying what is wanted */
  parse(text: string): { ok: true; value: number } | { ok: false; say: string };
}

/** A number from `least` to `most`, both included. */
export function numberField(least: number, most: number): NumberField {
  return fieldOf(least, most, z.number().check(z.gte(least), z.lte(most)), () => t`A number from ${least} to ${most}.`);
}

/** A number above nothing, up to `most`. */
export function positiveField(most: number): NumberField {
  return fieldOf(0, most, z.number().check(z.positive(), z.lte(most)), () => t`A number above 0, up to ${most}.`);
}

/** A whole number from `least` to `most`, both included. */
export function wholeField(least: number, most: number): NumberField {
  return fieldOf(
    least,
    most,
    z.int().check(z.gte(least), z.lte(most)),
    () => t`A whole number from ${least} to ${most}.`,
  );
}

function fieldOf(least: number, most: number, schema: z.ZodMiniNumber, wanted: () => string): NumberField {
  return {
    ...{ least, most, schema },
    parse: (text) => {
      const read = schema.safeParse(decimal(text));
      return read.success ? { ok: true, value: read.data } : { ok: false, say: wanted() };
    },
  };
}
