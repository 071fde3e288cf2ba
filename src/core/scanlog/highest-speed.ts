import { median } from "../units/median";
import type { ScanLog } from "./scan-log";

/** The highest speed of the car, km/h: the middle of what its wheels show at most, one at fault left aside. */
export function highestSpeedKmh({ speedKmh }: ScanLog): number {
  const each = Object.values(speedKmh).map((speeds) => speeds.reduce((most, one) => (one > most ? one : most), 0));
  return median(each.filter((most) => most > 0));
}
