/** Copper temperature coefficient at 20 °C, per kelvin (IEC 60028, standard annealed copper). */
export const COPPER_ALPHA_20 = 0.00393;

/** Resistivity in Ω·mm²/m that reproduces the ISO 6722-1 maximum of 37.1 mΩ/m at 0.5 mm². */
const OHM_MM2_PER_M = 0.01855;

/** ISO 6722-1 maximum conductor resistance at 20 °C, mΩ/m by nominal mm² (from memory). */
const ISO_6722_MILLIOHM_PER_M: Record<string, number> = { "0.35": 54.4, "0.5": 37.1, "0.75": 24.7, "1": 18.5 };

/** Resistance of one wire in ohms. @param lengthM metres @param mm2 nominal cross-section @param celsius conductor temperature */
export function wireOhms(lengthM: number, mm2: number, celsius = 20): number {
  const perMetre = (ISO_6722_MILLIOHM_PER_M[String(mm2)] ?? (OHM_MM2_PER_M / mm2) * 1000) / 1000;
  return copperAt(perMetre * lengthM, celsius);
}

/** Copper resistance at a temperature: R = R20·(1 + α20·(T − 20)), IEC 60028. */
export function copperAt(ohmsAt20: number, celsius: number): number {
  return ohmsAt20 * (1 + COPPER_ALPHA_20 * (celsius - 20));
}

/**
 * Capacitance between the two conductors of a harness pair, farads per metre: 45 to 80 pF/m by twist and insulation.
 * The parallel-wire line, C = π·ε0·ε/acosh(D/d), gives it from the conductor and outer diameters of ISO 6722-1
 * (from memory) with PVC and air mixed between the wires.
 */
export const PAIR_FARAD_PER_M = { from: 45e-12, usual: 60e-12, to: 80e-12 } as const;

/** Capacitance of one wire to body metal, as a share of that to its neighbour (engineering judgement). */
export const BODY_SHARE = 0.3;
