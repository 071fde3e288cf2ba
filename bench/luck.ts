/**
 * What the draw of the candidates alone does to a verdict: logs of outside cars (`bench:outside -- --logs FILE`), each weighed
 * with several seeds. How far the logit of the true part's share scatters, and how often a part is proven by one seed and
 * not by another.
 * usage: npm run bench:luck -- LOGS [seeds]
 */
import { readFileSync } from "node:fs";
import { openDiagnosis } from "../src/core/bench/diagnose-file";

const [file, count = "5"] = process.argv.slice(2);
if (!file) throw new Error("which logs? npm run bench:luck -- LOGS [seeds]");
const SEEDS = Number(count);
/** Shares nearer to 0 and 1 than this are told apart by nobody. */
const LEAST = 1e-4;

const logs = readFileSync(file, "utf8")
  .trim()
  .split("\n")
  .map((line) => JSON.parse(line) as { truth: string; file: object });
const scatter: number[] = [];
let [split, proven, wrong] = [0, 0, 0];
for (const [i, { truth, file: corner }] of logs.entries()) {
  const runs = Array.from({ length: SEEDS }, (_, n) => weighed(JSON.stringify(corner), truth, 11 * (n + 1)));
  const deviation = deviationOf(runs.map(({ logit }) => logit));
  scatter.push(deviation);
  const named = runs.map(({ named }) => named);
  if (new Set(named).size > 1) split++;
  proven += named.filter((part) => part !== null).length;
  wrong += named.filter((part) => part !== null && part !== truth).length;
  console.log(
    `#${i} ${truth}: ${deviation.toFixed(2)}  ${runs.map(({ share, named }) => `${(100 * share).toFixed(0)}${named ? "!" : ""}`).join(" ")}`,
  );
}
scatter.sort((a, b) => a - b);
console.log(
  `logit scatters by ${mean(scatter).toFixed(2)}, median ${scatter[scatter.length >> 1]!.toFixed(2)}, 90th ${scatter[Math.floor(0.9 * scatter.length)]!.toFixed(2)}, most ${scatter.at(-1)!.toFixed(2)}`,
);
console.log(
  `proven by some seeds alone: ${split} of ${logs.length} cars; proven ${proven} of ${logs.length * SEEDS}, wrongly ${wrong}`,
);

function weighed(text: string, truth: string, seed: number): { share: number; logit: number; named: string | null } {
  const { diagnosing, readings } = openDiagnosis(text, "log", { seed });
  for (const reading of readings) diagnosing.read(reading);
  const { parts } = diagnosing.ranking();
  const share = parts.find(({ part }) => part === truth)?.share ?? 0;
  const told = Math.min(1 - LEAST, Math.max(LEAST, share));
  const named = parts.find(({ verdict }) => verdict === "proven")?.part ?? null;
  return { share, logit: Math.log(told / (1 - told)), named };
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, one) => sum + one, 0) / values.length;
}

function deviationOf(values: readonly number[]): number {
  const middle = mean(values);
  return Math.sqrt(values.reduce((sum, one) => sum + (one - middle) ** 2, 0) / (values.length - 1));
}
