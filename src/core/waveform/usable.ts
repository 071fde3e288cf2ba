import type { FindingCode } from "../checks/findings/findings";
import type { Corner } from "../units/corner";
import type { ChannelAnalysis } from "./analyse";
import { isOfCorner } from "./other-side";

/** Whether a channel may be used at a corner: another wheel's is used there. */
export function isUsableAt(corner: Corner, channel: Parameters<typeof isUsable>[0] & { name: string }): boolean {
  return isOfCorner(channel.name, corner) && isUsable(channel);
}

/** Whether a recording may stand as a measure for the next car: nothing is wrong in it, and nothing was left open. */
export function isMeasure({ undecided, leading }: Pick<ChannelAnalysis, "undecided" | "leading">): boolean {
  return !undecided && leading === "clean";
}

/**
 * Whether what a recording shows may count for the car. That every pulse is there clears size and levels too, which a
 * recording without volts has not shown, and is not so where some are lost and nothing tells by what; what it shows to be
 * wrong, it shows in any unit. A supply that stands says nothing of the signal.
 */
export function isUsable({
  inVolts,
  undecided,
  isSupply,
  leading,
}: Pick<ChannelAnalysis, "inVolts" | "undecided" | "isSupply" | "leading">): boolean {
  if (isSupply) return leading === ("supply-dip" satisfies FindingCode);
  return leading !== "clean" || (inVolts && !undecided);
}
