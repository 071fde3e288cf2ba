/**
 * Finding damage along a loom once the kind of damage and the wire are known, for every wire fault: the plan against
 * plain halving and against the exact least expected cost (dynamic programming over what is left), on random looms.
 * Halving and the optimum read without error; the optimum may, for an open, also take capacitances.
 * usage: npm run bench:loom -- [looms] [--seed N] [--trace]
 */
import { parseArgs } from "node:util";
import { readCar, simulateCar } from "../src/core/car/simulated";
import { accessMinutes, cornerSetupSchema, spansOf, stationsOf, type CornerSetup } from "../src/core/circuit/setup";
import { PAIR_FARAD_PER_M } from "../src/core/circuit/wire";
import { suspectables, suspectId, type Suspectable } from "../src/core/faults/catalogue";
import { complaintSchema } from "../src/core/lineup/complaint";
import { LineUp } from "../src/core/lineup/line-up";
import { proposeChecks } from "../src/core/lineup/next-check";
import { typedEvidence } from "../src/core/lineup/typed-evidence";
import { inShards } from "./shards";
import { xorshift } from "./wave-maker";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { shard: { type: "string" }, seed: { type: "string", default: "99" }, trace: { type: "boolean" } },
});
const LOOMS = Number(positionals[0] ?? 100);
const MOST = 12;
/** The span is taken for found at this share. */
const FOUND = 0.97;
const BATTERY_OFF_MIN = 2;
/** Places along a span, and capacitances of a metre, that stand for all. */
const PLACES = 20;
const random = xorshift(Number(values.seed));

interface Outcome {
  fault: string;
  right: boolean;
  plan: number;
  halving: number;
  optimum: number;
}

if (values.shard) runShard(values.shard);
else report(await inShards<Outcome>());

function runShard(shard: string): void {
  const [from, step] = shard.split("/").map(Number) as [number, number];
  for (let n = 0; n < LOOMS; n++) {
    const setup = loom();
    const damages = suspectables(setup).filter(
      ({ fault, place }) => fault.part === "harness" && place.span !== undefined,
    );
    let pick = random() * damages.reduce((all, { prior }) => all + prior, 0);
    const truth = damages.find(({ prior }) => (pick -= prior) <= 0) ?? damages.at(-1)!;
    if (n % step === from) console.log(JSON.stringify(outcomeOf(setup, truth, damages, n)));
  }
}

function outcomeOf(setup: CornerSetup, truth: Suspectable, damages: readonly Suspectable[], n: number): Outcome {
  const { code } = truth.fault;
  const alike = damages.filter(({ fault, place }) => fault.code === code && place.conductor === truth.place.conductor);
  const bySpan = shares(setup, alike);
  // A short is told apart only with the plug open: one minute more at each station.
  const openMin = code.startsWith("wire-to-") ? 1 : 0;
  const steps: string[] = [];
  const run = plan(setup, truth, alike, n, steps);
  const outcome = {
    fault: code,
    right: run.span === truth.place.span,
    plan: run.minutes,
    halving: halve(setup, truth.place.span!, openMin),
    optimum: code === "wire-open" ? leastByCapacitance(setup, bySpan) : leastByHalves(setup, bySpan, openMin),
  };
  if (values.trace)
    console.error(
      `${code} ${truth.place.id} access ${stationsOf(setup).map(accessMinutes).join()} shares ${bySpan.map((one) => one.toFixed(2)).join()} plan ${outcome.plan} halving ${outcome.halving} optimum ${outcome.optimum.toFixed(1)}\n  ${steps.join("\n  ")}`,
    );
  return outcome;
}

function report(outcomes: readonly Outcome[]): void {
  console.log(`${LOOMS} looms of 2–5 spans, mixed exposure; kind of damage and wire known, span not`);
  for (const fault of [...new Set(outcomes.map(({ fault }) => fault))].sort())
    line(
      fault,
      outcomes.filter((one) => one.fault === fault),
    );
  line("all", outcomes);
}

