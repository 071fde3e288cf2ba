import type { Posterior } from "../belief/posterior";
import type { Danger } from "../checks/interlocks";
import type { Part } from "../faults/parts/parts";

/**
 * Why this car is not to be driven, not even for a check: a wheel with play can come off, and ABS that acts by itself
 * takes the brake off a wheel. The last word on each counts; play stays known through repairs of other parts, and
 * whether ABS still acts after a repair is what the road test on private ground is for.
 */
export function dangerOfDriving({
  complaint,
  log,
  carried,
}: Pick<Posterior, "complaint" | "log" | "carried">): Danger | null {
  const last = (look: string) =>
    log.findLast(({ observation: { hookup } }) => "look" in hookup && hookup.look === look)?.observation.value;
  const bearing = last("bearing");
  if (bearing?.kind === "word" ? bearing.word !== "tight" : carried === "play") return "play";
  const stop = last("steering");
  if (stop?.kind === "word") return stop.word === "pulls" ? "abs-acts" : null;
  return carried === undefined && complaint.symptoms.includes("false-abs-low-speed") ? "abs-acts" : null;
}

/** What still speaks against driving once a part was repaired. */
export function dangerAfter(before: Parameters<typeof dangerOfDriving>[0], repaired: Part): Danger | null {
  return dangerOfDriving(before) === "play" && repaired !== "bearing" ? "play" : null;
}
