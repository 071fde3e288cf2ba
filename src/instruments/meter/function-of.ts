import type { Settable } from "./dialect";

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
