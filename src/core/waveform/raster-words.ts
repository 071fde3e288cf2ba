import { findingKind, type FindingCode } from "../checks/findings/findings";
import { t } from "../words/words";

/** Of several, the raster is told by the first of these. */
const PLAINEST: readonly FindingCode[] = ["missing-pulses", "cracked-ring", "odd-tooth", "random-dropout", "eccentric"];

/** What the raster looks like, and what that means, in one sentence. */
export function rasterWords(codes: readonly FindingCode[]): string {
  if (codes.includes("missing-pulses") && codes.includes("random-dropout"))
    return t`A straight column and scatter besides: a bad ring, and a loose connection too.`;
  const plainest = PLAINEST.find((code) => codes.includes(code));
  return (plainest && findingKind(plainest).raster?.()) ?? t`Even: no column, no scatter, no wave.`;
}
