import { cornersInWork } from "./corner-in-work";
import type { Job } from "./schema";

/** Whether a job is meant by what was typed: every word of it in the car's name, plate, VIN, order, customer, what it waits for, corner or codes. */
export function matchesJob(job: Job, sought: string): boolean {
  const all = textOf(job);
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}

/** A board of a thousand is asked at each letter. */
const texts = new WeakMap<Job, string>();

function textOf(job: Job): string {
  let text = texts.get(job);
  if (text === undefined) {
    const { name, plate, vin = "", order = "", customer = "", waitingFor = "" } = job.car;
    text = [name, plate, vin, order, customer, waitingFor, ...cornersInWork(job), ...job.complaint.codes]
      .join(" ")
      .toLowerCase();
    texts.set(job, text);
  }
  return text;
}
