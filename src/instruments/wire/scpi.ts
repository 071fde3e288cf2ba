/**
 * Messages of SCPI instruments: numbers as they answer, and identity (IEEE 488.2-1992, sections 8.7 and 10.14;
 * SCPI-1999 volume 1, section 7.2.1 for infinity and not-a-number; from memory).
 */

/** ±Infinity and what is no number have values of their own on the wire. */
const [INFINITE, NOT_A_NUMBER] = [9.9e37, 9.91e37];
/** NR1, NR2 or NR3; several separated by commas count by their first. */
const NUMBER = /^[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:\s*[Ee]\s*[+-]?\d{1,5})?$/;

/** What a query for a number was answered; ±Infinity for over limit, null for anything that is no number. */
export function scpiNumber(answer: string): number | null {
  const first = answer.split(",", 1)[0]!.trim();
  if (!NUMBER.test(first)) return null;
  const value = Number(first.replaceAll(/\s/g, ""));
  if (Math.abs(value) >= NOT_A_NUMBER) return null;
  if (Math.abs(value) >= INFINITE) return Math.sign(value) * Infinity;
  return value;
}

export interface Identity {
  maker: string;
  model: string;
  serial: string;
  firmware: string;
}

/** The answer to *IDN?: four fields, separated by commas; null for anything else. */
export function identityOf(answer: string): Identity | null {
  const fields = answer.split(",").map((field) => field.trim().replaceAll(/^"|"$/g, ""));
  if (fields.length !== 4 || fields[1] === "") return null;
  const [maker, model, serial, firmware] = fields as [string, string, string, string];
  return { maker, model, serial, firmware };
}
