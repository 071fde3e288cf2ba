import type { Job } from "./schema";

/** Whether a job is meant by what was typed: every word of it in the car's name, plate, corner or codes. */
export function matchesJob({ car, setup, complaint }: Job, sought: string): boolean {
  const all = `${car.name} ${car.plate} ${setup.corner} ${complaint.codes.join(" ")}`.toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}
