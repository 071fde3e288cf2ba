import { numberField, type NumberField } from "./number-field";
import { KMH_PER_MPH } from "./quantity";

/** What distances are read in: miles where speeds are. */
export type SpeedUnit = "km/h" | "mph";

const kilometresPer = (unit: SpeedUnit) => (unit === "mph" ? KMH_PER_MPH : 1);

/** Whole kilometres or miles, as the clock in the car shows them. */
export function mileageShown(kilometres: number, unit: SpeedUnit): number {
  return Math.round(kilometres / kilometresPer(unit));
}

/** Kilometres as they are stored. */
export const kilometresField = numberField(0, 5e6);

/** The same as they are typed in the unit shown. */
export function mileageField(unit: SpeedUnit): NumberField {
  return numberField(0, Math.floor(kilometresField.most / kilometresPer(unit)));
}

/** A mileage in the unit shown, in kilometres. */
export function kilometresOf(mileage: number, unit: SpeedUnit): number {
  return mileage * kilometresPer(unit);
}
