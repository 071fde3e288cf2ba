import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { answersFor } from "../checks/answers";
import { checkCatalogue } from "../checks/catalogue";
import { withMeanwhile } from "../checks/hookup";
import { cornerSetupSchema, families } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { canToggle, typedValue } from "../observation/typed-value";
import { quantityOf } from "../checks/instruments";
import { Belief } from "./belief";

/** What a needle promises is what Enter does: any corner, any hook-up, any value, after any few readings. */
describe("the share foreseen", () => {
  const inline = fc.integer({ min: 0, max: 2 });
  const corner = fc.record({
    family: fc.constantFrom(...families),
    sense: fc.constantFrom("low", "high"),
    inline,
    seed: fc.integer(),
    presence: fc.constantFrom("hard", "intermittent"),
  });
  const readings = fc.array(fc.record({ check: fc.nat(), value: fc.nat(), pick: fc.nat() }), {
    minLength: 1,
    maxLength: 4,
  });

  it("equals the share after it is logged, within half a point", () => {
    fc.assert(
      fc.property(corner, readings, ({ family, sense, inline, seed, presence }, list) => {
        const path: object[] = [{ station: "module" }, { spanM: 1, mm2: 0.5 }];
        for (let i = 1; i <= inline; i++) path.push({ station: `c${i}` }, { spanM: i, mm2: 0.5 });
        const setup = cornerSetupSchema.parse({ corner: "FL", family, sense, path: [...path, { station: "plug" }] });
        const belief = new Belief(setup, complaintSchema.parse({ presence }), { seed, perGroup: 12 });
        const checks = checkCatalogue(setup, presence === "intermittent");
        list.forEach(({ check, value, pick }, at) => {
          const chosen = checks[check % checks.length]!.hookup;
          const hookup = withMeanwhile(chosen, [null, "came" as const, "stayed-away" as const][pick % 3]!);
          const words = answersFor(hookup)?.words;
          const unit = hookup.instrument.startsWith("volts") ? " V" : hookup.instrument === "amps-dc" ? " A" : "";
          const number = VALUES[value % VALUES.length]!;
          const typed = words
            ? words[pick % words.length]!
            : pick % 3 === 0 && canToggle(hookup, setup)
              ? `${number} / ${VALUES[pick % VALUES.length]}${unit}`
              : quantityOf[hookup.instrument] === "ohms" && pick % 5 === 0
                ? "OL"
                : `${number}${unit}`;
          const read = typedValue(hookup, typed, setup);
          if (!read.ok) throw new Error(`${typed}: ${read.say}`);
          const before = belief.shares();
          const foreseen = belief.foresee(read.observed);
          expect(belief.shares(), "looking ahead changes nothing").toEqual(before);
          belief.add({ entryId: String(at), ...read.observed });
          const after = belief.shares();
          foreseen.forEach((share, h) => {
            if (Math.abs(share - after[h]!) > 0.005)
              throw new Error(`${belief.hypotheses[h]!.id}: foreseen ${share}, then ${after[h]} after ${typed}`);
          });
        });
      }),
      { numRuns: 10, seed: 7, endOnFailure: true },
    );
  });
});

const VALUES = [0, 0.003, 0.07, 0.84, 1.68, 2.4, 5.03, 11.2, 12.4, 48, 950, 1300, 60_000];
