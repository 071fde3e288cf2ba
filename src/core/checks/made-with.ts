import type { Hookup } from "./hookup";
import type { Instrument } from "./instruments";
import { lookOf } from "./looks/looks";
import { tools, type Tool } from "./tools";

/** Whether a check can be made with these tools. @param atHand all of them where left out */
export function canBeMadeWith(hookup: Hookup, atHand: readonly Tool[] = tools): boolean {
  if ("look" in hookup && lookOf(hookup.look).withoutTool) return true;
  const any = TOOLS[hookup.instrument];
  return any.length === 0 || any.some((tool) => atHand.includes(tool));
}

/** Any one of these does. A milliampere is read by a meter in series or by a clamp about a looped wire. */
const TOOLS: Record<Instrument, readonly Tool[]> = {
  "volts-dc": ["meter"],
  "volts-ac": ["meter"],
  ohms: ["meter"],
  continuity: ["meter"],
  capacitance: ["meter"],
  hertz: ["meter", "scope"],
  duty: ["meter", "scope"],
  "amps-dc": ["meter", "clamp"],
  lamp: ["lamp"],
  scope: ["scope"],
  compare: ["scope"],
  scan: ["scan"],
  film: ["film"],
  gauge: ["gauge"],
  eyes: [],
  hands: [],
};
