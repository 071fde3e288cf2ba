import type { Compared } from "./compare";

/** Both values of a comparison as they are shown: volts and shares with two digits, counts with one. */
export function formatCompared({ what, unit, before, after }: Compared): { before: string; after: string } {
  const digits = unit === "V" || what === "ring pattern" ? 2 : unit === "" ? 1 : 0;
  const text = (value: number) => `${value.toFixed(digits)}${unit ? ` ${unit}` : ""}`;
  return { before: text(before), after: text(after) };
}
