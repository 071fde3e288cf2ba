import type { ChannelAnalysis } from "./analyse";

/**
 * Whether what a recording shows may count for the car. That every pulse is there clears size and levels too, which a
 * recording without volts has not shown; what it shows to be wrong, it shows in any unit.
 */
export function isUsable({ inVolts, leading }: Pick<ChannelAnalysis, "inVolts" | "leading">): boolean {
  return inVolts || leading !== "clean";
}
