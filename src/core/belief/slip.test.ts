/** One slipped probe is a slip: it must neither overturn what direct readings said nor turn the next good reading into proof against it. */
import { expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { observe } from "../observation/read-observation";
import { readingSchema } from "../observation/reading";
import { Belief } from "./belief";
import { sharesByPart } from "./posterior";

const setup = cornerSetupSchema.parse({
  corner: "RR",
  family: "active-2wire",
  sense: "high",
  supplyV: 12,
  path: [
    { station: "module", accessMin: 30 },
    { spanM: 2, mm2: 0.5 },
    { station: "c1", accessMin: 5 },
    { spanM: 1.5, mm2: 0.5 },
    { station: "plug", accessMin: 7 },
  ],
});
const still = { key: "on", wheel: "still" };
const dead = { key: "off" };
const volts = (red: string, value: string) => ({
  instrument: "volts-dc",
  red,
  black: "battery.negative",
  state: still,
  value,
});

it.each([1, 2, 3])("volts of another pin typed for the return wire change little (seed %i)", (seed) => {
  const belief = new Belief(setup, complaintSchema.parse({ symptoms: ["lamp"] }), { seed });
  const bearing = () => sharesByPart(belief, belief.shares()).get("bearing")!;
  const read = (...readings: unknown[]) => {
    for (const reading of readings) {
      const observed = observe(readingSchema.parse(reading), setup, String(belief.log.length));
      if (observed.ok) belief.add(observed.value);
    }
  };
  read(
    { instrument: "scope", point: "plug.out.supply", state: { key: "on", wheel: "hand" }, finding: "eccentric" },
    { instrument: "hands", look: "bearing", state: dead, value: "play" },
    { instrument: "gauge", look: "runout", state: dead, value: "0.82 mm" },
  );
  const before = bearing();
  expect(before).toBeGreaterThan(0.7);
  const odds = (share: number) => Math.log(share / (1 - share));
  read(volts("plug.in.return", "8.77 V"));
  expect(odds(bearing())).toBeGreaterThan(odds(before) - 0.75);
  read(volts("plug.out.return", "12 mV"), volts("c1.in.return", "10 mV"));
  expect(odds(bearing())).toBeGreaterThan(odds(before) - 0.75);
});
