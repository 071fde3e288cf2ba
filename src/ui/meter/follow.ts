/**
 * Lets what a meter shows stand in the reading as long as nobody has typed there: what was typed by hand is never
 * overwritten.
 */
export function followMeter(): { next: (typed: string, shown: string | null) => string | null } {
  let last: string | null = null;
  return {
    /** What the reading becomes; null where it stays. Without anything shown, what the meter put there goes. */
    next(typed, shown) {
      if (shown === null) return typed !== "" && typed === last ? (last = "") : null;
      if (typed !== "" && typed !== last) return null;
      if (typed === shown) return null;
      last = shown;
      return shown;
    },
  };
}
