import { corners } from "../units/corner";
import { seeded } from "../random/random";
import { readSimulatedCar } from "./simulated-reading";
import type { Job } from "../job/schema";
import { storedCode } from "./stored-code";

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
