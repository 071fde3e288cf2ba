/**
 * Finding damage along a loom once the kind of damage and the wire are known, for every wire fault: the plan against
 * plain halving and against the exact least expected cost (dynamic programming over what is left), on random looms.
 * One reading in fifty slips; the least cost is without slips, and may, for an open, take capacitances.
 * usage: npm run bench:loom -- [looms] [--seed N] [--trace]
 */
import { parseArgs } from "node:util";
import { readCar, simulateCar } from "../src/core/simulated/simulated-car";
import {
  accessMinutes,
  cornerSetupSchema,
  usualCorner,
  spansOf,
  stationsOf,
  type CornerSetup,
} from "../src/core/circuit/setup";
import { PAIR_FARAD_PER_M } from "../src/core/circuit/wire";
import { suspectables, suspectId, type Suspectable } from "../src/core/faults/catalogue";
import { between } from "../src/core/faults/fault";
import { complaintSchema } from "../src/core/complaint/complaint";
import { Belief } from "../src/core/belief/belief";
import { ERRORS } from "../src/core/observation/scale";
import { checksOf, proposeChecks } from "../src/core/planning/next-check";
import { FOUND_SHARE, HANDLING_MINUTES } from "../src/core/planning/place-search";
import { typedValue } from "../src/core/observation/typed-value";
import { normalScore, seeded } from "../src/core/random/random";
import { otherPlace, SLIPS } from "./lineup-run";
import { freshSeed, inShards } from "./shards";
import { xorshift } from "./wave-maker";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { shard: { type: "string" }, seed: { type: "string" }, trace: { type: "boolean" } },
});
const LOOMS = Number(positionals[0] ?? 100);
const MOST = 12;
const BATTERY_OFF_MIN = 2;
/** Minutes to an inline connector: in reach, in the arch, wheel off, behind a liner, behind trim (engineering judgement). */
const INLINE_MINUTES = [4, 7, 8, 15, 25];
/** Places along a span, and capacitances of a metre, that stand for all. */
const PLACES = 12;
const SEED = freshSeed(values.seed);
const random = xorshift(SEED);

/** What a way of searching found and took. */
interface Run {
  right: boolean;
  minutes: number;
}

/** The plan's own, with what it expected at its first step; both with the handling of each reading. */
interface PlanRun extends Run {
  handled: number;
  foreseen: number;
}

interface Outcome {
  fault: string;
  plan: PlanRun;
  halving: Run;
  twice: Run;
  optimum: number;
}

if (values.shard) runShard(values.shard);
else report(await inShards<Outcome>(SEED));

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
  const span = truth.place.span!;
  const slips = seeded(700 + n);
  const planned = plan(setup, truth, alike, n, slips, steps);
  const ran = (run: { span: number | undefined; minutes: number }): Run => ({
    right: run.span === span,
    minutes: run.minutes,
  });
  const outcome: Outcome = {
    fault: code,
    plan: { ...planned, right: planned.span === span },
    halving: ran(halve(setup, span, openMin, slips, 1)),
    twice: ran(halve(setup, span, openMin, slips, 2)),
    optimum: code === "wire-open" ? leastByCapacitance(setup, bySpan) : leastByHalves(setup, bySpan, openMin),
  };
  if (values.trace)
    console.error(
      `${code} ${truth.place.id} access ${stationsOf(setup).map(accessMinutes).join()} shares ${bySpan.map((one) => one.toFixed(2)).join()} ${JSON.stringify(outcome)}\n  ${steps.join("\n  ")}`,
    );
  return outcome;
}

function report(outcomes: readonly Outcome[]): void {
  console.log(
    `${LOOMS} looms of 2–5 spans from our own model, seed ${SEED}, mixed exposure; kind of damage and wire known, span not`,
  );
  for (const fault of [...new Set(outcomes.map(({ fault }) => fault))].sort())
    line(
      fault,
      outcomes.filter((one) => one.fault === fault),
    );
  line("all", outcomes);
}

