import type { CodeKind } from "../codes/code";
import { corners } from "../units/corner";
import { seeded } from "../random/random";
import { readSimulatedCar } from "./simulated-reading";
import type { Job } from "../job/schema";

/** Failure types a module would store for each kind of trouble (SAE J2012-DA, from memory). */
const FAILURE_TYPE: Partial<Record<CodeKind | "none", string>> = {
  open: "13",
  ground: "11",
  power: "12",
  "no-signal": "31",
  erratic: "2F",
  weak: "21",
  feed: "16",
  count: "39",
};
/** Modules are often less exact: this often the plain “no signal” is stored instead. */
const INEXACT = 0.25;

/**
 * The codes a scan tool reads off the simulated car, with their status, in the style they are typed in. A code names
 * the corner and what the module noticed, not the part.
 *
 * @returns null on a real job
 */
export function simulatedCodes(job: Job): string[] | null {
  const car = readSimulatedCar(job);
  if (!car) return null;
  const { fault } = car.truth;
  const type = FAILURE_TYPE[fault.effect];
  if (!type) return [];
  const random = seeded((job.simulated?.seed ?? 1) ^ 0x51ed);
  const status = car.away ? "history" : "present";
  const code = (corner: number) => {
    const subject = fault.effect === "feed" ? 1 : fault.part === "ring" && random() < 0.5 ? 2 : 0;
    const number = (0x31 + 3 * corner + subject).toString(16).toUpperCase().padStart(4, "0");
    return `C${number}-${random() < INEXACT ? "31" : type} ${status}`;
  };
  const own = corners.indexOf(job.setup.corner);
  const shared = car.condition.othersDown > 0.5 ? corners.map((_, i) => i).filter((i) => i !== own) : [];
  return [own, ...shared].map(code);
}
