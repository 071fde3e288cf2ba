import { t } from "@/core/words/words";
import { addDays } from "date-fns";
import { createEvent } from "ics";
import { cornerWords } from "@/core/units/corner";
import type { Job } from "@/core/job/schema";

const DAYS = 14;

/** A calendar entry in two weeks: has the intermittent come back? @throws Error when the calendar package refuses */
export function reminderIcs(job: Job, now: Date): string {
  const day = addDays(now, DAYS);
  const { error, value } = createEvent({
    title: t`${job.car.name || t`Car`}: has the ABS lamp come back?`,
    description: t`${cornerWords[job.setup.corner]}, repaired ${now.toISOString().slice(0, 10)}. Ask, and read the codes.`,
    start: [day.getFullYear(), day.getMonth() + 1, day.getDate(), 9, 0],
    duration: { minutes: 15 },
    productId: "tastatura",
  });
  if (error || !value) throw error ?? new Error(t`no calendar entry was made`);
  return value;
}
