import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "./belief";
import { checkCatalogue } from "../checks/catalogue";
import { defaultPriors } from "../faults/parts/parts";
import { drawCandidates } from "./candidates";
import { Localisation } from "./localisation";
import { typedValue } from "../observation/typed-value";

const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1.2, mm2: 0.5 },
    { station: "c1" },
    { spanM: 2, mm2: 0.5 },
    { station: "plug" },
  ],
});
const belief = () => new Belief(setup, complaintSchema.parse({}), { seed: 6, perGroup: 24 });
const localisation = () =>
  new Localisation(
    drawCandidates({ setup, complaint: complaintSchema.parse({}), priors: defaultPriors, perGroup: 24, seed: 6 }),
  );
const hookupOf = (one: Belief, start: string) =>
  checkCatalogue(one.setup).find(({ id }) => id.startsWith(start))!.hookup;

describe("which faults a reading can speak about", () => {
  it.each([
    [
      "volts-dc:battery.positive>battery.negative",
      ["battery-low@battery"],
      ["ring-cracked@ring-crack", "wire-open@span2.supply", "tyre-size@tyre"],
    ],
    ["eyes:tyres", ["tyre-size@tyre"], ["sensor-open@sensor", "wire-to-ground@span1.return"]],
    [
      "ohms:module.out",
      ["wire-open@span1.supply"],
      ["ring-missing@ring", "bearing-play@bearing", "channel-deaf@module-input"],
    ],
    ["hands:bearing", ["bearing-play@bearing"], ["sensor-dead@sensor", "feed-missing@module-power"]],
  ])("%s speaks of %j and not of %j", (start, touched, silent) => {
    const one = belief();
    const untouched = localisation().untouched(hookupOf(one, start));
    for (const id of touched) expect(untouched[one.indexOf(id)], id).toBe(0);
    for (const id of silent) expect(untouched[one.indexOf(id)], id).toBe(1);
  });

  it("a reading moves no share among those it cannot speak about", () => {
    const one = belief();
    const hookup = hookupOf(one, "hands:bearing");
    const untouched = localisation().untouched(hookup);
    const before = one.shares();
    const typed = typedValue(hookup, "play", setup);
    if (!typed.ok) throw new Error(typed.say);
    one.add({ entryId: "", ...typed.observed });
    const after = one.shares();
    const factors = [...before.keys()]
      .filter((g) => untouched[g] && before[g]! > 1e-6)
      .map((g) => after[g]! / before[g]!);
    expect(factors.length).toBeGreaterThan(20);
    for (const factor of factors) expect(factor / factors[0]!).toBeCloseTo(1, 9);
  });

  it("one group speaks for all those a check cannot tell from a healthy corner", () => {
    const one = belief();
    const reach = localisation();
    const hookup = hookupOf(one, "volts-dc:battery.positive");
    const spoken = reach.speakers(hookup, one.shares());
    const untouched = reach.untouched(hookup);
    const speakers = new Set([...spoken].filter((_, g) => untouched[g]));
    expect(speakers.size).toBe(1);
    spoken.forEach((speaker, g) => {
      if (!untouched[g]) expect(speaker).toBe(g);
    });
  });
});
