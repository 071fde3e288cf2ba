/**
 * The two currents of a two-wire sensor, and its two levels over any sense resistor, stand 1.9 to 2.2 apart (data sheets,
 * from memory); with what a meter or a capture is off by, 1.7 to 2.4.
 */
const CURRENT_RATIO = { least: 1.7, most: 2.4 } as const;

/** Whether two levels or currents stand as far apart as one good sensor's. */
export function isCurrentRatio(ratio: number): boolean {
  return ratio >= CURRENT_RATIO.least && ratio <= CURRENT_RATIO.most;
}
