/** Inference against full enumeration on cases small enough to be done by hand, and its numbers against a statistics package. */
import bayesjs from "bayesjs";
import { mean, standardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import type { Hookup } from "../checks/hookup";
import { forecastStrip, previewReading } from "../bench/forecast-strip";
import { needleAt } from "../bench/needle";
import { normalScore, normal, seeded } from "../random/random";
import { complaintSchema } from "../complaint/complaint";
import { InformationTable, informationTable } from "../planning/information";
import { subsetWeights } from "../planning/planning";
import { Belief } from "./belief";
import { overLimitChance, scaleError, toScale, fromScale } from "../observation/scale";
import { slipChance } from "../observation/likelihood";
import { checkCatalogue } from "../checks/catalogue";

const setup = cornerSetupSchema.parse({
  corner: "FR",
  family: "active-2wire",
  path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
});
const SLIP = slipChance({ instrument: "eyes" });
const off = circuitStateSchema.parse({ key: "off" });
const film: Hookup = { instrument: "film", look: "encoder", state: off };
const foot: Hookup = { instrument: "eyes", look: "foot", state: off };

describe("word answers", () => {
  it("posterior shares equal Bayes' rule by full enumeration over every candidate", () => {
    const belief = new Belief(setup, complaintSchema.parse({}), { seed: 4, perGroup: 24 });
    const answers: [Hookup, string][] = [
      [film, "gap"],
      [foot, "seated"],
    ];
    const tables = belief.forecasts(answers.map(([hookup]) => hookup));
    const byHand = Array.from(belief.particles.weight, (weight, row) =>
      answers.reduce((product, [, word], i) => {
        const table = tables[i]!;
        if (table.kind !== "words") throw new Error("expected words");
        const chance = table.chances[row * table.words.length + table.words.indexOf(word)]!;
        return product * ((1 - SLIP) * chance + SLIP / table.words.length);
      }, weight),
    );
    const total = byHand.reduce((sum, weight) => sum + weight, 0);
    const expected = belief.hypotheses.map(({ first, size }) =>
      byHand.slice(first, first + size).reduce((sum, weight) => sum + weight / total, 0),
    );
    for (const [hookup, word] of answers) belief.add({ entryId: "r", hookup, value: { kind: "word", word } });
    belief.shares().forEach((share, g) => expect(share).toBeCloseTo(expected[g]!, 9));
  });

  it("shares equal those of a general Bayesian-network package given the same tables", () => {
    const belief = new Belief(setup, complaintSchema.parse({}), { seed: 9, perGroup: 2 });
    const answers: [Hookup, string][] = [
      [film, "gap"],
      [foot, "lifted"],
      [{ instrument: "hands", look: "bearing", state: off }, "tight"],
    ];
    const { weight, count } = belief.particles;
    const groups = belief.hypotheses;
    const carNames = Array.from({ length: count }, (_, row) => `car${row}`);
    const tables = belief.forecasts(answers.map(([hookup]) => hookup));
    const network = Object.fromEntries([
      [
        "car",
        {
          id: "car",
          states: carNames,
          parents: [],
          cpt: Object.fromEntries(carNames.map((name, i) => [name, weight[i]!])),
        },
      ],
      ...tables.map((table, t) => {
        if (table.kind !== "words") throw new Error("expected words");
        const cpt = carNames.map((name, row) => ({
          when: { car: name },
          then: Object.fromEntries(
            table.words.map((word, w) => [
              word,
              (1 - SLIP) * table.chances[row * table.words.length + w]! + SLIP / table.words.length,
            ]),
          ),
        }));
        return [`check${t}`, { id: `check${t}`, states: [...table.words], parents: ["car"], cpt }];
      }),
    ]) as Parameters<typeof bayesjs.infer>[0];
    const given = Object.fromEntries(answers.map(([, word], t) => [`check${t}`, word]));
    const expected = groups.map(({ first, size }) =>
      carNames.slice(first, first + size).reduce((sum, car) => sum + bayesjs.infer(network, { car }, given), 0),
    );
    for (const [hookup, word] of answers) belief.add({ entryId: "r", hookup, value: { kind: "word", word } });
    // The package rounds its answers to eight digits.
    belief.shares().forEach((share, g) => expect(share, groups[g]!.id).toBeCloseTo(expected[g]!, 6));
  });

  it("expected information is the mutual information summed over every outcome", () => {
    const chances = new Float64Array([0.9, 0.1, 0.2, 0.8, 0.5, 0.5]);
    const shares = new Float64Array([0.5, 0.3, 0.2]);
    const table = new InformationTable(chances, 2, shares);
    let byHand = 0;
    for (const outcome of [0, 1]) {
      const pooled = shares.reduce((sum, share, g) => sum + share * chances[g * 2 + outcome]!, 0);
      shares.forEach((share, g) => {
        const joint = share * chances[g * 2 + outcome]!;
        byHand += joint * Math.log2(joint / (share * pooled));
      });
    }
    expect(table.bits).toBeCloseTo(byHand, 12);
    expect(new InformationTable(new Float64Array([0.5, 0.5, 0.5, 0.5]), 2, new Float64Array([0.6, 0.4])).bits).toBe(0);
  });

  it("a check that tells nothing of what is in question is worth nothing", () => {
    const belief = new Belief(setup, complaintSchema.parse({}), { seed: 4, perGroup: 24 });
    const shares = belief.shares();
    const tyres: Hookup = { instrument: "eyes", look: "tyres", state: off };
    const within = subsetWeights(belief, 1);
    const ownSpeakers = Int32Array.from(shares.keys());
    const [seen, irrelevant] = belief
      .forecasts([film, tyres])
      .map((table) => informationTable(table, { posterior: belief, shares, stride: 1, within }, ownSpeakers));
    expect(seen!.bits).toBeGreaterThan(5 * irrelevant!.bits);
  });
});

describe("numbers", () => {
  const volts: Hookup = {
    instrument: "volts-dc",
    red: { at: "face", station: "plug", face: "in", conductor: "supply" },
    black: { at: "battery", pole: "negative" },
    state: circuitStateSchema.parse({ unplugged: ["plug"] }),
  };

  it("the scale is even about zero, one to one, and its error grows from millivolts to per cent", () => {
    for (const value of [-12, -0.003, 0, 0.2, 14]) {
      expect(fromScale("volts-dc", toScale("volts-dc", value))).toBeCloseTo(value, 9);
      expect(toScale("volts-dc", -value)).toBeCloseTo(-toScale("volts-dc", value), 12);
    }
    expect(scaleError(volts, 12, 0.01)).toBeCloseTo(0.018, 3);
    expect(scaleError(volts, 12, 1)).toBeGreaterThan(scaleError(volts, 12, 0.01));
  });

  it("OL is an event of its own: sure when open, never for a good wire", () => {
    expect(overLimitChance("ohms", Infinity)).toBeGreaterThan(0.99);
    expect(overLimitChance("ohms", 0.3)).toBeLessThan(0.01);
    expect(overLimitChance("ohms", 4e7)).toBeGreaterThan(0.3);
    expect(overLimitChance("volts-dc", 12)).toBe(0);
  });

  it("the strip's bands say what the line-up then does: a healthy value raises healthy, a dead one the opens", () => {
    const belief = new Belief(setup, complaintSchema.parse({}), { seed: 4, perGroup: 40 });
    belief.add({ entryId: "r", hookup: film, value: { kind: "word", word: "whole" } });
    const strip = forecastStrip(belief, volts);
    const healthy = strip.rows.find((row) => row.healthy)!;
    expect(healthy.bands).toHaveLength(1);
    const near = needleAt(volts, strip.axis, "11.7", setup)!;
    expect(near).toBeGreaterThan(healthy.bands[0]!.from - 0.05);
    expect(near).toBeLessThan(healthy.bands[0]!.to + 0.05);
    for (const notYet of ["", "-", "OL", "eleven"]) expect(needleAt(volts, strip.axis, notYet, setup)).toBeNull();
    expect(needleAt(volts, strip.axis, "900 V", setup)).toBe(1);
    const dead = previewReading(belief, { hookup: volts, value: { kind: "number", value: 0.001, resolution: 0.001 } });
    expect(dead.leader.toLowerCase()).toMatch(/supply|feed|module/);
    expect(needleAt(volts, strip.axis, "1mV", setup)!).toBeLessThan(healthy.bands[0]!.from);
  });

  it("reading the same voltage twice says little more than once", () => {
    const once = new Belief(setup, complaintSchema.parse({}), { seed: 4 });
    const reading = { entryId: "r", hookup: volts, value: { kind: "number", value: 11.73, resolution: 0.01 } } as const;
    once.add(reading);
    const first = [...once.shares()];
    once.add(reading);
    const distance = [...once.shares()].reduce((sum, share, g) => sum + Math.abs(share - first[g]!) / 2, 0);
    expect(distance).toBeLessThan(0.12);
  });
});

describe("random numbers", () => {
  it("normal scores have mean 0 and deviation 1 by a statistics package, and come again from their seed", () => {
    const scores = Array.from({ length: 2000 }, (_, i) => normalScore((i + 0.5) / 2000));
    expect(mean(scores)).toBeCloseTo(0, 3);
    expect(standardDeviation(scores)).toBeCloseTo(1, 2);
    const random = seeded(7);
    const drawn = Array.from({ length: 4000 }, () => normal(random));
    expect(mean(drawn)).toBeCloseTo(0, 1);
    expect(standardDeviation(drawn)).toBeCloseTo(1, 1);
    const again = seeded(7);
    expect(drawn.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => normal(again)));
  });
});

describe("the axis of a forecast", () => {
  it("has its numbers where they stand, each said as it is", () => {
    const passive = cornerSetupSchema.parse({
      corner: "FL",
      family: "passive",
      path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
    });
    const belief = new Belief(passive, complaintSchema.parse({}), { seed: 2, perGroup: 24 });
    let seen = 0;
    for (const { hookup, id } of checkCatalogue(passive)) {
      const { axis, ticks } = forecastStrip(belief, hookup);
      if (!axis) continue;
      expect(new Set(ticks.map(({ label }) => label)).size, id).toBe(ticks.length);
      for (const { at, label } of ticks) {
        const [, number, prefix] = /^([\d.]+)(?: ([kMm]?)(?:V|Ω|A|Hz|%|mm))?$/.exec(label)!;
        const scale = label.endsWith(" mm") ? 1 : ({ k: 1e3, M: 1e6, m: 1e-3 }[prefix ?? ""] ?? 1);
        const value = Number(number) * scale;
        expect(axis.low + at * (axis.high - axis.low), `${id} ${label}`).toBeCloseTo(
          toScale(hookup.instrument, value),
          6,
        );
        seen++;
      }
    }
    expect(seen).toBeGreaterThan(40);
  });
});
