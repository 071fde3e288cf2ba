import type { Point } from "../circuit/point";
import { stationsOf, type CornerSetup } from "../circuit/setup";
import { pointsOf, type Hookup } from "./hookup";

/**
 * Whether a hook-up reads nothing but wires and joined contacts: every probe stands on one stretch with the plugs at both
 * its ends undone, or on the body or the battery. What such a reading finds is in the stretch, whatever else the car has.
 */
export function readsBareWire(hookup: Hookup, setup: CornerSetup): boolean {
  const stations = stationsOf(setup).map(({ station }) => station);
  const cuts = stations.flatMap((station, at) => (hookup.state.unplugged.includes(station) ? [at] : []));
  const places = pointsOf(hookup).flatMap((point) => placeOf(point, stations));
  if (places.length === 0 || places.includes(NaN)) return false;
  const module = Math.max(...cuts.filter((at) => places.every((place) => place > at)), -1);
  const sensor = Math.min(...cuts.filter((at) => places.every((place) => place < at)), Infinity);
  // One plug between two probes, and they stand on different wires.
  return module >= 0 && sensor < Infinity && !cuts.some((at) => at > module && at < sensor);
}

/** Where along the path, a station's contacts at its own number, its faces just before and after; NaN in the module, none off the path. */
function placeOf(point: Point, stations: readonly string[]): number[] {
  if (point.at === "face") return [stations.indexOf(point.station) + (point.face === "in" ? -0.25 : 0.25)];
  if (point.at === "span") return [point.span - 0.5];
  return point.at === "module" ? [NaN] : [];
}
