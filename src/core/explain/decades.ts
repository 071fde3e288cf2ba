/** Ohms on a slider that runs by decades: from nothing up (a contact), or from nothing down to a dead short (a leak). */

const LARGEST_LEAK_OHMS = 1e6;
/** Below this place the leak slider means no leak at all. */
const NO_LEAK = 0.5;

export function contactPlace(ohms: number): number {
  return Math.log10(1 + ohms);
}

export function contactAt(place: number): number {
  return Math.round(10 ** place - 1);
}

export function leakPlace(ohms: number): number {
  return ohms > 0 ? Math.log10(LARGEST_LEAK_OHMS / ohms) : 0;
}

export function leakAt(place: number): number {
  return place < NO_LEAK ? 0 : Math.round((LARGEST_LEAK_OHMS / 10 ** place) * 10) / 10;
}
