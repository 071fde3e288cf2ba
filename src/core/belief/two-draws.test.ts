/**
 * A draw of candidates that has lost the true cars predicts the log worse than one that has not. The log is of an outside car
 * (a shorted sensor that comes and goes, high-side sensing, a SPICE netlist) whose first volts were read at the wrong pin.
 */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { readingSchema } from "../observation/reading";
import { observationsIn } from "../replay/observations";
import { Belief, type BeliefOptions } from "./belief";
import { sharesByPart } from "./posterior";

const span = (spanM: number) => ({ spanM, mm2: 0.5 });
const setup = cornerSetupSchema.parse({
  corner: "RR",
  family: "active-2wire",
  supplyV: 12,
  pulsesPerRevolution: 48,
  path: [
    { station: "module", accessMin: 29 },
    span(2.8),
    { station: "c1", accessMin: 10 },
    span(2.5),
    { station: "c2", accessMin: 8 },
    span(1.9),
    { station: "plug", accessMin: 7 },
  ],
});
const complaint = complaintSchema.parse({ presence: "intermittent", symptoms: ["lamp"] });

const watched = (red: string, black: string, value: string, ...unplugged: string[]) => ({
  instrument: "volts-dc",
  red,
  black,
  state: { key: "on", wheel: "still", watched: true, unplugged },
  value,
});
const log = [
  { instrument: "scan", look: "speed", state: { key: "on", wheel: "driven", speedKmh: 30 }, value: "drops-out" },
  watched("plug.in.supply", "battery.negative", "39 mV"),
  watched("plug.out.supply", "plug.out.return", "336 mV"),
  watched("c1.out.supply", "c1.out.return", "373 mV"),
  watched("c1.in.supply", "battery.negative", "399 mV"),
  watched("plug.in.supply", "plug.in.return", "10.58 V", "plug"),
  watched("c1.in.supply", "battery.negative", "403 mV"),
  watched("c1.out.supply", "c1.out.return", "371 mV"),
  watched("module.out.supply", "c1.in.supply", "8 mV"),
  watched("module.out.supply", "module.out.return", "395 mV"),
  watched("module.in.supply", "battery.negative", "410 mV"),
];
const { read } = observationsIn(
  log.map((reading, i) => ({ entryId: String(i), reading: readingSchema.parse(reading) })),
  setup,
);

function weighed(options: BeliefOptions, from = 0, prepared = false): Belief {
  const belief = new Belief(setup, complaint, options);
  for (const observation of read.slice(from)) {
    belief.learn(observation);
    if (prepared) belief.prepare();
  }
  return belief;
}

const partsOf = (belief: Belief) => Object.fromEntries(sharesByPart(belief, belief.shares()));

describe("a slipped reading that has led one draw astray", () => {
  it.each([0, 3])("costs no true part, whatever the draw (seed %i)", (seed) => {
    const belief = weighed({ seed });
    expect(belief.log).toHaveLength(log.length);
    expect(partsOf(belief).sensor).toBeGreaterThan(0.5);
    expect(belief.surely("connector")).toBeLessThan(0.5);
  });
});

it("both draws are taken up where they were left, and weighed ahead they say the same", () => {
  const whole = weighed({ seed: 2, perGroup: 36 });
  expect(whole.checkpoint().other).toBeDefined();
  const half = new Belief(setup, complaint, { seed: 2, perGroup: 36 });
  for (const observation of read.slice(0, 9)) half.learn(observation);
  const resumed = weighed(
    { seed: 2, perGroup: 36, resume: { checkpoint: half.checkpoint(), log: read.slice(0, 9) } },
    9,
  );
  const ahead = weighed({ seed: 2, perGroup: 36 }, 0, true);
  for (const belief of [resumed, ahead]) {
    expect(belief.surely("sensor")).toBeCloseTo(whole.surely("sensor"), 6);
    const [own, other] = [partsOf(belief), partsOf(whole)];
    for (const part of Object.keys(other)) expect(own[part]!, part).toBeCloseTo(other[part]!, 6);
  }
});
