import { KMH_PER_MPH, MM_PER_INCH, NM_PER_LBFT } from "./quantity";

export interface UnitChoice {
  speed: "km/h" | "mph";
  length: "mm" | "in";
  torque: "N·m" | "lb·ft";
  temperature: "°C" | "°F";
}

/** A number in a sentence, with the point or the comma of the tongue it is in. */
const NUMBER = String.raw`(-?\d+(?:[.,]\d+)?)`;
const PATTERNS = ["km/h", "mm", "N·m", "°C"].map(
  (unit) => [unit, new RegExp(`${NUMBER}(?:(–| to | bis | → )${NUMBER})? ${unit}(?![\\w²])`, "g")] as const,
);

/** A sentence with its speeds, small lengths, torques and temperatures in the units chosen; the rest untouched. */
export function inUnits(text: string, units: UnitChoice): string {
  let out = text;
  for (const [unit, pattern] of PATTERNS) {
    const local = localUnit(unit, units);
    if (local === unit) continue;
    out = out.replace(pattern, (_, one: string, between?: string, other?: string) =>
      [converted(one, unit, units), ...(between ? [between, converted(other!, unit, units)] : []), ` ${local}`].join(
        "",
      ),
    );
  }
  return out;
}

/** A unit as the settings have it: small lengths in inches, speeds in mph where those are chosen. */
export function localUnit(unit: string, { length, speed, torque, temperature }: UnitChoice): string {
  const local: Record<string, string> = { mm: length, "km/h": speed, "N·m": torque, "°C": temperature };
  return local[unit] ?? unit;
}

/** A metric amount in the unit the settings have for it. */
export function toLocal(value: number, unit: string, units: UnitChoice): number {
  const local = localUnit(unit, units);
  if (local === unit) return value;
  return unit === "°C" ? value * 1.8 + 32 : value / metricPer(unit);
}

/** And back. */
export function fromLocal(value: number, unit: string, units: UnitChoice): number {
  const local = localUnit(unit, units);
  if (local === unit) return value;
  return unit === "°C" ? (value - 32) / 1.8 : value * metricPer(unit);
}

function metricPer(unit: string): number {
  return unit === "km/h" ? KMH_PER_MPH : unit === "mm" ? MM_PER_INCH : NM_PER_LBFT;
}

/** A number with no unit typed yet. */
export function isBare(typed: string): boolean {
  return /^[\s\d.,+\-−]*$/.test(typed);
}

/** What a bare number means where lengths are read in inches: “0.02” is “0.02 in”. Anything with a unit stands. */
export function meantIn(typed: string, unit: string | null, units: UnitChoice): string {
  return unit === "mm" && units.length === "in" && typed.trim() !== "" && isBare(typed) ? `${typed.trim()} in` : typed;
}

/** As many figures as were given, and two decimals more for inches, which are large; whole degrees. */
function converted(text: string, unit: string, units: UnitChoice): string {
  const [, decimals = ""] = text.split(/[.,]/);
  const digits = unit === "°C" ? 0 : unit === "mm" ? Math.min(4, decimals.length + 2) : decimals.length;
  const value = toLocal(Number(text.replace(",", ".")), unit, units).toFixed(digits);
  return text.includes(",") ? value.replace(".", ",") : value;
}
