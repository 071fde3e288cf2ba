import { MM_PER_INCH } from "../units/quantity";

export interface TyreSize {
  widthMm: number;
  aspectPct: number;
  rimInch: number;
}

/** Rolling circumference over overall diameter for radial tyres (ETRTO manual, from memory). */
const ROLLING_FACTOR = 3.05;

/** Reads a size designation such as `205/55R16`, `205/55 R16 91V` or `195/70R15C`. @returns null when it is none */
export function parseTyre(text: string): TyreSize | null {
  const match = /^\s*[A-Z]{0,2}\s*(\d{3})\s*\/\s*(\d{2})\s*(?:Z?R|-)\s*(\d{2}(?:\.5)?)\s*C?\b/i.exec(text);
  if (!match) return null;
  const size = { widthMm: Number(match[1]), aspectPct: Number(match[2]), rimInch: Number(match[3]) };
  const plausible = size.widthMm >= 105 && size.widthMm <= 455 && size.rimInch >= 10 && size.rimInch <= 26;
  return plausible ? size : null;
}

/** The tyre that is reckoned with where none is known. */
export const usualTyre: TyreSize = { widthMm: 205, aspectPct: 55, rimInch: 16 };

/** The size that was written, or the usual one where none was or it cannot be read. */
export function tyreOf(text: string | undefined): TyreSize {
  return parseTyre(text ?? "") ?? usualTyre;
}

/** Overall diameter in mm: D = d + 2H with d the rim in mm and H = width × aspect (UNECE R30, 2.17 and 6.1.2). */
export function overallDiameterMm({ widthMm, aspectPct, rimInch }: TyreSize): number {
  return rimInch * MM_PER_INCH + 2 * (aspectPct / 100) * widthMm;
}

/** Rolling circumference in metres, 3.05·D for radials. */
export function rollingCircumferenceM(size: TyreSize): number {
  return (ROLLING_FACTOR * overallDiameterMm(size)) / 1000;
}

/** Sensor frequency in Hz: f = v·N / C. */
export function frequencyHz(speedKmh: number, pulsesPerRevolution: number, circumferenceM: number): number {
  return ((speedKmh / 3.6) * pulsesPerRevolution) / circumferenceM;
}

/** Road speed in km/h, the inverse of `frequencyHz`. */
export function speedKmh(hertz: number, pulsesPerRevolution: number, circumferenceM: number): number {
  return (hertz * circumferenceM * 3.6) / pulsesPerRevolution;
}
