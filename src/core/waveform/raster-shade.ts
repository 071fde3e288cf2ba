const FAINTEST = 0.07;
const DARKEST = 0.85;
/** A period off by this part of a pitch is drawn darkest. */
const FULL_DEVIATION = 0.3;

/** How dark a raster cell is drawn, 0 to 1; null where nothing was recorded. */
export function rasterShade(deviation: number): number | null {
  if (Number.isNaN(deviation)) return null;
  return Math.min(DARKEST, FAINTEST + (Math.abs(deviation) / FULL_DEVIATION) * (DARKEST - FAINTEST));
}
