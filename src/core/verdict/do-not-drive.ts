import type { Posterior } from "../belief/posterior";
import type { Danger } from "../checks/interlocks";

/**
 * Why this car is not to be driven, not even for a check: a wheel with play can come off, and ABS that acts by itself
 * takes the brake off a wheel. The last word on each counts.
 */
export function dangerOfDriving({ complaint, log }: Pick<Posterior, "complaint" | "log">): Danger | null {
  const last = (look: string) =>
    log.findLast(({ observation: { hookup } }) => "look" in hookup && hookup.look === look)?.observation.value;
  const bearing = last("bearing");
  if (bearing?.kind === "word" && bearing.word !== "tight") return "play";
  const stop = last("steering");
  const acts = stop?.kind === "word" ? stop.word === "pulls" : complaint.symptoms.includes("false-abs-low-speed");
  return acts ? "abs-acts" : null;
}
