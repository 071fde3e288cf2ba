import type { Family } from "../circuit/setup";
import type { Hookup } from "./hookup";

/**
 * Whether a hook-up is a reading a sensor must not be bought without: made at its own plug, and of a three-wire sensor its
 * supply there with all plugged in (common practice: supply and ground at the sensor come before the sensor).
 */
export function isAtSensorPlug(hookup: Hookup, family: Family): boolean {
  if (!("red" in hookup) || !("black" in hookup)) return false;
  const { red, black, state } = hookup;
  const there = [red, black].some((point) => point.at === "face" && point.station === "plug");
  if (family !== "active-3wire") return there;
  return (
    hookup.instrument === "volts-dc" &&
    state.key === "on" &&
    state.unplugged.length === 0 &&
    red.at === "face" &&
    red.station === "plug" &&
    red.conductor === "supply"
  );
}
