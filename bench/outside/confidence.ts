/**
 * Fits how much each finding of a recording is to be believed, on recordings from fields and motion and of pulse lists, and writes the table
 * that the analysis goes by. What it is worth elsewhere `bench:outside-waves` tells, on other seeds and another maker.
 * usage: npm run finding-confidence -- [recordings] [--seed N]
 */
import { writeFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { format } from "prettier";
import { findingCodes, type FindingCode } from "../../src/core/checks/findings/findings";
import type { Capture } from "../../src/core/capture/capture";
import { analyseCapture, type AnalyseOptions } from "../../src/core/waveform/analyse";
import { groundsAsNumbers } from "../../src/core/waveform/confidence";
import { makeWave } from "../wave-maker";
import { recording } from "./recordings";

const { values, positionals } = parseArgs({ allowPositionals: true, options: { seed: { type: "string" } } });
const COUNT = Number(positionals[0] ?? 800);
const seed = Number(values.seed ?? 20_611);
/** So many examples' worth the curve of all findings counts for each kind of its own (engineering judgement). */
const OWN_PRECISION = 2;
const FILE = "src/core/waveform/confidence-table.ts";

interface Example {
  x: number[];
  right: boolean;
}
const examples = new Map<FindingCode, Example[]>(findingCodes.map((code) => [code, []]));
for (let n = 0; n < COUNT; n++) {
  const { sensor, defect, poles, sampleS, channels } = recording(seed * 1000 + n);
  take({ name: "field", sampleS, startS: 0, channels }, defect, { family: sensor, pulses: poles });
  // What the fields do not make comes from the generator of pulse lists, as often.
  const made = makeWave(seed * 1000 + n);
  const samples = [{ name: "signal", unit: "V" as const, samples: made.samples }];
  take({ name: "list", sampleS: 1 / made.rate, startS: 0, channels: samples }, made.defect, {
    ...{ family: made.passive ? "passive" : "active-2wire", pulses: made.pulses },
  });
}

function take(capture: Capture, defect: string, options: AnalyseOptions): void {
  for (const { findings, revolutions } of analyseCapture(capture, { ...options, tyre: "205/55R16" }))
    for (const { code, strength } of findings)
      examples.get(code)!.push({
        x: groundsAsNumbers({ strength, turns: revolutions, beside: findings.length - 1 }),
        // Too small a signal falls out early as well: either word is the same thing seen.
        right: code === defect || (defect === "low-amplitude" && code === "drop-out-speed"),
      });
}

const all = [...examples.values()].flat();
const overall = fitted(all, null);
const lines = findingCodes.map((code) => {
  const own = examples.get(code)!;
  console.log(`${code.padEnd(20)} ${own.filter(({ right }) => right).length} right of ${own.length}`);
  return `"${code}": [${fitted(own, overall)
    .map((weight) => weight.toFixed(3))
    .join(", ")}],`;
});
const text = `import type { FindingCode } from "../checks/findings/findings";

/** Made by \`npm run finding-confidence\` from ${2 * COUNT} recordings, seed ${seed}: not to be changed by hand. */
export const CONFIDENCE: Partial<Record<FindingCode, readonly number[]>> = {
${lines.join("\n")}
};

/** The same of all findings alike. */
export const ALL_ALIKE: readonly number[] = [${overall.map((weight) => weight.toFixed(3)).join(", ")}];
`;
writeFileSync(FILE, await format(text, { parser: "typescript", printWidth: 120 }));
console.log(`written to ${FILE}; all findings alike: ${overall.map((weight) => weight.toFixed(2)).join(", ")}`);

/**
 * Weights of a logistic curve, by Newton's method on the penalised likelihood (A. Gelman et al., Bayesian Data Analysis,
 * section 16.3): few examples lean on `towards`, the curve of all findings.
 */
function fitted(examples: readonly Example[], towards: readonly number[] | null): number[] {
  const size = groundsAsNumbers({ strength: 0.5, turns: 1, beside: 0 }).length;
  const prior = towards ?? new Array<number>(size).fill(0);
  const precision = towards ? OWN_PRECISION : 0.1;
  const weights = [...prior];
  for (let step = 0; step < 30; step++) {
    const slope = weights.map((weight, i) => -precision * (weight - prior[i]!));
    const bend = weights.map((_, i) => weights.map((_, j) => (i === j ? precision : 0)));
    for (const { x, right } of examples) {
      const chance = 1 / (1 + Math.exp(-x.reduce((sum, one, i) => sum + one * weights[i]!, 0)));
      for (let i = 0; i < size; i++) {
        slope[i]! += x[i]! * ((right ? 1 : 0) - chance);
        for (let j = 0; j < size; j++) bend[i]![j]! += x[i]! * x[j]! * chance * (1 - chance);
      }
    }
    solved(bend, slope).forEach((change, i) => (weights[i]! += change));
  }
  return weights;
}

/** A x = b by elimination with pivots. */
function solved(a: number[][], b: number[]): number[] {
  const rows = a.map((row, i) => [...row, b[i]!]);
  for (let i = 0; i < rows.length; i++) {
    const pivot = rows
      .slice(i)
      .reduce((best, row, k) => (Math.abs(row[i]!) > Math.abs(rows[best]![i]!) ? i + k : best), i);
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    for (let k = 0; k < rows.length; k++) {
      if (k === i) continue;
      const times = rows[k]![i]! / rows[i]![i]!;
      for (let j = i; j <= rows.length; j++) rows[k]![j]! -= times * rows[i]![j]!;
    }
  }
  return rows.map((row, i) => row[rows.length]! / row[i]!);
}
