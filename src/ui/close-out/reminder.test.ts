import ICAL from "ical.js";
import { expect, it } from "vitest";
import { cornerSetupSchema } from "@/core/circuit/setup";
import { jobSchema } from "@/core/job/schema";
import { reminderIcs } from "./reminder";

it("an iCalendar package reads the reminder back: the car, the day, a quarter of an hour", () => {
  const setup = cornerSetupSchema.parse({
    corner: "RR",
    family: "passive",
    path: [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "plug" }],
  });
  const car = { name: 'Osmund Drover; 09, "old"' };
  const job = jobSchema.parse({
    tastatura: "job/4",
    id: "j",
    createdAt: "2026-01-01T00:00:00Z",
    car,
    setup,
    complaint: {},
    policy: {},
    entries: [],
  });
  const event = new ICAL.Event(
    new ICAL.Component(ICAL.parse(reminderIcs(job, new Date(2026, 1, 20, 12)))).getFirstSubcomponent("vevent")!,
  );
  expect(event.summary).toBe('Osmund Drover; 09, "old": has the ABS lamp come back?');
  expect(event.description).toContain("rear right");
  expect(event.startDate.toJSDate()).toEqual(new Date(2026, 2, 6, 9, 0));
  expect(event.duration.toSeconds()).toBe(900);
});
