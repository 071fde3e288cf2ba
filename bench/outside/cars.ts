/**
 * The verdict on cars of another world: netlists for a general SPICE engine with other modules, sensors and levels, and a
 * mechanic with other habits, driven by the diagnose command in a closed loop. A fresh seed unless told.
 * usage: npm run bench:outside -- [cars] [--seed N] [--intermittent [--channels] | --two | --unknown] [--trace] [--logs FILE]
 */
import { writeFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { findingKind } from "../../src/core/checks/findings/findings";
import { analyseCapture } from "../../src/core/waveform/analyse";
import {
  diagnoseOutsideCar,
  mendOutsideCar,
  type CarOutcome,
  type Told,
  type TwoFaultOutcome,
  type Unknown,
} from "./cars/run";
import type { Recording } from "./recordings";
import { freshSeed, inShards } from "../shards";
import { shareWithInterval } from "../wilson";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    seed: { type: "string" },
    shard: { type: "string" },
    intermittent: { type: "boolean" },
    channels: { type: "boolean" },
    two: { type: "boolean" },
    unknown: { type: "boolean" },
    trace: { type: "boolean" },
    logs: { type: "string" },
  },
});
const CARS = Number(positionals[0] ?? 60);
const SEED = freshSeed(values.seed);
/** Troubles whose fault is taken out of the catalogue, one a car. */
const UNKNOWN: readonly Unknown[] = [
  { says: "sensor: chattering", code: "sensor-erratic" },
  { says: "connector: water in a plug", code: "water-bridge" },
  { says: "ring: cracked", code: "ring-cracked" },
  { says: "harness: to battery", code: "wire-to-power" },
  { says: "mounting: loose in its seat", code: "mounting-loose" },
  { says: "connector: resistance", code: "terminal-resistance" },
  { says: "harness: open", code: "wire-open" },
  { says: "sensor: open", code: "sensor-open" },
  { says: "module-feed: ground", code: "module-ground" },
  { says: "mounting: lifted by rust", code: "mounting-gap" },
  { says: "ring: missing", code: "ring-missing" },
];
/** So many readings were the most until 1 December 2026, when what comes and goes was given more. */
const EARLY = 16;
/** Kinds of check met more seldom are not worth a mean. */
const FEWEST_TOLD = 10;

if (values.shard) await runShard(values.shard);
else if (values.two) reportTwo(await inShards<TwoFaultOutcome>(SEED));
else report(await inShards<CarOutcome>(SEED));

async function runShard(shard: string): Promise<void> {
  const [from, step] = shard.split("/").map(Number) as [number, number];
  for (let car = from; car < CARS; car += step)
    console.log(
      JSON.stringify(
        await (values.two
          ? mendOutsideCar(SEED * 1000 + car, analyse)
          : diagnoseOutsideCar(
              SEED * 1000 + car,
              analyse,
              values.intermittent,
              values.unknown ? UNKNOWN[car % UNKNOWN.length] : undefined,
              values.channels ? 2 : 1,
            )),
      ),
    );
}

/** The surest fault that the program's own analysis finds in a recording. */
function analyse({ sensor, poles, sampleS, channels }: Recording): string {
  const [channel] = analyseCapture(
    { name: "outside", sampleS, startS: 0, channels },
    { family: sensor, tyre: "205/55R16", pulses: poles },
  );
  const faults = channel!.findings.filter(({ code, confidence }) => !findingKind(code).innocent && confidence > 0.5);
  const surest = faults.toSorted((a, b) => b.confidence - a.confidence)[0]?.code ?? "clean";
  // What the level does meanwhile is told by the word the recording is logged under.
  return surest === "random-dropout" ? channel!.leading : surest;
}

