/** Speeds of two wheels that roll together are this near each other: the tightest bend a car can drive (from memory). */
const MOST_APART = 1.35;
/** Slower than this a sensor may be silent by its kind. */
const TOLD_FROM_KMH = 5;

/**
 * Whether two wheels that roll together give different speeds: one's is missing, or too low for any bend.
 * @param speedsKmh of each channel, the corner in work first; null where nothing is heard
 */
export function isApart([own, other]: readonly (number | null)[]): boolean {
  if (own === undefined || other === undefined) return false;
  const [slow, fast] = [own ?? 0, other ?? 0].sort((a, b) => a - b) as [number, number];
  return fast >= TOLD_FROM_KMH && fast > MOST_APART * slow;
}
