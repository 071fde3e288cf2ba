/** Every look on every car: its answers are chances, its words are known again when typed, and a sound car looks sound. */
import { describe, expect, it } from "vitest";
import { drawCar } from "../../car/draw";
import type { Ranges } from "../../car/dimensions";
import { whereaboutsOf } from "../../car/whereabouts";
import { cornerSetupSchema, families } from "../../circuit/setup";
import { stateKey } from "../../circuit/state";
import { suspectables, suspectId } from "../../faults/catalogue";
import { StateReader } from "../../observation/reader";
import { answersFor, matchAnswer } from "../answers";
import { checkCatalogue } from "../catalogue";
import { findLook, looksOf, parseLook } from "./looks";

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1" },
  { spanM: 2, mm2: 0.5 },
  { station: "plug" },
];
const middle: Ranges = () => 0.5;

describe.each(families)("looks at %s", (family) => {
  const setup = cornerSetupSchema.parse({ corner: "RR", family, path });
  const looked = checkCatalogue(setup, true).filter(({ hookup }) => "look" in hookup);
  const all = suspectables(setup);

  it("are said in a sentence, cost minutes, and are found by their own name alone", () => {
    const looks = looksOf(setup);
    expect(new Set(looks.map(({ id }) => id)).size).toBe(looks.length);
    for (const { id, label, sentence, minutes } of looks) {
      expect(findLook(id)?.id).toBe(id);
      expect(parseLook(id, setup)).toBe(id);
      expect(label(), id).toMatch(/\p{L}{3}/u);
      expect(sentence(), id).toMatch(/[.?]$/);
      expect(minutes, id).toBeGreaterThan(0);
    }
    expect(parseLook("crystal-ball", setup)).toBeNull();
    expect(findLook("c99x")).toBeUndefined();
  });

  it("take every word they offer, its short form and what else is typed for it, and no other", () => {
    for (const { hookup, id } of looked) {
      const answers = answersFor(hookup);
      if (!answers) continue;
      for (const word of answers.words) {
        expect(matchAnswer(answers, word), id).toBe(word);
        expect(matchAnswer(answers, answers.short[word]!), id).toBe(word);
      }
      for (const [typed, word] of Object.entries(answers.also)) expect(matchAnswer(answers, typed), id).toBe(word);
      expect(matchAnswer(answers, "gibberish"), id).toBeNull();
    }
  });

  it("have chances that lie in 0–1 and sum to one, whatever is wrong and whether or not it comes and goes", () => {
    const states = new Set(looked.map(({ hookup }) => stateKey(hookup.state)));
    for (const state of states) {
      const sharing = looked.filter(({ hookup }) => stateKey(hookup.state) === state).map(({ hookup }) => hookup);
      const reader = new StateReader(setup, sharing[0]!.state, sharing);
      for (const one of all)
        for (const comesAndGoes of one.fault.intermittent ? [false, true] : [false]) {
          reader.take(drawCar(setup, one.fault, one.place, middle));
          sharing.forEach((hookup, at) => {
            const { kind, chances } = reader.outlook(at, whereaboutsOf(one, comesAndGoes));
            const where = `${"look" in hookup && hookup.look} with ${suspectId(one.fault, one.place)}`;
            expect(
              chances.reduce((sum, chance) => sum + chance, 0),
              where,
            ).toBeCloseTo(1, 6);
            for (const chance of chances) expect(chance, where).toBeGreaterThanOrEqual(0);
            if (kind === "words") for (const chance of chances) expect(chance, where).toBeLessThan(0.999);
          });
        }
    }
  });

  it("answer the same thing of a sound car nine times in ten, but where there is nothing to be seen on one", () => {
    const nothing = all.find(({ fault }) => fault.part === "none")!;
    for (const { hookup, id } of looked) {
      const reader = new StateReader(setup, hookup.state, [hookup]);
      reader.take(drawCar(setup, nothing.fault, nothing.place, middle));
      const { kind, chances } = reader.outlook(0, whereaboutsOf(nothing, false));
      if (kind === "words" && !/fuse-out|reseat/.test(id)) expect(Math.max(...chances), id).toBeGreaterThan(0.85);
    }
  });
});
