import * as z from "zod/mini";

/** How many signs each text a person types may have: the field stops there, and what is stored is held to the same. */
export const LONGEST = {
  carName: 120,
  plate: 40,
  vin: 40,
  order: 40,
  customer: 80,
  waitingFor: 80,
  note: 4000,
  code: 40,
  reading: 200,
  tick: 200,
  fileName: 200,
  landmark: 80,
  pin: 12,
  colour: 24,
  tyre: 40,
  model: 120,
  currency: 4,
  person: 40,
} as const;
export type TypedText = keyof typeof LONGEST;

/** The form in which such a text is stored. */
export function typedText(field: TypedText) {
  return z.string().check(z.maxLength(LONGEST[field]));
}

/** A file's name as it is stored: one too long loses its middle, so that its beginning and its kind are still read. */
export function fileNameKept(name: string): string {
  const cut = LONGEST.fileName;
  return name.length <= cut ? name : `${name.slice(0, cut / 2)}…${name.slice(1 - cut / 2)}`;
}
