import type { Hookup } from "./hookup";

/** What must be read at the module's own pins before it may be named: battery feed, ground, and this corner's own wires. */
export const gatePins = ["power", "earth", "corner"] as const;
export type GatePin = (typeof gatePins)[number];

/** Which of them a live reading is at; null for any other. */
export function gatePinOf(hookup: Hookup): GatePin | null {
  if (!("red" in hookup) || hookup.state.key !== "on") return null;
  const { red } = hookup;
  if (red.at === "module") return red.pin;
  return red.at === "face" && red.station === "module" && red.face === "in" ? "corner" : null;
}