function line(name: string, own: readonly Outcome[]): void {
  const mean = (of: (one: Outcome) => number) => own.reduce((all, one) => all + of(one), 0) / own.length;
  const found = (way: "plan" | "halving" | "twice") =>
    `${(100 * mean((one) => Number(one[way].right))).toFixed(1)} % in ${mean((one) => one[way].minutes).toFixed(1)} min`;
  const ours = mean((one) => one.plan.minutes);
  const against = (minutes: number) => `(${((100 * ours) / minutes).toFixed(0)} %)`;
  console.log(
    `${name.padEnd(18)} ${String(own.length).padStart(4)}  right span: plan ${found("plan")}, halving ${found("halving")} ${against(mean((one) => one.halving.minutes))}, halving with every reading twice ${found("twice")} ${against(mean((one) => one.twice.minutes))}, least ${mean(({ optimum }) => optimum).toFixed(1)} min ${against(mean(({ optimum }) => optimum))}; with handling ${mean((one) => one.plan.handled).toFixed(1)} min, foreseen ${mean((one) => one.plan.foreseen).toFixed(1)}`,
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
        : { station: `c${i + 1}`, accessMin: INLINE_MINUTES[Math.floor(INLINE_MINUTES.length * random())] },
    );
  }
  return cornerSetupSchema.parse({ ...usualCorner, corner: "RL", family: "active-2wire", path });
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

function plan(
  setup: CornerSetup,
  truth: Suspectable,
  alike: readonly Suspectable[],
  seed: number,
  slips: () => number,
  steps: string[],
) {
  const car = simulateCar(setup, suspectId(truth.fault, truth.place), { seed: 500 + seed, spread: 1.5 });
  const known = new Map(alike.map(({ fault, place, prior }) => [suspectId(fault, place), prior]));
  const belief = new Belief(setup, complaintSchema.parse({}), {
    seed,
    given: ({ fault, place }) => known.get(suspectId(fault, place)) ?? 0,
  });
  const groups = belief.hypotheses;
  const done = new Set<string>();
  let [minutes, handled, foreseen] = [0, 0, 0];
  for (let i = 0; i < MOST; i++) {
    const all = belief.shares();
    const spans = groups
      .map(({ place }, g) => ({ span: place.span, share: all[g]! }))
      .sort((a, b) => b.share - a.share);
    if (spans[0]!.share >= FOUND_SHARE) return { minutes, handled, foreseen, span: spans[0]!.span };
    const [next] = proposeChecks(
      belief,
      { approach: "information", pierce: false },
      { done, skipped: new Set() },
      { foresee: i === 0 },
    );
    if (!next) return { minutes, handled, foreseen, span: spans[0]!.span };
    const { hookup } = next.check;
    const wrong = slips() < SLIPS && otherPlace(checksOf(belief), next.check);
    const shown = readCar(car, wrong ? wrong.hookup : hookup);
    steps.push(
      `${spans
        .slice(0, 4)
        .map(({ span, share }) => `${span! + 1} ${(100 * share).toFixed(0)}`)
        .join(", ")}: ${next.check.id} = ${shown}, ${next.minutes} min, ${next.bits.toFixed(2)} bits`,
    );
    const typed = typedValue(hookup, shown, setup);
    if (!typed.ok) throw new Error(typed.say);
    belief.add({ entryId: "", ...typed.observed });
    if (i === 0) foreseen = next.toPlaceMinutes ?? 0;
    minutes += next.minutes;
    handled += next.minutes + HANDLING_MINUTES;
    next.check.access.forEach(({ id }) => done.add(id));
  }
  const all = belief.shares();
  return { minutes, handled, foreseen, span: groups[all.indexOf(Math.max(...all))]!.place.span };
}

/** A reading at a station: getting there, once, and a minute. */
function costAt(setup: CornerSetup, station: number, openMin: number): number {
  return 1 + openMin + accessMinutes(stationsOf(setup)[station]!);
}

/**
 * Present or absent at the middle station of what is left, a slip turning the answer over.
 * @param times each reading is taken this often, and once more where they disagree
 */
