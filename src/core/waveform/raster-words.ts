import { findingKind, type FindingCode } from "../checks/findings/findings";
import { t } from "../words/words";
import type { ChannelAnalysis } from "./analyse";

/** Of several, the raster is told by the first of these. */
const PLAINEST: readonly FindingCode[] = ["missing-pulses", "cracked-ring", "odd-tooth", "random-dropout", "eccentric"];

/** What the raster looks like, and what that means, in one sentence. */
export function rasterWords({
  findings,
  beside,
  undecided,
}: Pick<ChannelAnalysis, "findings" | "beside" | "undecided">): string {
  const codes = findings.map(({ code }) => code);
  if (codes.includes("missing-pulses") && codes.includes("random-dropout"))
    return t`A straight column and scatter besides: a bad ring, and a loose connection too.`;
  const plainest = PLAINEST.find((code) => codes.includes(code));
  const told = plainest && findingKind(plainest).raster?.();
  if (told) return told;
  if (undecided && codes.includes("interference"))
    return t`Scattered where hash hides pulses: that tells nothing of the ring or of a wire.`;
  return beside?.lost
    ? t`Red where the supply dipped. Even otherwise: no column, no wave.`
    : t`Even: no column, no scatter, no wave.`;
}

/** Whether a count of pulses is all that a raster lacks. */
export function lacksCount({ pulses, foldedBy }: Pick<ChannelAnalysis, "pulses" | "foldedBy">): boolean {
  return pulses >= FEWEST_PULSES && foldedBy === null;
}

const FEWEST_PULSES = 8;

/** Why there is no raster, in a sentence or two. */
export function noRasterWords(channel: Pick<ChannelAnalysis, "pulses" | "foldedBy">): string {
  if (lacksCount(channel))
    return t`No raster: nothing in this recording tells how many pulses make a turn. Spin longer, or set what the maker gives or you counted (40 poles are 20 pulses):`;
  return channel.pulses < FEWEST_PULSES
    ? t`No raster: there are no pulses to fold.`
    : t`No raster: the turn is not whole. Spin longer.`;
}
