/**
 * Works out how often the analysis of a capture says what a perfect eye would: simulated cars of every fault, each
 * recorded over a hand spin and analysed. Writes src/core/observation/finding-chances.ts. Run again when the synthesis, the
 * analysis or the faults change: npm run finding-chances
 */
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { format } from "prettier";
import { matchAnswer } from "../src/core/checks/answers";
import { scopeAnswers } from "../src/core/checks/scope-answers";
import type { Hookup } from "../src/core/checks/hookup";
import { circuitStateSchema } from "../src/core/circuit/state";
import { cornerSetupSchema, usualCorner, families } from "../src/core/circuit/setup";
import { StateReader } from "../src/core/observation/reader";
import { simulateCar } from "../src/core/simulated/simulated-car";
import { recordCar } from "../src/core/simulated/synthesise";
import { signalPoint } from "../src/core/circuit/point";
import { suspectables, suspectId } from "../src/core/faults/catalogue";
import { analyseCapture } from "../src/core/waveform/analyse";

const CARS = 24;
const SAMPLE_S = 1 / 5000;
/** Added to every count, so that few cars do not make a thing certain. */
const SMOOTHING = 0.08;

const table: Record<string, Record<string, Record<string, number>>> = {};
for (const family of families) {
  const setup = cornerSetupSchema.parse({
    ...usualCorner,
    corner: "FL",
    family,
    path: [
      { station: "module" },
      { spanM: 1.3, mm2: 0.5 },
      { station: "c1" },
      { spanM: 2, mm2: 0.5 },
      { station: "plug" },
    ],
  });
  const point = signalPoint(setup, "plug");
  const hookup = {
    instrument: "scope",
    red: point,
    state: circuitStateSchema.parse({ wheel: "hand", speedKmh: 7 }),
  } satisfies Hookup;
  const reader = new StateReader(setup, hookup.state, [hookup]);
  const counts: Record<string, Record<string, number>> = {};
  const all = suspectables(setup);
  const onePlaceEach = all.filter(({ fault }, i) => all.findIndex((other) => other.fault === fault) === i);
  for (const one of onePlaceEach)
    for (const intermittent of one.fault.intermittent ? [false, true] : [false])
      for (let seed = 0; seed < CARS; seed++) {
        const car = simulateCar(setup, suspectId(one.fault, one.place), { seed: 7000 + seed, intermittent });
        reader.take(car.condition);
        const expected = reader.expectedFinding(hookup, intermittent);
        const samples = recordCar(car, {
          point,
          durationS: 5,
          sampleS: SAMPLE_S,
          fromKmh: 9,
          toKmh: 3,
          noiseV: 0.008,
          seed,
        });
        const [channel] = analyseCapture(
          { name: "spin", sampleS: SAMPLE_S, startS: 0, channels: [{ name: "signal", unit: "V", samples }] },
          { pulses: setup.pulsesPerRevolution, tyre: setup.tyre, family },
        );
        // What tells nothing either way is not logged, and comes as no word.
        if (channel!.undecided) continue;
        const found = matchAnswer(scopeAnswers(), channel!.leading) ?? "clean";
        const row = (counts[expected] ??= {});
        row[found] = (row[found] ?? 0) + 1;
      }
  table[family] = Object.fromEntries(Object.entries(counts).map(([expected, row]) => [expected, shares(row)]));
  for (const [expected, row] of Object.entries(table[family])) console.log(family, expected, JSON.stringify(row));
}

const text = `// Made by scripts/make-finding-chances.ts; not to be written by hand.
import type { Family } from "../circuit/setup";

/** What the analysis says of a capture (inner) where a perfect eye would say so (outer): shares over simulated cars. */
export const findingChances: Record<Family, Record<string, Record<string, number>>> = ${JSON.stringify(table)};
`;
const target = fileURLToPath(new URL("../src/core/observation/finding-chances.ts", import.meta.url));
writeFileSync(target, await format(text, { parser: "typescript", printWidth: 120 }));

function shares(row: Record<string, number>): Record<string, number> {
  // What never came up is left to what goes wrong with recordings of other worlds (see word-chances.ts).
  const seen = scopeAnswers().words.filter((word) => row[word] !== undefined);
  const total = seen.reduce((sum, word) => sum + row[word]! + SMOOTHING, 0);
  return Object.fromEntries(seen.map((word) => [word, Math.round((1e4 * (row[word]! + SMOOTHING)) / total) / 1e4]));
}
