import { t } from "../words/words";
import { KMH_PER_MPH, MM_PER_INCH, NM_PER_LBFT } from "./quantity";

export interface UnitChoice {
  speed: "km/h" | "mph";
  length: "mm" | "in";
  torque: "N·m" | "lb·ft";
  temperature: "°C" | "°F";
}

/** Numbers with these units are told in the other by setting; factors exact after NIST SP 811. */
const NUMBER = String.raw`(\d+(?:\.\d+)?)`;
const PAIRS = {
  speed: { pattern: new RegExp(`${NUMBER}(?:(–| to | → )${NUMBER})? km/h`, "g"), per: KMH_PER_MPH },
  length: { pattern: new RegExp(`${NUMBER}(?:(–| to | → )${NUMBER})? mm(?!²)\\b`, "g"), per: MM_PER_INCH },
  torque: { pattern: new RegExp(`${NUMBER}(?:(–| to | → )${NUMBER})? N·m`, "g"), per: NM_PER_LBFT },
} as const;

/** A sentence with its speeds, small lengths, torques and temperatures in the units chosen; the rest untouched. */
export function inUnits(text: string, units: UnitChoice): string {
  let out = text;
  for (const kind of ["speed", "length", "torque"] as const) {
    const unit = units[kind];
    if (unit === "km/h" || unit === "mm" || unit === "N·m") continue;
    const { pattern, per } = PAIRS[kind];
    out = out.replace(pattern, (_, one: string, between?: string, other?: string) =>
      between ? `${converted(one, per)}${between}${converted(other!, per)} ${unit}` : `${converted(one, per)} ${unit}`,
    );
  }
  if (units.temperature === "°F")
    out = out.replace(/(-?\d+(?:\.\d+)?) °C/g, (_, one: string) => `${Math.round(Number(one) * 1.8 + 32)} °F`);
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

/** What a bare number means where lengths are read in inches: “0.02” is “0.02 in”. Anything with a unit stands. */
export function meantIn(typed: string, unit: string | null, units: UnitChoice): string {
  return unit === "mm" && units.length === "in" && /^\s*[\d.,]+\s*$/.test(typed) ? t`${typed.trim()} in` : typed;
}

/** A speed for drawing, in the unit chosen. */
export function localSpeed(kmh: number, { speed }: UnitChoice): number {
  return speed === "mph" ? kmh / KMH_PER_MPH : kmh;
}

/** A typed speed in km/h, whichever unit the setting has. */
export function typedKmh(value: number, { speed }: UnitChoice): number {
  return speed === "mph" ? value * KMH_PER_MPH : value;
}

/** As many figures as were given, and one decimal more for inches, which are large. */
function converted(text: string, per: number): string {
  const value = Number(text) / per;
  const decimals = (text.split(".")[1] ?? "").length;
  if (per === MM_PER_INCH) return value.toFixed(Math.min(4, decimals + 2));
  return value.toFixed(decimals);
}
