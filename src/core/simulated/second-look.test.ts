import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import { hookupKey, type Hookup } from "../checks/hookup";
import { diagnosisOf } from "../bench/diagnosis";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";
import { proposeChecks } from "../planning/next-check";
import { slipChance } from "../observation/likelihood";
import { typedValue } from "../observation/typed-value";
import { readCar, simulateCar } from "./simulated-car";
import type { LookInstrument } from "../checks/instruments";
import type { LookId } from "../checks/looks/looks";
import { secondLook, seenAlike, seenAtOnce } from "../observation/second-look";

const setup = cornerSetupSchema.parse({
  corner: "RL",
  family: "passive",
  path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
});
const bearing: Hookup = { instrument: "hands", look: "bearing", state: circuitStateSchema.parse({ key: "off" }) };
const policy = { approach: "information", pierce: false } as const;
const none = { done: new Set<string>(), skipped: new Set<string>() };
const fresh = () => new Belief(setup, complaintSchema.parse({}), { seed: 3, perGroup: 24 });
function look(belief: Belief, word: string): void {
  const typed = typedValue(bearing, word, setup);
  if (!typed.ok) throw new Error(typed.say);
  belief.add({ entryId: "", ...typed.observed });
}
const share = (belief: Belief, id: string) => belief.shares()[belief.indexOf(id)]!;

const alike = (instrument: LookInstrument, look: LookId) => seenAlike({ ...bearing, instrument, look });

/** Tight, play, play that stays under the brake. */
const WORDS = 3;
const SLIP = slipChance({ instrument: "hands" });

describe("a second look at the same thing", () => {
  it("is half the first one over again, half a new chance; a quarter where it is felt: worked out by hand", () => {
    expect(secondLook([0.9, 0.1], 0, alike("eyes", "plug"))).toEqual([0.95, 0.05]);
    expect(secondLook([0.2, 0.3, 0.5], 2, alike("film", "encoder"))).toEqual([0.1, 0.15, 0.75]);
    expect(secondLook([0.9, 0.1], 1, alike("hands", "bearing"))[1]).toBeCloseTo(0.325);
  });

  it("at another place of the wire counts alike only so far as both places show the same", () => {
    const half = (own: number[], first: number[], last: number) => seenAtOnce(own, first, last, 0.5);
    // The same signal at both: as looked at again. Nothing in common: as if it were the first look.
    expect(half([0.7, 0.3], [0.7, 0.3], 0)).toEqual(secondLook([0.7, 0.3], 0, 0.5));
    expect(half([0, 1], [1, 0], 0)).toEqual([0, 1]);
    // Good here for 3 of 10, there for 7: of the 7 that were called good there, 3 are good here too.
    expect(half([0.3, 0.7], [0.7, 0.3], 0)[0]).toBeCloseTo(0.5 * 0.3 + 0.5 * (3 / 7));
    // Called good by an error that comes in one recording of twenty: half of it was meant.
    expect(seenAtOnce([0.1, 0.9], [0.1, 0.9], 0, 0.5, 0.05)[0]).toBeCloseTo(0.75 * 0.1 + 0.25);
    // What was called bad there is bad here.
    expect(half([0.3, 0.7], [0.7, 0.3], 1)[1]).toBeCloseTo(0.5 * 0.7 + 0.5);
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
    // Felt by hand: a quarter is the first over again.
    expect(Math.abs(rate("tight") - 0.75 * first)).toBeLessThan(0.03);
    expect(Math.abs(rate("play") - (0.75 * first + 0.25))).toBeLessThan(0.03);
  });

  it("moves the shares by Bayes' rule on those chances, less than a first look would", () => {
    const belief = fresh();
    const [table] = belief.forecasts([bearing]);
    if (table!.kind !== "words") throw new Error("expected words");
    const { chances } = table!;
    const first = belief.hypotheses.map((group) => chances[group.first * WORDS + 1]!);
    look(belief, "tight");
    const before = belief.shares();
    look(belief, "play");
    const byHand = before.map((own, g) => own * ((1 - SLIP) * 0.5 * first[g]! + SLIP / WORDS));
    const total = byHand.reduce((sum, one) => sum + one, 0);
    const play = belief.indexOf("bearing-play@bearing");
    expect(share(belief, "bearing-play@bearing")).toBeCloseTo(byHand[play]! / total, 1);
    const once = fresh();
    look(once, "play");
    const [twice, single] = [belief, once].map((one) => share(one, "bearing-play@bearing"));
    expect(twice).toBeLessThan(single!);
  });

  it("seen alike twice counts for less than two looks of two people", () => {
    const belief = fresh();
    look(belief, "play");
    const once = share(belief, "bearing-play@bearing");
    const odds = (value: number) => value / (1 - value);
    const gained = odds(once) / odds(belief.initial[belief.indexOf("bearing-play@bearing")]!);
    look(belief, "play");
    const again = odds(share(belief, "bearing-play@bearing")) / odds(once);
    expect(again).toBeGreaterThan(1);
    expect(again).toBeLessThan(Math.sqrt(gained));
  });

  it("is proposed once more at most, and says that it is one", () => {
    const belief = fresh();
    const offered = () =>
      proposeChecks(belief, policy, none, { most: 60 }).filter(
        ({ check }) => "look" in check.hookup && check.hookup.look === "bearing",
      );
    for (const word of ["play", "tight"]) {
      look(belief, word);
      if (word === "play") {
        expect(offered().length).toBeLessThanOrEqual(1);
        const [next] = diagnosisOf(belief, policy, none).next.filter(({ look: at }) => at === "bearing");
        if (next) expect(next.check).toMatch(/^Once more/);
      }
    }
    expect(offered()).toEqual([]);
  });
});
