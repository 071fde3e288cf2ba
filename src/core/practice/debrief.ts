import { t } from "../words/words";
import { readCar, simulateCar } from "../simulated/simulated-car";
import { accessSteps } from "../checks/access";
import { hookupLabel } from "../checks/words";
import { suspectables, suspectId } from "../faults/catalogue";
import { habitOrder, repairCosts, type Part } from "../faults/parts/parts";
import { standingReadings, standingRepair } from "../job/derive";
import { minutesSpent } from "../bench/minutes-spent";
import { observe, hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";
import { LABOUR_RATE } from "../repair/usual-estimate";
import { Belief } from "../belief/belief";
import { proposeChecks } from "../planning/next-check";
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
  const truth = suspectables(job.setup).find(({ fault, place }) => suspectId(fault, place) === simulated.fault)!;
  const repair = standingRepair(job);
  const right = repair?.part === truth.fault.part;
  const steps = stepsOf(job, simulated.fault);
  const best = bestRun(job);
  const minutes = minutesSpent(job);
  const bill = {
    yours: hours(minutes) + (repair ? repairCosts[repair.part] : 0) + (right ? 0 : repairCosts[truth.fault.part]),
    best: hours(best.minutes) + repairCosts[truth.fault.part],
    guessing: guessingBill(truth.fault.part),
  };
  return {
    right,
    truth: truth.fault.words(truth.place, job.setup),
    named: repair?.words ?? null,
    steps,
    minutes,
    best,
    bill: { yours: Math.round(bill.yours), best: Math.round(bill.best), guessing: Math.round(bill.guessing) },
    noticed: noticed(job, steps, right),
    score: right ? Math.max(10, Math.min(100, Math.round((100 * bill.best) / bill.yours))) : 0,
  };
}

function stepsOf(job: Job, fault: string): DebriefStep[] {
  const belief = new Belief(job.setup, job.complaint, { seed: seedFrom(job.id), perGroup: 64 });
  const at = belief.indexOf(fault);
  const done = new Set<string>();
  return standingReadings(job).flatMap(({ reading }): DebriefStep[] => {
    const hookup = hookupOf(reading, job.setup);
    const evidence = observe(reading, job.setup);
    if (!hookup.ok || !evidence.ok) return [];
    const before = belief.shares()[at]!;
    belief.add(evidence.value);
    const bits = Math.log2(Math.max(1e-9, belief.shares()[at]!) / Math.max(1e-9, before));
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
  });
}

/** The plan alone on the same car, until something is proven. */
function bestRun(job: Job): Debrief["best"] {
  const { fault, seed, intermittent } = job.simulated!;
  const car = simulateCar(job.setup, fault, { seed, intermittent });
  const belief = new Belief(job.setup, job.complaint, { seed: seedFrom(job.id), perGroup: 24 });
  const done = new Set<string>();
  const steps: Debrief["best"]["steps"] = [];
  let minutes = 0;
  while (steps.length < MOST_BEST_STEPS) {
    const [next] = proposeChecks(belief, { approach: "information", pierce: false }, { done, skipped: new Set() });
    if (!next) break;
    const value = readCar(car, next.check.hookup);
    const typed = typedValue(next.check.hookup, value, job.setup);
    if (!typed.ok) break;
    belief.add({ entryId: "", ...typed.observed });
    const own = next.todo.reduce((sum, step) => sum + step.minutes, next.check.ownMinutes);
    next.check.access.forEach(({ id }) => done.add(id));
    minutes += own;
    steps.push({ say: hookupLabel(next.check.hookup), value, minutes: own });
    if (rankParts(rankSuspects(belief))[0]!.verdict === "proven") return { steps, minutes, proven: true };
  }
  return { steps, minutes, proven: false };
}

/** Parts fitted by popular order until the true one is reached. */
function guessingBill(truth: Part): number {
  return habitOrder.slice(0, habitOrder.indexOf(truth) + 1).reduce((sum, part) => sum + repairCosts[part], 0);
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
