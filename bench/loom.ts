/**
 * Finding damage along a loom once the kind of damage and the wire are known, for every wire fault: the plan against
 * plain halving and against the exact least expected cost (dynamic programming over what is left), on random looms.
 * usage: npm run bench:loom -- [looms]
 */
import { readCar, simulateCar } from "../src/core/car/simulated";
import { cornerSetupSchema, stationsOf, accessMinutes, type CornerSetup } from "../src/core/circuit/setup";
import { suspectables, suspectId, type Suspectable } from "../src/core/faults/catalogue";
import { complaintSchema } from "../src/core/lineup/complaint";
import { LineUp } from "../src/core/lineup/line-up";
import { proposeChecks } from "../src/core/lineup/next-check";
import { typedEvidence } from "../src/core/lineup/typed-evidence";
import { xorshift } from "./wave-maker";

const LOOMS = Number(process.argv[2] ?? 100);
const MOST = 12;
/** The span is taken for found at this share. */
const FOUND = 0.97;
const random = xorshift(99);

interface Sum {
  looms: number;
  right: number;
  plan: number;
  halving: number;
  optimum: number;
}
const sums = new Map<string, Sum>();
for (let n = 0; n < LOOMS; n++) {
  const setup = loom();
  const damages = suspectables(setup).filter(
    ({ fault, place }) => fault.part === "harness" && place.span !== undefined,
  );
  let pick = random() * damages.reduce((sum, { prior }) => sum + prior, 0);
  const truth = damages.find(({ prior }) => (pick -= prior) <= 0) ?? damages.at(-1)!;
  const alike = damages.filter(
    ({ fault, place }) => fault.code === truth.fault.code && place.conductor === truth.place.conductor,
  );
  const run = plan(setup, truth, alike, n);
  const bySpan = shares(setup, alike);
  for (const key of [truth.fault.code, "all"]) {
    const sum = sums.get(key) ?? { looms: 0, right: 0, plan: 0, halving: 0, optimum: 0 };
    sums.set(key, sum);
    sum.looms++;
    if (run.span === truth.place.span) sum.right++;
    sum.plan += run.minutes;
    // A short is told apart only with the plug open: one minute more at each station.
    const openMin = truth.fault.code.startsWith("wire-to-") ? 1 : 0;
    sum.halving += halve(setup, truth.place.span!, openMin);
    sum.optimum += least(setup, bySpan, openMin, 0, stationsOf(setup).length - 1);
  }
}
console.log(`${LOOMS} looms of 2–5 spans, mixed exposure; kind of damage and wire known, span not`);
for (const [code, { looms, right, plan, halving, optimum }] of [...sums].sort(([a], [b]) =>
  a === "all" ? 1 : b === "all" ? -1 : a < b ? -1 : 1,
))
  console.log(
    `${code.padEnd(20)} ${String(looms).padStart(4)}  right span ${((100 * right) / looms).toFixed(1).padStart(5)} %  minutes: plan ${(plan / looms).toFixed(1).padStart(5)}, halving ${(halving / looms).toFixed(1)} (${((100 * plan) / halving).toFixed(0)} %), optimum ${(optimum / looms).toFixed(1)} (${((100 * plan) / optimum).toFixed(0)} %)`,
  );

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

function plan(setup: CornerSetup, truth: Suspectable, alike: readonly Suspectable[], seed: number) {
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
    const typed = typedEvidence(next.check.hookup, readCar(car, next.check.hookup), setup);
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

/** Least expected minutes from here: the optimal alphabetic tree with unequal costs (Knuth, Acta Informatica 1, 1971). */
function least(setup: CornerSetup, bySpan: readonly number[], openMin: number, from: number, to: number): number {
  if (to - from <= 1) return 0;
  const held = (a: number, b: number) => bySpan.slice(a, b).reduce((sum, share) => sum + share, 0);
  const all = held(from, to);
  let best = Infinity;
  for (let middle = from + 1; middle < to; middle++)
    best = Math.min(
      best,
      costAt(setup, middle, openMin) +
        (held(from, middle) / all) * least(setup, bySpan, openMin, from, middle) +
        (held(middle, to) / all) * least(setup, bySpan, openMin, middle, to),
    );
  return best;
}
