import { t } from "../words/words";
import type { Hookup } from "./hookup";
import type { Instrument } from "./instruments";
import { lookOf } from "./looks/looks";

/** What a workshop may be without; everyone has eyes and hands. */
export const tools = ["meter", "lamp", "clamp", "scope", "scan", "film", "gauge"] as const;
export type Tool = (typeof tools)[number];

/** A tool as it is asked for. */
export function toolWords(tool: Tool): string {
  const words: Record<Tool, string> = {
    meter: t`multimeter`,
    lamp: t`test lamp`,
    clamp: t`current clamp`,
    scope: t`oscilloscope`,
    scan: t`scan tool`,
    film: t`viewing film`,
    gauge: t`feeler and dial gauge`,
  };
  return words[tool];
}

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