function report(outcomes: CarOutcome[]): void {
  console.log(`${CARS} cars of another world, seed ${SEED}${values.intermittent ? ", faults that come and go" : ""}`);
  const wrong = outcomes.filter(({ top, truth }) => top !== truth);
  if (values.logs)
    writeFileSync(values.logs, outcomes.map(({ truth, file }) => JSON.stringify({ truth, file })).join("\n"));
  if (values.trace)
    for (const { seed, family, says, proven, steps } of outcomes.filter(
      ({ top, truth, proven }) => top !== truth || proven === null,
    ))
      console.log(`\n#${seed} ${family} · ${says}${proven ? ` · PROVEN ${proven}` : ""}\n  ${steps.join("\n  ")}`);
  const faulty = outcomes.filter(({ truth }) => truth !== "none");
  const healthy = outcomes.filter(({ truth }) => truth === "none");
  const count = (all: CarOutcome[], fits: (one: CarOutcome) => boolean) =>
    shareWithInterval(all.filter(fits).length, all.length);
  console.log(`right part       ${count(faulty, ({ top, truth }) => top === truth)}`);
  console.log(`proven           ${count(faulty, ({ proven, truth }) => proven === truth)}`);
  if (values.intermittent)
    console.log(
      `by 16 readings   ${count(faulty, ({ proven, truth, readings }) => proven === truth && readings <= EARLY)}`,
    );
  console.log(`wrongly proven   ${count(outcomes, ({ proven, truth }) => proven !== null && proven !== truth)}`);
  const mended = ({ proven, acted, truth }: CarOutcome) => proven === truth || acted === truth;
  if (values.unknown)
    for (const { says } of UNKNOWN) {
      const own = outcomes.filter((one) => one.says === says);
      console.log(`  ${says.padEnd(32)} ${count(own, ({ proven, truth }) => proven !== null && proven !== truth)}`);
    }
  console.log(`proven, or mended by an act the card put first ${count(faulty, mended)}`);
  console.log(
    `an act of the card on a sound part ${count(outcomes, ({ acted, truth }) => acted !== null && acted !== truth)}`,
  );
  console.log(`healthy, no part ${count(healthy, ({ proven }) => proven === null || proven === "none")}`);
  const spread = (of: (one: CarOutcome) => number) =>
    `${quantile(faulty, 0.5, of)} median, ${quantile(faulty, 0.9, of)} at the 90th`;
  console.log(`readings         ${spread(({ readings }) => readings)}`);
  console.log(`minutes          ${spread(({ minutes }) => minutes)}`);
  if (values.trace) reportTold(outcomes.flatMap(({ told }) => told));
  for (const { seed, family, says, top, topShare, proven } of wrong)
    console.log(`  #${seed} ${family} · ${says} → ${top} ${(100 * topShare).toFixed(1)} %${proven ? " PROVEN" : ""}`);
}

/** What the plan promised of each kind of check beside what it told of the true part: where they part, the model is untrue. */
function reportTold(all: readonly Told[]): void {
  const checks = [...new Set(all.map(({ check }) => check))];
  const mean = (values: number[]) => (values.reduce((sum, one) => sum + one, 0) / values.length).toFixed(2);
  for (const check of checks) {
    const own = all.filter((one) => one.check === check);
    if (own.length < FEWEST_TOLD) continue;
    const [promised, earned] = [own.map((one) => one.promised), own.map((one) => one.earned)];
    console.log(
      `  ${check.padEnd(18)} ${String(own.length).padStart(4)} times, promised ${mean(promised)} bits, told ${mean(earned)}`,
    );
  }
}

function reportTwo(outcomes: TwoFaultOutcome[]): void {
  console.log(`${CARS} cars of another world with two things wrong, seed ${SEED}`);
  if (values.trace)
    for (const { seed, family, says, wrong, steps } of outcomes.filter((one) => !one.mended || one.wrong.length > 0))
      console.log(
        `\n#${seed} ${family} · ${says} · wrongly repaired: ${wrong.join(", ") || "none"}\n  ${steps.join("\n  ")}`,
      );
  const share = (fits: (one: TwoFaultOutcome) => boolean) =>
    shareWithInterval(outcomes.filter(fits).length, outcomes.length);
  console.log(`both found and mended  ${share(({ mended, wrong }) => mended && wrong.length === 0)}`);
  console.log(`a sound part repaired  ${share(({ wrong }) => wrong.length > 0)}`);
  console.log(`an act of the card on a sound part ${share(({ inVain }) => inVain.length > 0)}`);
}

function quantile(all: CarOutcome[], share: number, of: (one: CarOutcome) => number): number {
  const sorted = all.map(of).sort((a, b) => a - b);
  return sorted[Math.floor(share * (sorted.length - 1))] ?? 0;
}
