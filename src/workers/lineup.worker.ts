import { speakIn } from "./tongue";
import { expose } from "comlink";
import type { Hookup } from "../core/checks/hookup";
import { forecastStrip, previewReading, type ForecastStrip, type Preview } from "../core/bench/forecast-strip";
import { observationsOf } from "../core/replay/observations";
import { progressOf } from "../core/bench/progress";
import { readingsByStage, standingRepairs } from "../core/job/derive";
import { partsAlone, toldBeside } from "../core/replay/beside";
import { replayAlone, replayNow } from "../core/replay/replay";
import { corners } from "../core/units/corner";
import type { CornerParts } from "../core/verdict/car-parts";
import { diagnosisOf, rankingOf, type Diagnosis, type Ranking } from "../core/bench/diagnosis";
import { boardRowOf } from "../core/bench/board-row";
import type { BoardRow } from "../core/board/board";
import type { Capture } from "../core/capture/capture";
import type { Point } from "../core/circuit/point";
import type { CornerJob } from "../core/job/corner-in-work";
import type { Job } from "../core/job/schema";
import { verification, type Verification } from "../core/bench/verify";
import { loomView, type LoomView } from "../core/bench/loom-view";
import type { Belief } from "../core/belief/belief";
import type { Resume } from "../core/belief/checkpoint";
import { checkpointOf, drawnFrom, resumeFrom } from "../core/replay/checkpoint";
import type { Observation } from "../core/observation/observation";
import { keepCheckpoint, keptCheckpoint } from "../store/checkpoints";
import { MODEL } from "../store/worked-out";
import { PROGRESS_CHANNEL, type WeighingProgress } from "./weighing-progress";
import { meteredCar, readSimulated, recordSimulated, type SimulatedReading } from "../core/simulated/simulated-reading";
import { debrief, type Debrief } from "../core/practice/debrief";
import { typedValue } from "../core/observation/typed-value";

interface Kept {
  key: string;
  readings: string[];
  belief: Belief;
}
interface AtHand extends Kept {
  job: CornerJob;
  /** What it says by its own log; null until it is asked, and after each reading. */
  alone: CornerParts | null;
  /** So many readings were in what was last kept of it. */
  keptAt: number;
}
/** Line-ups as their cars came, by job: those of one car's corners, which ask each other. */
const kept = new Map<string, AtHand>();
let now: Kept | null = null;

let turn: Promise<unknown> = Promise.resolve();

/**
 * Asks the line-up of a job as the car came. One question at a time, from the line-up to its answer: another must neither
 * weigh the same log beside it nor add a reading under it.
 */
function ask<T>(job: CornerJob, question: (belief: Belief) => T): Promise<T> {
  const next = turn.then(async () => question(await withBeside(job)));
  turn = next.catch(() => undefined);
  return next;
}

/** The same of the car as it is now: after a repair that of what is left in question, else as it came. */
function askNow<T>(job: CornerJob, question: (belief: Belief) => T): Promise<T> {
  return ask(job, (asItCame) => {
    const repairs = standingRepairs(job);
    if (repairs.length === 0) {
      prepareSoon(asItCame);
      return question(asItCame);
    }
    const readings = readingsByStage(job).map((stage) => stage.map(({ id }) => id));
    const key = JSON.stringify([drawnFrom(job), toldBeside(job, aloneAtHand), repairs, readings]);
    if (now?.key !== key) now = { key, readings: [], belief: replayNow(job, undefined, asItCame) };
    prepareSoon(now.belief);
    return question(now.belief);
  });
}

/** Once nothing was asked for so long, what a proof will want is weighed ahead, a reading at a time. */
const SPARE_MS = 600;
let spare: ReturnType<typeof setTimeout> | undefined;

function prepareSoon(belief: Belief): void {
  const step = () => {
    if (belief.prepare()) spare = setTimeout(step);
  };
  clearTimeout(spare);
  if (belief.log.length >= WORTH_KEEPING) spare = setTimeout(step, SPARE_MS);
}

/** A corner's line-up, told what those of the car's other corners say. */
async function withBeside(job: CornerJob): Promise<Belief> {
  const { beside = [] } = job;
  const all = [job, ...beside];
  for (const one of beside) await atHandOrOpened({ ...one, beside: all.filter((other) => other !== one) });
  const belief = await atHandOrOpened(job);
  belief.tell(toldBeside(job, aloneAtHand));
  keepSoon();
  return belief;
}

/** What a corner's line-up, at hand already, says by its own log. */
function aloneAtHand({ id }: CornerJob): CornerParts {
  const one = kept.get(id)!;
  return (one.alone ??= partsAlone(one.belief));
}

