import type { Point } from "../circuit/point";
import type { Hookup } from "./hookup";

/**
 * What must be read before the module may be named: battery feed, ground, and this corner's own wires at its pins, and the
 * loom by itself, its plug undone: a feed that protects itself is as dead on a short as one that has failed.
 */
export const gatePins = ["power", "earth", "corner", "loom"] as const;
export type GatePin = (typeof gatePins)[number];

/** Which of them a reading is at, live at the module or on the loom with nothing on it; null for any other. */
export function gatePinOf(hookup: Hookup): GatePin | null {
  if (!("red" in hookup)) return null;
  if (hookup.instrument === "ohms") return isLoomAlone(hookup) ? "loom" : null;
  if (hookup.state.key !== "on") return null;
  const { red } = hookup;
  if (red.at === "module") return red.pin;
  return red.at === "face" && red.station === "module" && red.face === "in" ? "corner" : null;
}

/** A wire of this corner against ground or its neighbour, the module off it. */
function isLoomAlone({ red, black, state }: Extract<Hookup, { black: Point }>): boolean {
  if (!state.unplugged.includes("module") || red.at !== "face") return false;
  return black.at === "body" || (black.at === "face" && black.conductor !== red.conductor);
}

/** Whether a reading is of what feeds the module: its supply, its ground, or the battery. @param fault of which one, where it is known */
export function isFeedReading(hookup: Hookup, fault?: string): boolean {
  const pin = gatePinOf(hookup);
  if (pin === "earth") return fault !== MISSING;
  if (pin === "power") return fault !== GROUND;
  return fault !== GROUND && fault !== MISSING && isOfBattery(hookup);
}

const GROUND = "module-ground";
const MISSING = "feed-missing";

function isOfBattery(hookup: Hookup): boolean {
  return "black" in hookup && hookup.red.at === "battery" && hookup.black.at === "battery";
}
