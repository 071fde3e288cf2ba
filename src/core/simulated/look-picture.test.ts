import { describe, expect, it } from "vitest";
import { simulateCar } from "./simulated-car";
import { lookPicture } from "./look-picture";
import { hookupOf } from "../observation/read-observation";
import { jobSchema, type Job } from "../job/schema";
import { readingSchema } from "../observation/reading";
import { readSimulatedCar } from "./simulated-reading";
import { usualCorner } from "../circuit/setup";

const job = (fault: string, entries: object[] = [], intermittent = false): Job =>
  jobSchema.parse({
    tastatura: "job/4",
    id: "p",
    createdAt: "2026-01-01T00:00:00Z",
    car: { name: "" },
    setup: {
      ...usualCorner,
      corner: "FL",
      family: "active-2wire",
      path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
    },
    complaint: {},
    policy: {},
    entries,
    simulated: { fault, seed: 5, intermittent },
  });
const at = (one: Job, instrument: string, look: string) => {
  const hookup = hookupOf(readingSchema.parse({ instrument, look }), one.setup);
  if (!hookup.ok) throw new Error(hookup.say);
  return hookup.value;
};

describe("what is seen at a simulated car", () => {
  it("is drawn from its own defect: the very teeth that are gone", () => {
    const one = job("ring-missing@ring");
    const { missing } = simulateCar(one.setup, "ring-missing@ring", { seed: 5 }).condition.ring;
    const picture = lookPicture(one, at(one, "eyes", "ring"), "missing");
    expect(picture).toMatchObject({
      kind: "ring",
      pulses: 48,
      missing: [missing!.start, missing!.count],
      debris: null,
    });
    expect(lookPicture(one, at(one, "film", "encoder"), "gap")).toMatchObject({ kind: "film", stripes: true });
    expect(lookPicture(one, at(one, "eyes", "ring"), "intact")).toMatchObject({ missing: null, crack: null });
    expect(lookPicture(one, at(one, "eyes", "plug"), "bad")).toEqual({ kind: "plug", terminals: 2, bad: true });
    expect(lookPicture(one, at(one, "hands", "magnet"), "switches")).toBeNull();
    expect(lookPicture({ ...one, simulated: undefined }, at(one, "eyes", "ring"), "missing")).toBeNull();
  });

  it("unplugging makes an intermittent hide for a while", () => {
    const open = {
      id: "a",
      at: "2026-01-01",
      kind: "reading",
      reading: { instrument: "volts-dc", red: "plug.in.supply", state: { unplugged: ["plug"] }, value: "11 V" },
    };
    const note = (n: number) => ({
      id: `b${n}`,
      at: "2026-01-01",
      kind: "reading",
      reading: { instrument: "volts-dc", red: "plug.in.supply", value: "11 V" },
    });
    const duty = (entries: object[]) => readSimulatedCar(job("terminal-open@plug.return", entries, true))!.duty;
    expect(duty([open])).toBeLessThan(0.2 * duty([]));
    expect(duty([open, note(1), note(2), note(3), note(4)])).toBe(duty([]));
  });
});
