import type { Job } from "./schema";

/** Whether a job is meant by what was typed: every word of it in the car's name, plate, VIN, order, customer, corner or codes. */
export function matchesJob({ car, setup, complaint }: Job, sought: string): boolean {
  const { name, plate, vin = "", order = "", customer = "" } = car;
  const all = [name, plate, vin, order, customer, setup.corner, ...complaint.codes].join(" ").toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}
