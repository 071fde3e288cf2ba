import { MM_PER_INCH } from "../units/quantity";

export interface TyreSize {
  widthMm: number;
  aspectPct: number;
  rimInch: number;
}

/** Rolling circumference over overall diameter for radial tyres (ETRTO manual, from memory). */
const ROLLING_FACTOR = 3.05;

/**
 * Reads a size designation such as `205/55R16`, `205/55 R16 91V`, `195/70R15C`, `205 55 16`; a van's full profile, `195R14C`;
 * an off-roader's in inches, `31x10.50R15`. @returns null when it is none
 */
export function parseTyre(text: string): TyreSize | null {
  const size = byAspect(text) ?? fullProfile(text) ?? byDiameter(text);
  if (!size) return null;
  const plausible = size.widthMm >= 105 && size.widthMm <= 455 && size.rimInch >= 10 && size.rimInch <= 26;
  return plausible ? size : null;
}

/** What stands between width and rim: R, ZR, RF, D, a dash, a stroke, or nothing but a space. */
const BUILD = String.raw`(?:\s*(?:Z?RF?|D|B|-|/)\s*|\s+)`;
const RIM = String.raw`(\d{2}(?:\.5)?)(?!\d)`;
const BY_ASPECT = new RegExp(String.raw`^\s*[A-Z]{0,2}\s*(\d{3})(?:\s*/\s*|\s+)(\d{2})${BUILD}${RIM}`, "i");
const FULL_PROFILE = new RegExp(String.raw`^\s*(\d{3})\s*R\s*${RIM}`, "i");
const BY_DIAMETER = new RegExp(String.raw`^\s*(?:LT)?\s*(\d{2})\s*[x×]\s*(\d{1,2}[.,]\d{1,2})${BUILD}${RIM}`, "i");
/** Without a ratio a radial is of the 82 series (ETRTO, from memory). */
const FULL_ASPECT_PCT = 82;

function byAspect(text: string): TyreSize | null {
  const match = BY_ASPECT.exec(text);
  return match && { widthMm: Number(match[1]), aspectPct: Number(match[2]), rimInch: Number(match[3]) };
}

function fullProfile(text: string): TyreSize | null {
  const match = FULL_PROFILE.exec(text);
  return match && { widthMm: Number(match[1]), aspectPct: FULL_ASPECT_PCT, rimInch: Number(match[2]) };
}

function byDiameter(text: string): TyreSize | null {
  const match = BY_DIAMETER.exec(text);
  if (!match) return null;
  const [overallInch, widthInch, rimInch] = [match[1]!, match[2]!.replace(",", "."), match[3]!].map(Number) as [
    number,
    number,
    number,
  ];
  return {
    widthMm: widthInch * MM_PER_INCH,
    aspectPct: (100 * (overallInch - rimInch)) / 2 / widthInch,
    rimInch,
  };
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
