import { decimal } from "./decimal";
import { KMH_PER_MPH } from "./quantity";

/** What distances are read in: miles where speeds are. */
export type SpeedUnit = "km/h" | "mph";

const kilometresPer = (unit: SpeedUnit) => (unit === "mph" ? KMH_PER_MPH : 1);

/** Whole kilometres or miles, as the clock in the car shows them. */
export function mileageShown(kilometres: number, unit: SpeedUnit): string {
  return String(Math.round(kilometres / kilometresPer(unit)));
}

/** A mileage typed in the unit shown, in kilometres; null for what is none. */
export function kilometresTyped(text: string, unit: SpeedUnit): number | null {
  const number = decimal(text);
  return number >= 0 ? number * kilometresPer(unit) : null;
}
