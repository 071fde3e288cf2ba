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
import { unmetNeeds } from "./needs";
import { PROOF_SHARE, rankParts } from "./suspects";

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

/** Few candidates will do for what must have been read. */
function beliefAfter(...readings: object[]): Belief {
  return believedOf(24, readings);
}

function believedOf(perGroup: number, readings: readonly object[]): Belief {
  const belief = new Belief(setup, complaintSchema.parse({ presence: "hard", codes: ["C0031-13"] }), {
    seed: 11,
    perGroup,
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
    const parts = rankParts(without);
    expect(parts.filter(({ part, verdict }) => part.startsWith("module") && verdict === "proven")).toEqual([]);
    expect(lacks(without, "channel-supply@module-supply")).toBe(2);
    expect(lacks(without, "feed-missing@module-power")).toBe(1);
    // Told from the wire beside it only by what stands on either side of it.
    expect(lacks(without, "terminal-open@module.supply")).toBe(1);
  });

  it("is proven by the plan's own readings, which pass the gate first", () => {
    const car = simulateCar(setup, "channel-supply@module-supply", { seed: 9 });
    const belief = new Belief(setup, complaintSchema.parse({ codes: ["C0031-13"] }), { seed: 12 });
    const done = new Set<string>();
    let proven: string | null = null;
    for (let n = 0; n < MOST_READINGS && !proven; n++) {
      const [next] = proposeChecks(belief, policySchema.parse({}), { done, skipped: new Set() });
      const typed = typedValue(next!.check.hookup, readCar(car, next!.check.hookup), setup);
      if (!typed.ok) throw new Error(typed.say);
      belief.learn({ entryId: String(n), ...typed.observed });
      next!.check.access.forEach(({ id }) => done.add(id));
      const [top] = rankParts(belief);
      if (top!.part === "module" && top!.share > PROOF_SHARE && lacks(belief, "channel-supply@module-supply") > 0)
        expect(top!.verdict).not.toBe("proven");
      if (top!.verdict === "proven") proven = top!.part;
    }
    expect(proven).toBe("module");
    expect(lacks(belief, "channel-supply@module-supply")).toBe(0);
  }, 60_000);

  it("each of the five readings is missed by itself: a short in the sensor pulls a good output down as well", () => {
    const all = [...FEED, volts("module.in.supply", "0.0 V"), volts("plug.in.supply", "0.0 V", ["plug"]), LOOM_ALONE];
    expect(lacks(beliefAfter(...all), "channel-supply@module-supply")).toBe(0);
    for (const one of all)
      expect(lacks(beliefAfter(...all.filter((other) => other !== one)), "channel-supply@module-supply")).toBe(1);
  });
});

describe("other parts", () => {
  const rocked = (value: string) => ({ instrument: "hands", look: "bearing", value });
  const seen = (look: string, value: string) => ({ instrument: "eyes", look, value });
  const dried = (plug: string) => ({ instrument: "hands", look: `reseat-${plug}`, value: "still" });
  const recorded = (finding: string) => ({
    instrument: "scope",
    point: "plug.out.return",
    finding,
    state: { key: "on", wheel: "hand" },
  });

  it.each<[string, object[], object[]]>([
    ["bearing-play@bearing", [recorded("eccentric"), rocked("tight")], [rocked("play")]],
    ["ring-missing@ring", [rocked("tight"), seen("ring", "intact")], [recorded("missing-pulses")]],
    ["mounting-gap@mounting", [recorded("flat")], [seen("foot", "lifted")]],
    ["tyre-size@tyre", [{ instrument: "scan", look: "speed", value: "ratio-off" }], [seen("tyres", "different")]],
    ["wire-open@span1.supply", [volts("plug.in.supply", "0 V", ["plug"])], [volts("module.out.supply", "11.4 V")]],
    ["terminal-open@plug.supply", [volts("plug.in.supply", "11.4 V")], [volts("plug.out.supply", "0 V")]],
    ["wire-to-neighbour@span1", [{ ...LOOM_ALONE, value: "410 Ω" }, dried("module")], [dried("plug")]],
    ["wire-to-neighbour@span1", [{ ...LOOM_ALONE, value: "410 Ω" }, dried("plug")], [dried("module")]],
    ["wire-to-neighbour@span1", [dried("module"), dried("plug")], [{ ...LOOM_ALONE, value: "4.1 Ω" }]],
    ["sensor-open@sensor", [volts("plug.in.supply", "11.4 V", ["plug"])], [volts("plug.out.return", "0.00 V")]],
    ["module-ground@module-earth", [volts("plug.out.return", "11 V")], [volts("module.in.earth", "9 V")]],
  ])("%s is not named before it was looked at or read by itself", (id, before, then) => {
    expect(lacks(beliefAfter(...before), id)).toBe(1);
    expect(lacks(beliefAfter(...before, ...then), id)).toBe(0);
  });

  it("what is read metal on metal needs no plug dried: no water conducts so well", () => {
    expect(lacks(beliefAfter({ ...LOOM_ALONE, value: "4.1 Ω" }), "wire-to-neighbour@span1")).toBe(0);
  });

  it("a look that fits no one fault and says the same again takes nothing from the lead, and brings the second fault into question", () => {
    const film = { instrument: "film", look: "encoder", value: "gap" };
    const stuck = [
      volts("plug.out.supply", "11.64 V"),
      { ...volts("plug.out.return", "0.69 V"), state: { key: "on", wheel: "creep" } },
      { instrument: "gauge", look: "gap", value: "1.05 mm" },
      film,
      { ...recorded("flat"), point: "plug.out.return" },
      { instrument: "hands", look: "magnet", value: "no-change" },
      { ...volts("plug.out.supply", "6.4 mA"), instrument: "amps-dc", red: "plug.in.supply", black: "plug.out.supply" },
    ];
    const shareOf = (belief: Belief, wanted: string) => rankParts(belief).find(({ part }) => part === wanted)!;
    const once = beliefAfter(...stuck);
    expect(shareOf(once, "sensor")).toMatchObject({ verdict: "suspect" });
    const again = believedOf(96, [...stuck, film]);
    expect(shareOf(again, "sensor").share).toBeGreaterThan(0.95);
    expect(shareOf(again, "ring").share).toBeGreaterThan(0.15);
    for (const { share } of rankParts(again)) expect(share).toBeLessThanOrEqual(1);
  });
});

/** How many readings a fault still lacks before it may be named. */
function lacks(belief: Belief, id: string): number {
  return unmetNeeds(belief, belief.indexOf(id)).needs.length;
}
