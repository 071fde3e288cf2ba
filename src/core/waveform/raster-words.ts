import { t } from "../words/words";
/** What the raster looks like, and what that means, in one sentence. */
export function rasterWords(codes: readonly string[]): string {
  if (codes.includes("missing-pulses") && codes.includes("random-dropout"))
    return t`A straight column and scatter besides: a bad ring, and a loose connection too.`;
  if (codes.includes("missing-pulses")) return t`A straight column: the loss turns with the wheel. Ring, not wire.`;
  if (codes.includes("cracked-ring") || codes.includes("odd-tooth"))
    return t`A dark column: one place of the ring is odd on every turn. Ring, not wire.`;
  if (codes.includes("random-dropout"))
    return t`Scatter: the loss does not turn with the wheel. A connection, not the ring.`;
  if (codes.includes("eccentric")) return t`A slow wave once a turn: excessive ring runout, or bearing play.`;
  return t`Even: no column, no scatter, no wave.`;
}
