/**
 * The verdict on cars the line-up has not seen: truths drawn from ranges 1.5 times wider, other seeds, meter error and
 * 2 % slipped readings. Baseline in the same run: a fixed textbook order of checks, weighed by the same line-up.
 * usage: npm run bench:lineup -- [cars] [--seed N] [--ours] [--intermittent] [--trace]
 */
import { parseArgs } from "node:util";
import { suspectId } from "../src/core/faults/catalogue";
import { methods, runCar, truths, type Method, type RunResult } from "./lineup-run";
import { freshSeed, inShards } from "./shards";
import { shareWithInterval } from "./wilson";

interface Outcome extends RunResult {
  method: Method;
  kind: string;
  fault: string;
  truth: string;
}

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    seed: { type: "string" },
    shard: { type: "string" },
    ours: { type: "boolean" },
    intermittent: { type: "boolean" },
    trace: { type: "boolean" },
  },
});
const CARS = Number(positionals[0] ?? 60);
const SEED = freshSeed(values.seed);
const used = values.ours ? methods.slice(0, 1) : methods;

if (values.shard) runShard(values.shard);
else report(await inShards<Outcome>(SEED));

function runShard(shard: string): void {
  const [from, step] = shard.split("/").map(Number) as [number, number];
  for (const one of truths(CARS, SEED, values.intermittent))
    if (one.car % step === from)
      for (const method of used) {
        const { setup, truth } = one;
        const steps: string[] = [];
        const outcome: Outcome = {
          ...runCar(method, one, (line) => steps.push(line)),
          method,
          kind: `${setup.family}${setup.sense === "high" ? " high" : ""}`,
          fault: truth.fault.code,
          truth: truth.fault.part,
        };
        console.log(JSON.stringify(outcome));
        if (values.trace && (outcome.top !== outcome.truth || !outcome.proven))
          console.error(`\n#${one.car} ${outcome.kind} ${suspectId(truth.fault, truth.place)}\n${steps.join("\n")}`);
      }
}

function report(outcomes: Outcome[]): void {
  console.log(
    `${CARS} cars of our own model, seed ${SEED}, all families${values.intermittent ? ", faults that come and go" : ""}`,
  );
  for (const method of used) {
    const own = outcomes.filter((one) => one.method === method);
    const proven = own.filter((one) => one.proven);
    const share = (n: number) => shareWithInterval(n, own.length);
    const readings = proven.map((one) => one.readings);
    console.log(
      `${method.padEnd(9)} right part on top ${share(own.filter((one) => one.top === one.truth).length)}  proven ${share(proven.length)}  wrongly proven ${share(proven.filter((one) => one.proven !== one.truth).length)}  readings to proof: median ${at(readings, 0.5)}, 90th ${at(readings, 0.9)}  mean minutes ${meanMinutes(own).toFixed(0)}`,
    );
  }
  const ours = outcomes.filter(({ method }) => method === "ours");
  if (!values.ours)
    console.log(
      `minutes against the textbook order: ${((100 * meanMinutes(ours)) / meanMinutes(outcomes.filter(({ method }) => method === "textbook"))).toFixed(0)} %`,
    );
  reportCalibration(ours);
  const missed = new Map<string, number>();
  for (const { kind, fault, top, truth, proven } of ours)
    if (top !== truth || !proven) {
      const cell = `${kind} ${fault}${top === truth ? " (unproven)" : ` taken for ${top}${proven ? " (proven)" : ""}`}`;
      missed.set(cell, (missed.get(cell) ?? 0) + 1);
    }
  console.log(`missed: ${[...missed].map(([cell, n]) => `${cell} ×${n}`).join(", ") || "none"}`);
}

/** Expected calibration error over ten bins of claimed share (M. P. Naeini et al., AAAI 2015). */
function reportCalibration(ours: Outcome[]): void {
  const bins = Array.from({ length: 10 }, () => ({ claimed: 0, right: 0, count: 0 }));
  for (const { parts, truth } of ours)
    for (const { part, share } of parts) {
      const bin = bins[Math.min(9, Math.floor(share * 10))]!;
      bin.count++;
      bin.claimed += share;
      if (part === truth) bin.right++;
    }
  const total = bins.reduce((sum, { count }) => sum + count, 0);
  const error = bins.reduce((sum, { claimed, right }) => sum + Math.abs(claimed - right) / total, 0);
  console.log(`expected calibration error of the part shares: ${error.toFixed(3)}`);
  for (const [i, { claimed, right, count }] of bins.entries())
    if (count > 0)
      console.log(
        `  said ${i * 10}–${i * 10 + 10} %: mean ${((100 * claimed) / count).toFixed(1)} %, true ${((100 * right) / count).toFixed(1)} %  (${count})`,
      );
}

function at(values: number[], share: number): number {
  return values.toSorted((a, b) => a - b)[Math.floor(share * values.length)] ?? NaN;
}

function meanMinutes(outcomes: Outcome[]): number {
  return outcomes.reduce((sum, { minutes }) => sum + minutes, 0) / outcomes.length;
}
