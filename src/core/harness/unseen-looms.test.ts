/** Wire damage on looms drawn at random: found in the right span, at a cost near the exact least. */
import { beforeAll, describe, expect, it } from "vitest";
import { readCar, simulateCar } from "../simulated/simulated-car";
import { accessMinutes, cornerSetupSchema, stationsOf, type CornerSetup } from "../circuit/setup";
import { suspectables, suspectId } from "../faults/catalogue";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";
import { proposeChecks } from "../planning/next-check";
import { FOUND_SHARE, HANDLING_MINUTES } from "../planning/place-search";
import { typedValue } from "../observation/typed-value";
import { seeded } from "../random/random";

const LOOMS = 8;

function loom(random: () => number): CornerSetup {
  const spans = 2 + Math.floor(4 * random());
  const path: object[] = [{ station: "module", accessMin: 30 }];
  for (let i = 0; i < spans; i++) {
    path.push({ spanM: 0.6 + 2 * random(), mm2: 0.5, exposure: [0.6, 1, 2, 4][Math.floor(4 * random())] });
    path.push(
      i === spans - 1
        ? { station: "plug", accessMin: 7 }
        : { station: `c${i + 1}`, accessMin: Math.round(3 + 9 * random()) },
    );
  }
  return cornerSetupSchema.parse({ corner: "RL", family: "active-2wire", path });
}

/** Least expected minutes to tell the span, noise left out (Knuth's optimal search tree, Acta Informatica 1, 1971). */
function least(setup: CornerSetup, bySpan: number[], from: number, to: number): number {
  if (to - from <= 1) return 0;
  const held = (a: number, b: number) => bySpan.slice(a, b).reduce((sum, one) => sum + one, 0);
  return Math.min(
    ...Array.from({ length: to - from - 1 }, (_, i) => {
      const middle = from + 1 + i;
      const all = held(from, to);
      return (
        1 +
        accessMinutes(stationsOf(setup)[middle]!) +
        (held(from, middle) / all) * least(setup, bySpan, from, middle) +
        (held(middle, to) / all) * least(setup, bySpan, middle, to)
      );
    }),
  );
}

describe("damage somewhere along a wire, its kind known", () => {
  const random = seeded(4242);
  let [right, minutes, handled, foreseen, optimum] = [0, 0, 0, 0, 0];
  beforeAll(() => {
    for (let n = 0; n < LOOMS; n++) {
      const setup = loom(random);
      const opens = suspectables(setup).filter(
        ({ fault, place }) => fault.code === "wire-open" && place.conductor === "return",
      );
      const total = opens.reduce((sum, { prior }) => sum + prior, 0);
      let pick = random() * total;
      const truth = opens.find(({ prior }) => (pick -= prior) <= 0) ?? opens.at(-1)!;
      const car = simulateCar(setup, suspectId(truth.fault, truth.place), { seed: 70 + n, spread: 1.5 });
      const known = new Map(opens.map(({ fault, place, prior }) => [suspectId(fault, place), prior]));
      const belief = new Belief(setup, complaintSchema.parse({}), {
        seed: n,
        perGroup: 48,
        given: ({ fault, place }) => known.get(suspectId(fault, place)) ?? 0,
      });
      const groups = belief.hypotheses;
      const done = new Set<string>();
      let lead = -1;
      for (let step = 0; step < 12; step++) {
        const shares = belief.shares();
        const best = shares.indexOf(Math.max(...shares));
        lead = groups[best]!.place.span!;
        if (shares[best]! >= FOUND_SHARE) break;
        const [next] = proposeChecks(
          belief,
          { approach: "information", pierce: false },
          { done, skipped: new Set() },
          { foresee: step === 0 },
        );
        if (!next) break;
        const typed = typedValue(next.check.hookup, readCar(car, next.check.hookup), setup);
        if (!typed.ok) throw new Error(typed.say);
        belief.add({ entryId: "", ...typed.observed });
        if (step === 0) foreseen += next.toPlaceMinutes!;
        minutes += next.minutes;
        handled += next.minutes + HANDLING_MINUTES;
        next.check.access.forEach(({ id }) => done.add(id));
      }
      if (lead === truth.place.span) right++;
      const bySpan = stationsOf(setup)
        .slice(1)
        .map((_, span) => opens.filter(({ place }) => place.span === span).reduce((sum, one) => sum + one.prior, 0));
      optimum += least(setup, bySpan, 0, stationsOf(setup).length - 1);
    }
  }, 120_000);

  it("is found in the right span", () => {
    expect(right / LOOMS).toBeGreaterThan(0.9);
  });

  it("in about the minutes the plan foresaw at its first step", () => {
    expect(foreseen / handled).toBeGreaterThan(0.75);
    expect(foreseen / handled).toBeLessThan(1.25);
  });

  it("for about the least minutes there are", () => {
    expect(optimum).toBeGreaterThan(0);
    expect(minutes / optimum).toBeLessThan(1.15);
  });
});
