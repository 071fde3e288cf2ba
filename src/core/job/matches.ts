import { cornersInWork } from "./corner-in-work";
import type { Job } from "./schema";

/** Whether a job is meant by what was typed: every word of it in the car's name, plate, VIN, order, customer, corner or codes. */
export function matchesJob(job: Job, sought: string): boolean {
  const { car, complaint } = job;
  const { name, plate, vin = "", order = "", customer = "" } = car;
  const all = [name, plate, vin, order, customer, ...cornersInWork(job), ...complaint.codes].join(" ").toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}
