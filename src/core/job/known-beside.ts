import type { CornerSetup } from "../circuit/setup";
import { knownFromSide } from "../observation/known-from-side";
import { otherSide } from "../units/corner";
import type { CornerJob } from "./corner-in-work";
import { standingReadings } from "./derive";

/** A corner's set-up with what the other side of its axle, in work too, was seen to toggle between. */
export function setupOf({ setup, beside = [] }: CornerJob): CornerSetup {
  if (setup.family !== "active-2wire" || (setup.known && !setup.known.side)) return setup;
  const side = otherSide[setup.corner];
  const other = beside.find((one) => one.setup.corner === side && one.setup.family === setup.family);
  const readings = other ? standingReadings(other).map(({ reading }) => reading) : [];
  return { ...setup, known: knownFromSide(readings, side) ?? undefined };
}
