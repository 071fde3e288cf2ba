import type { Settable } from "./dialect";

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

/** The functions of SCPI-1999 volume 2, section 18.8 (SENSe:FUNCtion; from memory), as long and as short as they are written. */
const FUNCTIONS: readonly [RegExp, Settable | "other"][] = [
  [/^VOLT(AGE)?(:DC)?$/, "volts-dc"],
  [/^VOLT(AGE)?:AC$/, "volts-ac"],
  [/^CURR(ENT)?(:DC)?$/, "amps-dc"],
  [/^F?RES(ISTANCE)?$/, "ohms"],
  [/^CONT(INUITY)?$/, "continuity"],
  [/^FREQ(UENCY)?$/, "hertz"],
  [/^CAP(ACITANCE)?$/, "capacitance"],
  [/^(CURR(ENT)?:AC|PER(IOD)?|DIOD(E)?|TEMP(ERATURE)?|VOLT(AGE)?:ACDC)$/, "other"],
];

/**
 * What a meter is set to, by its answer to FUNCtion? or CONFigure?: `"VOLT:DC"`, `VOLT`, `"RES 1.0E+03,1.0E-03"`.
 * @returns "other" for what no check reads, null for an answer that names no function
 */
export function functionOf(answer: string): Settable | "other" | null {
  const [called = ""] = answer
    .replaceAll('"', "")
    .trim()
    .toUpperCase()
    .replace(/^:?(SENS(E)?:)?/, "")
    .split(/[\s,]/, 1);
  return FUNCTIONS.find(([pattern]) => pattern.test(called))?.[1] ?? null;
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