function halve(setup: CornerSetup, span: number, openMin: number, slips: () => number, times: 1 | 2) {
  let [from, to] = [0, stationsOf(setup).length - 1];
  let minutes = 0;
  while (to - from > 1) {
    const middle = (from + to) >> 1;
    minutes += costAt(setup, middle, openMin);
    const read = () => span >= middle !== slips() < SLIPS;
    let present = read();
    if (times === 2) {
      minutes += 1;
      if (read() !== present) {
        minutes += 1;
        present = read();
      }
    }
    if (present) from = middle;
    else to = middle;
  }
  return { span: from, minutes };
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
  if (to - from <= 1 || all === 0 || Math.max(...bySpan.slice(from, to)) >= FOUND_SHARE * all) return 0;
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

/** One possible break, all alike in chance within a span. */
interface Break {
  span: number;
  /** Of its span, from the module end. */
  along: number;
  faradPerM: number;
  chance: number;
}

/**
 * As `leastByHalves`, where capacitances may be taken too, both ways from an opened plug, twice at the most: each tells
 * the side, and the distance as well as the capacitance of a metre is known by then.
 */
function leastByCapacitance(setup: CornerSetup, bySpan: readonly number[]): number {
  const breaks = bySpan.flatMap((share, span) =>
    Array.from({ length: PLACES * PLACES }, (_, i) => ({
      span,
      along: ((i % PLACES) + 0.5) / PLACES,
      faradPerM: faradAt((Math.floor(i / PLACES) + 0.5) / PLACES),
      chance: share / PLACES / PLACES,
    })),
  );
  return leastOf(setup, breaks, 0, bySpan.length, 2);
}

function leastOf(setup: CornerSetup, breaks: readonly Break[], from: number, to: number, charges: number): number {
  const bySpan = spansOf(setup).map(() => 0);
  for (const { span, chance } of breaks) bySpan[span]! += chance;
  const all = sum(bySpan, 0, bySpan.length);
  if (to - from <= 1 || Math.max(...bySpan) >= FOUND_SHARE * all) return 0;
  if (charges === 0) return leastByHalves(setup, bySpan, 0, from, to);
  let best = Infinity;
  for (let middle = from + 1; middle < to; middle++) {
    const [near, far] = [breaks.filter(({ span }) => span < middle), breaks.filter(({ span }) => span >= middle)];
    best = Math.min(
      best,
      costAt(setup, middle, 0) +
        (sum(bySpan, from, middle) / all) * (near.length ? leastOf(setup, near, from, middle, charges) : 0) +
        (sum(bySpan, middle, to) / all) * (far.length ? leastOf(setup, far, middle, to, charges) : 0),
    );
  }
  for (let station = Math.max(1, from); station <= to; station++) {
    let cost = chargeCostAt(setup, station) + (charges === 2 ? BATTERY_OFF_MIN : 0);
    for (const [beyond, left] of afterCapacitance(setup, breaks, station))
      cost +=
        (left.reduce((one, { chance }) => one + chance, 0) / all) *
        leastOf(setup, left, beyond ? Math.max(from, station) : from, beyond ? to : Math.min(to, station), charges - 1);
    best = Math.min(best, cost);
  }
  return best;
}

/** The breaks that each outcome leaves, and whether it lies beyond the station: told apart by two deviations of the meter. */
function afterCapacitance(setup: CornerSetup, breaks: readonly Break[], station: number): [boolean, Break[]][] {
  const lengths = spansOf(setup).map(({ spanM }) => spanM);
  const outcomes = new Map<number, Break[]>();
  for (const one of breaks) {
    const beyond = one.span >= station;
    const metres = beyond
      ? sum(lengths, station, one.span) + one.along * lengths[one.span]!
      : sum(lengths, one.span + 1, station) + (1 - one.along) * lengths[one.span]!;
    const outcome = (beyond ? 1000 : 0) + Math.round(inDeviations(metres * one.faradPerM) / 2);
    const left = outcomes.get(outcome);
    if (left) left.push(one);
    else outcomes.set(outcome, [one]);
  }
  return [...outcomes].map(([outcome, left]) => [outcome > 500, left]);
}

/** A capacitance counted in standard deviations of the meter from 0, as the line-up has them. */
function inDeviations(farad: number): number {
  const { relative, absolute } = ERRORS.capacitance!;
  return Math.asinh((relative * farad) / absolute) / relative;
}

/** Capacitance of a metre below which such a share of cars lie, as the line-up draws them. */
function faradAt(share: number): number {
  return between(0.5 + normalScore(share) / 2.4, PAIR_FARAD_PER_M.from, PAIR_FARAD_PER_M.to);
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
