/**
 * The verdict on cars the line-up has not seen: truths drawn from ranges 1.5 times wider, other seeds, meter error and
 * 2 % slipped readings. Baseline in the same run: a fixed textbook order of checks, weighed by the same line-up.
 * usage: npm run bench:lineup -- [cars]
 */
import { cornerSetupSchema, families } from "../src/core/circuit/setup";
import { suspectables, suspectId } from "../src/core/faults/catalogue";
import { complaintSchema } from "../src/core/lineup/complaint";
import { LineUp } from "../src/core/lineup/line-up";
import { proposeChecks } from "../src/core/lineup/next-check";
import { rankParts, rankSuspects } from "../src/core/lineup/suspects";
import { typedEvidence } from "../src/core/lineup/typed-evidence";
import { readCar, simulateCar } from "../src/core/car/simulated";
import { seeded } from "../src/core/random/random";
import type { Check } from "../src/core/checks/catalogue";

const CARS = Number(process.argv[2] ?? 60);
const MOST = 14;
const SLIPS = 0.02;
const random = seeded(2026);

/** Looks first, then supply and levels at the plug, ohms, harness, capture, module last: a common written order. */
const TEXTBOOK = [
  "scan:",
  "eyes:wiring",
  "eyes:plug",
  "hands:bearing",
  "eyes:foot",
  "eyes:ring",
  "film:",
  "volts-dc:plug.in",
  "volts-dc:plug.out",
  "ohms:plug.out",
  "volts-ac:plug",
  "scope:plug",
  "volts-dc:c1",
  "ohms:c1.out",
  "eyes:c1",
  "ohms:module.out",
  "eyes:tyres",
  "volts-dc:battery",
  "volts-dc:module",
];

interface Score {
  right: number;
  proven: number;
  wrong: number;
  readings: number[];
  minutes: number[];
}
const empty = (): Score => ({ right: 0, proven: 0, wrong: 0, readings: [], minutes: [] });
const scores = { ours: empty(), textbook: empty() };
const calibration = Array.from({ length: 10 }, () => ({ claimed: 0, right: 0, count: 0 }));
const missed = new Map<string, number>();

for (let car = 0; car < CARS; car++) {
  const family = families[car % families.length]!;
  const setup = cornerSetupSchema.parse({
    corner: "RR",
    family,
    path: [
      { station: "module" },
      { spanM: 1.2, mm2: 0.5 },
      { station: "c1", accessMin: 4 },
      { spanM: 3.4, mm2: 0.5 },
      { station: "plug", accessMin: 7 },
    ],
  });
  const all = suspectables(setup);
  let pick = random();
  const truth = all.find((one) => (pick -= one.prior) <= 0) ?? all.at(-1)!;
  for (const method of ["ours", "textbook"] as const) {
    const result = run(method, setup, suspectId(truth.fault, truth.place), car);
    const score = scores[method];
    score.minutes.push(result.minutes);
    if (result.top === truth.fault.part) score.right++;
    else if (method === "ours")
      missed.set(`${family} ${truth.fault.code}`, (missed.get(`${family} ${truth.fault.code}`) ?? 0) + 1);
    if (result.proven) {
      score.proven++;
      score.readings.push(result.readings);
      if (result.proven !== truth.fault.part) score.wrong++;
    }
    if (method === "ours")
      for (const { part, share } of result.parts) {
        const bin = calibration[Math.min(9, Math.floor(share * 10))]!;
        bin.count++;
        bin.claimed += share;
        if (part === truth.fault.part) bin.right++;
      }
  }
}

function run(
  method: "ours" | "textbook",
  setup: ReturnType<typeof cornerSetupSchema.parse>,
  fault: string,
  seed: number,
) {
  const car = simulateCar(setup, fault, { seed: 9000 + seed, spread: 1.5 });
  const lineUp = new LineUp(setup, complaintSchema.parse({}), { seed });
  const slips = seeded(seed * 7 + 1);
  const done = new Set<string>();
  const queue = textbookOrder(lineUp.checks);
  let [minutes, readings] = [0, 0];
  let parts = rankParts(rankSuspects(lineUp));
  while (readings < (method === "ours" ? MOST : 40)) {
    const check =
      method === "ours"
        ? proposeChecks(lineUp, { approach: "information", pierce: false }, { done, skipped: new Set() })[0]?.check
        : queue.shift();
    if (!check) break;
    const wrongPlace =
      slips() < SLIPS
        ? lineUp.checks.find((other) => other.hookup.instrument === check.hookup.instrument && other.id !== check.id)
        : undefined;
    const typed = typedEvidence(
      check.hookup,
      wrongPlace && "red" in check.hookup ? readCar(car, wrongPlace.hookup) : readCar(car, check.hookup),
      setup,
    );
    if (!typed.ok) throw new Error(typed.say);
    lineUp.add(typed.evidence);
    readings++;
    minutes += check.ownMinutes;
    for (const step of check.access) {
      if (!done.has(step.id)) minutes += step.minutes;
      done.add(step.id);
    }
    parts = rankParts(rankSuspects(lineUp));
    if (parts[0]!.verdict === "proven")
      return { proven: parts[0]!.part, top: parts[0]!.part, readings, minutes, parts };
  }
  return { proven: null, top: parts[0]!.part, readings, minutes, parts };
}

function textbookOrder(checks: readonly Check[]): Check[] {
  return TEXTBOOK.flatMap((start) => checks.filter(({ id, pierces }) => id.startsWith(start) && !pierces));
}

const at = (values: number[], share: number) =>
  values.toSorted((a, b) => a - b)[Math.floor(share * values.length)] ?? NaN;
const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
console.log(`${CARS} cars, all families`);
for (const [name, { right, proven, wrong, readings, minutes }] of Object.entries(scores))
  console.log(
    `${name.padEnd(9)} right part on top ${((100 * right) / CARS).toFixed(1)} %  proven ${((100 * proven) / CARS).toFixed(1)} %  wrongly proven ${((100 * wrong) / CARS).toFixed(1)} %  readings to proof: median ${at(readings, 0.5)}, 90th ${at(readings, 0.9)}  mean minutes ${mean(minutes).toFixed(0)}`,
  );
console.log(
  `minutes against the textbook order: ${((100 * mean(scores.ours.minutes)) / mean(scores.textbook.minutes)).toFixed(0)} %`,
);
const total = calibration.reduce((sum, { count }) => sum + count, 0);
console.log(
  `expected calibration error of the part shares: ${calibration.reduce((sum, { claimed, right }) => sum + Math.abs(claimed - right) / total, 0).toFixed(3)}`,
);
for (const [i, { claimed, right, count }] of calibration.entries())
  if (count > 0)
    console.log(
      `  said ${i * 10}–${i * 10 + 10} %: mean ${((100 * claimed) / count).toFixed(1)} %, true ${((100 * right) / count).toFixed(1)} %  (${count})`,
    );
console.log(`missed: ${[...missed].map(([cell, n]) => `${cell} ×${n}`).join(", ") || "none"}`);
