import { midSentence, t } from "../words/words";
import { readCar, simulateCar } from "../simulated/simulated-car";
import { accessSteps } from "../checks/access";
import { hookupLabel } from "../checks/words";
import { suspectables, suspectId, type Suspectable } from "../faults/catalogue";
import { HEALTHY } from "../faults/fault";
import { includes } from "../faults/pair";
import { habitOrder, repairCosts, type Part } from "../faults/parts/parts";
import { readingsByStage, standingRepairs } from "../job/derive";
import { minutesInAll } from "../bench/minutes-spent";
import { observe, hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";
import type { Reading } from "../observation/reading";
import { LABOUR_RATE } from "../repair/usual-estimate";
import { mends, type Repaired } from "../belief/after-repair";
import { Belief } from "../belief/belief";
import { proposeChecks } from "../planning/next-check";
import { beliefAfter } from "../verdict/belief-after";
import { rankParts, rankSuspects } from "../verdict/suspects";
import { typedValue } from "../observation/typed-value";
import { seedFrom } from "../random/random";

export interface DebriefStep {
  say: string;
  value: string;
  minutes: number;
  /** What it told about which fault it is, in bits; below zero it misled. */
  bits: number;
  wasted: boolean;
}

export interface Debrief {
  right: boolean;
  truth: string;
  named: string | null;
  steps: DebriefStep[];
  minutes: number;
  /** The plan's own run on the same car. */
  best: { steps: { say: string; value: string; minutes: number }[]; minutes: number; proven: boolean };
  bill: { yours: number; best: number; guessing: number };
  noticed: string[];
  /** Share of the best possible, 0 to 100. */
  score: number;
}

/** Under this a reading told nothing, and if it took time it was wasted. */
const NOTHING_BITS = 0.05;
const MOST_BEST_STEPS = 14;

/** What a finished practice job shows: what each check told, the best plan on the same car, and the money. @throws RangeError on a real job */
export function debrief(job: Job): Debrief {
  const { simulated } = job;
  if (!simulated) throw new RangeError("only a practice car can be looked into");
  const truths = truthsOf(job, simulated);
  const repairs = standingRepairs(job);
  const isNamed = (one: Suspectable) => repairs.some((repair) => mends(repair, one));
  const right = truths.every(isNamed);
  const steps = stepsOf(job, truths);
  const best = bestRun(job, simulated, truths);
  const minutes = minutesInAll(job);
  const parts = truths.map(({ fault }) => fault.part);
  const missed = truths.filter((one) => !isNamed(one)).map(({ fault }) => fault.part);
  const bill = {
    yours: hours(minutes) + costOf([...repairs.map(({ part }) => part), ...missed]),
    best: hours(best.minutes) + costOf(parts),
    guessing: guessingBill(parts),
  };
  return {
    right,
    truth: truths
      .map(({ fault, place }) => fault.words(place, job.setup))
      .reduce((a, b) => t`${a}, and ${midSentence(b)}`),
    named: repairs.length > 0 ? repairs.map(({ words }) => words).join(", ") : null,
    steps,
    minutes,
    best,
    bill: { yours: Math.round(bill.yours), best: Math.round(bill.best), guessing: Math.round(bill.guessing) },
    noticed: noticed(job, steps, right),
    score: right ? Math.max(10, Math.min(100, Math.round((100 * bill.best) / bill.yours))) : 0,
  };
}

/** What is wrong with the car: one fault, or two. */
function truthsOf(
  { setup }: Job,
  { fault, second }: Pick<NonNullable<Job["simulated"]>, "fault" | "second">,
): Suspectable[] {
  const all = suspectables(setup);
  return [fault, second].flatMap((id) => all.find((one) => suspectId(one.fault, one.place) === id) ?? []);
}

function stepsOf(job: Job, truths: readonly Suspectable[]): DebriefStep[] {
  let belief = new Belief(job.setup, job.complaint, { seed: seedFrom(job.id), perGroup: 64 });
  const done = new Set<string>();
  const repairs = standingRepairs(job);
  return readingsByStage(job).flatMap((readings, stage) => {
    if (stage > 0) belief = beliefAfter(belief, repairs[stage - 1]!, seedFrom(`${job.id} ${stage}`), 64);
    const left = truths.filter((one) => !repairs.slice(0, stage).some((repair) => mends(repair, one)));
    return readings.flatMap(({ reading }) => stepOf(job, reading, belief, left, done));
  });
}

/** @param left what is wrong with the car at the time @param done what was opened or raised already; told what this reading opens */
function stepOf(
  job: Job,
  reading: Reading,
  belief: Belief,
  left: readonly Suspectable[],
  done: Set<string>,
): DebriefStep[] {
  const hookup = hookupOf(reading, job.setup);
  const evidence = observe(reading, job.setup);
  if (!hookup.ok || !evidence.ok) return [];
  const before = shareOf(belief, left);
  belief.learn(evidence.value);
  const bits = Math.log2(Math.max(1e-9, shareOf(belief, left)) / Math.max(1e-9, before));
  const { access, ownMinutes } = accessSteps(hookup.value, job.setup);
  const fresh = access.filter(({ id }) => !done.has(id));
  fresh.forEach(({ id }) => done.add(id));
  const minutes = fresh.reduce((sum, step) => sum + step.minutes, ownMinutes);
  return [
    {
      say: hookupLabel(hookup.value),
      value: String(reading.finding ?? reading.value),
      minutes,
      bits,
      wasted: Math.abs(bits) < NOTHING_BITS,
    },
  ];
}

/** How likely what is wrong is held to be, alone or beside something else; a sound car where nothing is. */
function shareOf(belief: Belief, left: readonly Suspectable[]): number {
  const ids = left.length > 0 ? left.map(({ fault, place }) => suspectId(fault, place)) : [HEALTHY];
  const shares = belief.shares();
  return belief.hypotheses.reduce((sum, one, h) => sum + (ids.some((id) => includes(one, id)) ? shares[h]! : 0), 0);
}

/** The plan alone on the same car, each part repaired as it is proven, until all that is wrong is found. */
function bestRun(job: Job, simulated: NonNullable<Job["simulated"]>, truths: readonly Suspectable[]): Debrief["best"] {
  const repairs: Repaired[] = [];
  const isRepaired = (one: Suspectable) => repairs.some((repair) => mends(repair, one));
  let car = simulateCar(job.setup, simulated.fault, simulated);
  let belief = new Belief(job.setup, job.complaint, { seed: seedFrom(job.id), perGroup: 24 });
  const done = new Set<string>();
  const steps: Debrief["best"]["steps"] = [];
  let minutes = 0;
  while (steps.length < MOST_BEST_STEPS * truths.length) {
    const [next] = proposeChecks(belief, { approach: "information", pierce: false }, { done, skipped: new Set() });
    if (!next) break;
    const value = readCar(car, next.check.hookup);
    const typed = typedValue(next.check.hookup, value, job.setup);
    if (!typed.ok) break;
    belief.learn({ entryId: "", ...typed.observed });
    const own = next.todo.reduce((sum, step) => sum + step.minutes, next.check.ownMinutes);
    next.check.access.forEach(({ id }) => done.add(id));
    minutes += own;
    steps.push({ say: hookupLabel(next.check.hookup), value, minutes: own });
    const suspects = rankSuspects(belief);
    if (rankParts(belief, suspects)[0]!.verdict !== "proven") continue;
    const { part, place } = suspects[0]!;
    repairs.push({ part, place });
    if (truths.every(isRepaired)) return { steps, minutes, proven: true };
    if (repairs.length >= truths.length) break;
    car = simulateCar(job.setup, simulated.fault, { ...simulated, isRepaired });
    belief = beliefAfter(belief, { part, place }, seedFrom(`${job.id} ${repairs.length}`), 24);
  }
  return { steps, minutes, proven: false };
}

/** Parts fitted by popular order until the last that is at fault is reached. */
function guessingBill(truths: readonly Part[]): number {
  return costOf(habitOrder.slice(0, Math.max(...truths.map((part) => habitOrder.indexOf(part))) + 1));
}

function costOf(list: readonly Part[]): number {
  return list.reduce((sum, part) => sum + repairCosts[part], 0);
}

function hours(minutes: number): number {
  return (minutes / 60) * LABOUR_RATE;
}

function noticed(job: Job, steps: readonly DebriefStep[], right: boolean): string[] {
  const list: string[] = [];
  const wasted = steps.filter((step) => step.wasted);
  if (wasted.length > 0)
    list.push(
      t`${wasted.length} of ${steps.length} readings told nothing (${wasted.reduce((sum, { minutes }) => sum + minutes, 0)} min): ask first what the reading could change.`,
    );
  const misled = steps.find(({ bits }) => bits < -1.5);
  if (misled)
    list.push(t`“${misled.say}: ${misled.value}” pointed away from the fault: one odd reading is taken again.`);
  if (
    job.simulated?.intermittent &&
    job.entries.some((entry) => "reading" in entry && entry.reading.state.unplugged.length > 0)
  )
    list.push(t`An intermittent was unplugged before it was caught: that can cure it for a week and hide it.`);
  if (!steps.some(({ say }) => /plug|C\d|wiring|foot|ring|bearing/.test(say)))
    list.push(t`Nothing was looked at: eyes and hands come before instruments.`);
  if (!right && steps.length < 4) list.push(t`The part was named on few readings. Measure until it is proven.`);
  return list;
}