/** The line-up at hand, with the newest readings added, or opened when it is another's or the log was cut back. */
async function atHandOrOpened(job: CornerJob): Promise<Belief> {
  const key = drawnFrom(job);
  const { read } = observationsOf(job);
  const found = kept.get(job.id);
  kept.delete(job.id);
  if (found?.key === key && found.readings.every((id, i) => read[i]?.entryId === id)) {
    for (const observation of read.slice(found.readings.length)) {
      found.belief.learn(observation);
      found.readings.push(observation.entryId);
      found.alone = null;
    }
    found.job = job;
    kept.set(job.id, found);
  } else {
    const resume = await whereItWas(job, read);
    const belief = replayAlone(job, { resume, told: tellProgress(job.id) });
    const readings = read.map(({ entryId }) => entryId);
    kept.set(job.id, { key, readings, belief, job, alone: null, keptAt: resume?.log.length ?? 0 });
  }
  for (const oldest of kept.keys()) if (kept.size > corners.length) kept.delete(oldest);
  return kept.get(job.id)!.belief;
}

/** A single reading is weighed in no time. */
const WORTH_KEEPING = 2;
const QUIET_MS = 2000;
let quiet: ReturnType<typeof setTimeout> | undefined;

async function whereItWas(job: CornerJob, read: readonly Observation[]): Promise<Resume | null> {
  if (read.length < WORTH_KEEPING) return null;
  // A store that gives nothing back costs the time to weigh the log again, and nothing else.
  const checkpoint = await keptCheckpoint(job.id).catch(() => null);
  return checkpoint && resumeFrom(checkpoint, job, MODEL, read);
}

/** Keeps the line-ups for the next time once nothing was asked for a while. */
function keepSoon(): void {
  clearTimeout(quiet);
  quiet = setTimeout(() => [...kept.values()].forEach(keepForNextTime), QUIET_MS);
}

function keepForNextTime(one: AtHand): void {
  if (one.readings.length < WORTH_KEEPING || one.readings.length === one.keptAt) return;
  const { job, belief } = one;
  const { read } = observationsOf(job);
  one.keptAt = read.length;
  keepCheckpoint(job.id, checkpointOf(job, MODEL, belief, read), new Date()).catch(() => (one.keptAt = 0));
}

/** Says how far a long log is weighed, to whoever waits for it. */
function tellProgress(jobId: string): (weighed: number, of: number) => void {
  let told = performance.now();
  return (weighed, of) => {
    if (performance.now() - told < TOLD_EVERY_MS) return;
    told = performance.now();
    const channel = new BroadcastChannel(PROGRESS_CHANNEL);
    channel.postMessage({ jobId, weighed, of } satisfies WeighingProgress);
    channel.close();
  };
}

const TOLD_EVERY_MS = 150;

const api = {
  /** The language its sentences are made in. */
  speak: speakIn,

  /** The ranking alone: there long before the next check is chosen. */
  rank(job: Job): Promise<Ranking> {
    return askNow(job, rankingOf);
  },

  /** Everything the Bench shows of a job: of the car as it is now. */
  diagnoseNow(job: Job): Promise<Diagnosis> {
    return askNow(job, (belief) => diagnosisOf(belief, job.policy, progressOf(job)));
  },

  /** The same of the car as it came, which is what a close-out and a report tell. */
  diagnose(job: Job): Promise<Diagnosis> {
    return ask(job, (belief) => diagnosisOf(belief, job.policy, progressOf(job)));
  },

  /** What the board shows of a job. */
  row(job: CornerJob): Promise<BoardRow> {
    return ask(job, (belief) =>
      boardRowOf(diagnosisOf(belief, job.policy, progressOf(job)), job.beside && aloneAtHand(job)),
    );
  },

  /** The checks to repeat after a repair, and whether they pass. */
  verify(job: Job): Promise<Verification> {
    return ask(job, (belief) => verification(job, belief));
  },

  /** What a finished practice job shows. */
  debrief(job: Job): Debrief {
    return debrief(job);
  },

  /** What a simulated instrument shows; null on a real job. */
  readSimulated(job: Job, hookup: Hookup): SimulatedReading | null {
    return readSimulated(job, hookup);
  },

  /** What a meter's probes see on the simulated car, in base units; null on a real job and for what no number shows. */
  metered(job: Job, hookup: Hookup): number | null {
    return meteredCar(job, hookup);
  },

  /** A turning wheel of the simulated car, recorded; null on a real job. */
  recordSimulated(job: Job, points: Point[], rolling: boolean): Capture | null {
    return recordSimulated(job, points, rolling);
  },

  /** Where wires may be damaged, and the best next checks with piercing and without. */
  loom(job: Job): Promise<LoomView> {
    return ask(job, (belief) => loomView(job, belief));
  },

  /** Bands of the leading suspects for one hook-up. */
  strip(job: Job, hookup: Hookup): Promise<ForecastStrip> {
    return askNow(job, (belief) => forecastStrip(belief, hookup));
  },

  /** What a typed value would mean; null when it cannot be read yet. */
  preview(job: Job, hookup: Hookup, typed: string): Promise<Preview | null> {
    const parsed = typedValue(hookup, typed, job.setup);
    return parsed.ok ? askNow(job, (belief) => previewReading(belief, parsed.observed)) : Promise.resolve(null);
  },
};

export type LineUpWorker = typeof api;
expose(api);