function line(name: string, own: readonly Outcome[]): void {
  const mean = (of: (one: Outcome) => number) => own.reduce((all, one) => all + of(one), 0) / own.length;
  const [plan, halving, optimum] = [mean((one) => one.plan), mean((one) => one.halving), mean((one) => one.optimum)];
  console.log(
    `${name.padEnd(20)} ${String(own.length).padStart(4)}  right span ${(100 * mean((one) => Number(one.right))).toFixed(1).padStart(5)} %  minutes: plan ${plan.toFixed(1).padStart(5)}, halving ${halving.toFixed(1)} (${((100 * plan) / halving).toFixed(0)} %), optimum ${optimum.toFixed(1)} (${((100 * plan) / optimum).toFixed(0)} %)`,
  );
}

function loom(): CornerSetup {
  const spans = 2 + Math.floor(4 * random());
  const path: object[] = [{ station: "module", accessMin: Math.round(25 + 30 * random()) }];
  for (let i = 0; i < spans; i++) {
    path.push({
      spanM: Math.round(10 * (0.6 + 2 * random())) / 10,
      mm2: 0.5,
      exposure: [0.6, 1, 1, 2, 3, 4][Math.floor(6 * random())],
    });
    path.push(
      i === spans - 1
        ? { station: "plug", accessMin: 7 }
        : { station: `c${i + 1}`, accessMin: Math.round(3 + 9 * random()) },
    );
  }
  return cornerSetupSchema.parse({ corner: "RL", family: "active-2wire", path });
}

/** Chance of each span, by length and exposure as the catalogue has it. */
function shares(setup: CornerSetup, alike: readonly Suspectable[]): number[] {
  const total = alike.reduce((sum, { prior }) => sum + prior, 0);
  return stationsOf(setup)
    .slice(1)
    .map((_, span) =>
      alike.filter(({ place }) => place.span === span).reduce((sum, one) => sum + one.prior / total, 0),
    );
}

function plan(setup: CornerSetup, truth: Suspectable, alike: readonly Suspectable[], seed: number, steps: string[]) {
  const car = simulateCar(setup, suspectId(truth.fault, truth.place), { seed: 500 + seed, spread: 1.5 });
  const lineUp = new LineUp(setup, complaintSchema.parse({}), { seed, perGroup: 64 });
  const { groups, weight } = lineUp.candidates;
  const known = new Set(alike.map(({ fault, place }) => suspectId(fault, place)));
  const total = alike.reduce((sum, { prior }) => sum + prior, 0);
  groups.forEach(({ id, first, size }) => {
    const own = alike.find(({ fault, place }) => suspectId(fault, place) === id);
    for (let row = first; row < first + size; row++) weight[row] = known.has(id) ? own!.prior / total / size : 0;
  });
  const done = new Set<string>();
  let minutes = 0;
  for (let i = 0; i < MOST; i++) {
    const all = lineUp.shares();
    const spans = groups
      .map(({ place }, g) => ({ span: place.span, share: all[g]! }))
      .sort((a, b) => b.share - a.share);
    if (spans[0]!.share >= FOUND) return { minutes, span: spans[0]!.span };
    const [next] = proposeChecks(lineUp, { approach: "information", pierce: false }, { done, skipped: new Set() });
    if (!next) return { minutes, span: spans[0]!.span };
    const shown = readCar(car, next.check.hookup);
    steps.push(`${next.check.id} = ${shown}, ${next.minutes} min`);
    const typed = typedEvidence(next.check.hookup, shown, setup);
    if (!typed.ok) throw new Error(typed.say);
    lineUp.add(typed.evidence);
    minutes += next.minutes;
    next.check.access.forEach(({ id }) => done.add(id));
  }
  const all = lineUp.shares();
  return { minutes, span: groups[all.indexOf(Math.max(...all))]!.place.span };
}

/** A reading at a station: getting there, once, and a minute. */
function costAt(setup: CornerSetup, station: number, openMin: number): number {
  return 1 + openMin + accessMinutes(stationsOf(setup)[station]!);
}

/** Present or absent at the middle station of what is left. */
function halve(setup: CornerSetup, span: number, openMin: number): number {
  let [from, to] = [0, stationsOf(setup).length - 1];
  let minutes = 0;
  while (to - from > 1) {
    const middle = (from + to) >> 1;
    minutes += costAt(setup, middle, openMin);
    if (span >= middle) from = middle;
    else to = middle;
  }
  return minutes;
}

