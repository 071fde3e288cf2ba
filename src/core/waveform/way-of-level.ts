import type { Channel } from "../capture/capture";

/** A two-wire return stands between these: 5.9 mA over 30 Ω less what is lost, 16.8 mA over 300 Ω and more (from memory). */
export const OWN_V = [0.1, 7.5] as const;

/**
 * Which way a level went, where that tells anything: on a signal wire against ground. Currents fall to nothing whatever opens;
 * on the supply wire, across the sensor, with the probe turned round or through an input that was never calibrated, falling
 * and rising are nobody knows what.
 * @param own the signal's own two levels, volts
 */
export function wayOfLevel(
  { unit, scale }: Pick<Channel, "unit" | "scale">,
  own: { lowV: number; highV: number },
  isOver: boolean,
): { isOver?: boolean } {
  return unit === "V" && scale === undefined && own.highV > 0 && own.lowV < OWN_V[1] ? { isOver } : {};
}
