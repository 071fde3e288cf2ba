/** What must have been read before a part may be named, whatever its share. Common practice, no source: module last. */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";
import { policySchema } from "../complaint/policy";
import { proposeChecks } from "../planning/next-check";
import { readCar, simulateCar } from "../simulated/simulated-car";
import { typedValue } from "../observation/typed-value";
import { observe } from "../observation/read-observation";
import { readingSchema } from "../observation/reading";
import { moduleFeedRead, moduleGatePassed, modulePinRead } from "./module-gate";
import { PROOF_SHARE, rankParts, rankSuspects } from "./suspects";

const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  sense: "low",
  path: [{ station: "module" }, { spanM: 3, mm2: 0.5 }, { station: "plug" }],
});
const volts = (red: string, value: string, unplugged: string[] = []) => ({
  instrument: "volts-dc",
  red,
  black: "battery.negative",
  value,
  state: { key: "on", unplugged },
});
const LOOM_ALONE = {
  instrument: "ohms",
  red: "module.out.supply",
  black: "module.out.return",
  value: "OL",
  state: { key: "off", batteryOff: true, unplugged: ["module", "plug"] },
};

function beliefAfter(...readings: object[]): Belief {
  const belief = new Belief(setup, complaintSchema.parse({ presence: "hard", codes: ["C0031-13"] }), {
    seed: 11,
    perGroup: 24,
  });
  readings.forEach((raw, i) => {
    const read = observe(readingSchema.parse(raw), setup);
    if (!read.ok) throw new Error(read.say);
    belief.learn({ ...read.value, entryId: String(i) });
  });
  return belief;
}

const MOST_READINGS = 16;
const DEAD_PINS = [
  volts("module.in.supply", "0.0 V"),
  volts("module.in.supply", "0.0 V", ["module"]),
  volts("plug.in.supply", "0.0 V", ["plug"]),
];
const FEED = [volts("module.in.power", "12.4 V"), volts("module.in.earth", "0.01 V")];

describe("the module", () => {
  it("is not proven by any share while its own feed, ground and loom were not read", () => {
    const without = beliefAfter(...DEAD_PINS, LOOM_ALONE);
    const parts = rankParts(rankSuspects(without));
    expect(parts.filter(({ part, verdict }) => part.startsWith("module") && verdict === "proven")).toEqual([]);
    expect(moduleGatePassed(without)).toBe(false);
    expect(moduleFeedRead(without)).toBe(false);
    expect(modulePinRead(without)).toBe(true);
  });

  it("is proven by the plan's own readings, which pass the gate first", () => {
    const car = simulateCar(setup, "channel-supply@module-supply", { seed: 7 });
    const belief = new Belief(setup, complaintSchema.parse({ codes: ["C0031-13"] }), { seed: 11 });
    const done = new Set<string>();
    let proven: string | null = null;
    for (let n = 0; n < MOST_READINGS && !proven; n++) {
      const [next] = proposeChecks(belief, policySchema.parse({}), { done, skipped: new Set() });
      const typed = typedValue(next!.check.hookup, readCar(car, next!.check.hookup), setup);
      if (!typed.ok) throw new Error(typed.say);
      belief.learn({ entryId: String(n), ...typed.observed });
      next!.check.access.forEach(({ id }) => done.add(id));
      const [top] = rankParts(rankSuspects(belief));
      if (top!.part === "module" && top!.share > PROOF_SHARE && !moduleGatePassed(belief))
        expect(top!.verdict).not.toBe("proven");
      if (top!.verdict === "proven") proven = top!.part;
    }
    expect(proven).toBe("module");
    expect(moduleGatePassed(belief)).toBe(true);
  }, 60_000);

  it("each of the four readings is missed by itself", () => {
    const all = [...FEED, volts("module.in.supply", "0.0 V"), LOOM_ALONE];
    expect(moduleGatePassed(beliefAfter(...all))).toBe(true);
    for (const one of all) expect(moduleGatePassed(beliefAfter(...all.filter((other) => other !== one)))).toBe(false);
  });
});