/** Least expected minutes: the optimal alphabetic tree with unequal costs (Knuth, Acta Informatica 1, 1971). */
function leastByHalves(
  setup: CornerSetup,
  bySpan: readonly number[],
  openMin: number,
  from = 0,
  to = bySpan.length,
): number {
  const all = sum(bySpan, from, to);
  if (to - from <= 1 || all === 0 || Math.max(...bySpan.slice(from, to)) >= FOUND * all) return 0;
  let best = Infinity;
  for (let middle = from + 1; middle < to; middle++)
    best = Math.min(
      best,
      costAt(setup, middle, openMin) +
        (sum(bySpan, from, middle) / all) * leastByHalves(setup, bySpan, openMin, from, middle) +
        (sum(bySpan, middle, to) / all) * leastByHalves(setup, bySpan, openMin, middle, to),
    );
  return best;
}

/**
 * As `leastByHalves`, where the capacitance both ways from an opened plug may be taken once too: it tells the side, and
 * the distance as well as the capacitance of a metre is known. A second one, from elsewhere, is taken to tell all.
 */
function leastByCapacitance(setup: CornerSetup, bySpan: readonly number[], from = 0, to = bySpan.length): number {
  const all = sum(bySpan, from, to);
  if (to - from <= 1 || all === 0) return 0;
  let best = Infinity;
  for (let middle = from + 1; middle < to; middle++)
    best = Math.min(
      best,
      costAt(setup, middle, 0) +
        (sum(bySpan, from, middle) / all) * leastByCapacitance(setup, bySpan, from, middle) +
        (sum(bySpan, middle, to) / all) * leastByCapacitance(setup, bySpan, middle, to),
    );
  for (let station = Math.max(1, from); station <= to; station++) {
    let cost = chargeCostAt(setup, station) + BATTERY_OFF_MIN;
    for (const left of afterCapacitance(setup, bySpan, station, from, to)) {
      const chance = sum(left, from, to) / all;
      const once = leastByHalves(setup, left, 0, from, to);
      cost += chance * (once === 0 ? 0 : Math.min(once, leastSecond(setup, station, from, to)));
    }
    best = Math.min(best, cost);
  }
  return best;
}

/** What is left of each span's chance by outcome: distances that 8 % part, on either side of the station. */
function afterCapacitance(
  setup: CornerSetup,
  bySpan: readonly number[],
  station: number,
  from: number,
  to: number,
): number[][] {
  const lengths = spansOf(setup).map(({ spanM }) => spanM);
  const outcomes = new Map<string, number[]>();
  for (let span = from; span < to; span++)
    for (let step = 0; step < PLACES; step++) {
      const along = (step + 0.5) / PLACES;
      const beyond = span >= station;
      const metres = beyond
        ? sum(lengths, station, span) + along * lengths[span]!
        : sum(lengths, span + 1, station) + (1 - along) * lengths[span]!;
      for (let k = 0; k < PLACES; k++) {
        const perM = PAIR_FARAD_PER_M.from + ((k + 0.5) / PLACES) * (PAIR_FARAD_PER_M.to - PAIR_FARAD_PER_M.from);
        const outcome = `${beyond}${Math.round(Math.log(metres * perM) / 0.08)}`;
        const left = outcomes.get(outcome) ?? bySpan.map(() => 0);
        outcomes.set(outcome, left);
        left[span]! += bySpan[span]! / PLACES / PLACES;
      }
    }
  return [...outcomes.values()];
}

function leastSecond(setup: CornerSetup, station: number, from: number, to: number): number {
  const others = stationsOf(setup)
    .map((_, other) => other)
    .slice(Math.max(1, from), to + 1);
  return Math.min(...others.filter((other) => other !== station).map((other) => chargeCostAt(setup, other)));
}

/** Getting there, opening the plug, and the two minutes of a nulled range. */
function chargeCostAt(setup: CornerSetup, station: number): number {
  return costAt(setup, station, 2);
}

function sum(values: readonly number[], from: number, to: number): number {
  let all = 0;
  for (let i = from; i < to; i++) all += values[i]!;
  return all;
}
