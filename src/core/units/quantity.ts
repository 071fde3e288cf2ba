/** What an instrument can show, each with the unit its numbers are kept in. */
export const quantityUnits = {
  volts: "V",
  ohms: "Ω",
  farads: "F",
  amps: "A",
  hertz: "Hz",
  percent: "%",
  speed: "km/h",
  length: "mm",
} as const;

export type Quantity = keyof typeof quantityUnits;

/** The unit of a number typed bare: the base unit, but what a meter shows on capacitance is nanofarads. */
export const typedUnits: Record<Quantity, string> = { ...quantityUnits, farads: "nF" };

/** Miles per hour to km/h: 1 mile = 1.609344 km exactly (NIST SP 811, appendix B). */
export const KMH_PER_MPH = 1.609344;
/** Inch to millimetre: 25.4 exactly (NIST SP 811, appendix B). */
export const MM_PER_INCH = 25.4;
/** Pound-force foot to newton metre: 1.3558179483 (NIST SP 811, appendix B). */
export const NM_PER_LBFT = 1.355_817_948_3;
