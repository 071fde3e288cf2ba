import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import { hookupKey, type Hookup } from "../checks/hookup";
import { diagnosisOf } from "../job/diagnosis";
import { complaintSchema } from "../lineup/complaint";
import { LineUp } from "../lineup/line-up";
import { proposeChecks } from "../lineup/next-check";
import { BLUNDER } from "../lineup/weigh";
import { typedEvidence } from "../lineup/typed-evidence";
import { readCar, simulateCar } from "./simulated";
import { secondLook } from "./second-look";

const setup = cornerSetupSchema.parse({
  corner: "RL",
  family: "passive",
  path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
});
const bearing: Hookup = { instrument: "hands", look: "bearing", state: circuitStateSchema.parse({ key: "off" }) };
const policy = { approach: "information", pierce: false } as const;
const none = { done: new Set<string>(), skipped: new Set<string>() };
const fresh = () => new LineUp(setup, complaintSchema.parse({}), { seed: 3, perGroup: 24 });
function look(lineUp: LineUp, word: string): void {
  const typed = typedEvidence(bearing, word, setup);
  if (!typed.ok) throw new Error(typed.say);
  lineUp.add(typed.evidence);
}
const share = (lineUp: LineUp, id: string) => lineUp.shares()[lineUp.groupIndex(id)]!;

describe("a second look at the same thing", () => {
  it("is half the first one over again, half a new chance: by hand", () => {
    expect(secondLook([0.9, 0.1], 0)).toEqual([0.95, 0.05]);
    expect(secondLook([0.2, 0.3, 0.5], 2)).toEqual([0.1, 0.15, 0.75]);
  });

  it("is answered by a simulated car as often as that", () => {
    const car = simulateCar(setup, "bearing-play@bearing", { seed: 5 });
    const rate = (last?: string) => {
      let play = 0;
      for (let i = 0; i < 4000; i++) {
        car.said.clear();
        if (last) car.said.set(hookupKey(bearing), last);
        if (readCar(car, bearing) === "play") play++;
      }
      return play / 4000;
    };
    const first = rate();
    // Binomial: 4000 draws have a standard error under 0.008.
    expect(rate("tight")).toBeCloseTo(first / 2, 1);
    expect(Math.abs(rate("tight") - first / 2)).toBeLessThan(0.03);
    expect(Math.abs(rate("play") - (first / 2 + 0.5))).toBeLessThan(0.03);
  });

  it("moves the shares by Bayes' rule on those chances, less than a first look would", () => {
    const lineUp = fresh();
    const [table] = lineUp.tables([bearing]);
    if (table!.kind !== "words") throw new Error("expected words");
    const { chances } = table!;
    const first = lineUp.candidates.groups.map((group) => chances[group.first * 2 + 1]!);
    look(lineUp, "tight");
    const before = lineUp.shares();
    look(lineUp, "play");
    const byHand = before.map((own, g) => own * ((1 - BLUNDER) * 0.5 * first[g]! + BLUNDER / 2));
    const total = byHand.reduce((sum, one) => sum + one, 0);
    const play = lineUp.groupIndex("bearing-play@bearing");
    expect(share(lineUp, "bearing-play@bearing")).toBeCloseTo(byHand[play]! / total, 1);
    const once = fresh();
    look(once, "play");
    const [twice, single] = [lineUp, once].map((one) => share(one, "bearing-play@bearing"));
    expect(twice).toBeLessThan(single!);
  });

  it("seen alike twice counts for less than two looks of two people", () => {
    const lineUp = fresh();
    look(lineUp, "play");
    const once = share(lineUp, "bearing-play@bearing");
    const odds = (value: number) => value / (1 - value);
    const gained = odds(once) / odds(lineUp.initial[lineUp.groupIndex("bearing-play@bearing")]!);
    look(lineUp, "play");
    const again = odds(share(lineUp, "bearing-play@bearing")) / odds(once);
    expect(again).toBeGreaterThan(1);
    expect(again).toBeLessThan(Math.sqrt(gained));
  });

  it("is proposed once more at most, and says that it is one", () => {
    const lineUp = fresh();
    const offered = () =>
      proposeChecks(lineUp, policy, none, { most: 60 }).filter(
        ({ check }) => "look" in check.hookup && check.hookup.look === "bearing",
      );
    for (const word of ["play", "tight"]) {
      look(lineUp, word);
      if (word === "play") {
        expect(offered().length).toBeLessThanOrEqual(1);
        const [next] = diagnosisOf(lineUp, policy, none).next.filter(({ look: at }) => at === "bearing");
        if (next) expect(next.check).toMatch(/^Once more/);
      }
    }
    expect(offered()).toEqual([]);
  });
});
