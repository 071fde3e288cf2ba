import type { CodeKind } from "../codes/code";
import type { Fault } from "../faults/fault";
import { corners, type Corner } from "../units/corner";
import { seeded, type Random } from "../random/random";
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
  const random = seeded((job.simulated?.seed ?? 1) ^ 0x51ed);
  const status = car.away ? "history" : "present";
  const { corner: own } = job.setup;
  const shared = car.condition.othersDown > 0.5 ? corners.filter((one) => one !== own) : [];
  return [own, ...shared].flatMap((corner) => storedCode(fault, corner, status, random) ?? []);
}

/** The code a module stores for a fault at a corner; null where it notices none. */
export function storedCode(
  { effect, part }: Pick<Fault, "effect" | "part">,
  corner: Corner,
  status: "present" | "history",
  random: Random,
): string | null {
  const type = FAILURE_TYPE[effect];
  if (!type) return null;
  const subject = effect === "feed" ? 1 : part === "ring" && random() < 0.5 ? 2 : 0;
  const number = (0x31 + 3 * corners.indexOf(corner) + subject).toString(16).toUpperCase().padStart(4, "0");
  return `C${number}-${random() < INEXACT ? "31" : type} ${status}`;
}
