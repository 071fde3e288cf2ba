import { speakIn } from "./tongue";
import { expose } from "comlink";
import type { Hookup } from "../core/checks/hookup";
import { forecastStrip, previewReading, type ForecastStrip, type Preview } from "../core/bench/forecast-strip";
import { observationsOf } from "../core/job/observations";
import { progressOf } from "../core/bench/progress";
import { readingsByStage, standingRepairs } from "../core/job/derive";
import { replay, replayNow } from "../core/job/replay";
import { diagnosisOf, rankingOf, type Diagnosis, type Ranking } from "../core/bench/diagnosis";
import type { Capture } from "../core/capture/capture";
import type { Point } from "../core/circuit/point";
import type { Job } from "../core/job/schema";
import { verification, type Verification } from "../core/bench/verify";
import { loomView, type LoomView } from "../core/bench/loom-view";
import type { Belief } from "../core/belief/belief";
import { readSimulated, recordSimulated } from "../core/simulated/simulated-reading";
import { debrief, type Debrief } from "../core/practice/debrief";
import { typedValue } from "../core/observation/typed-value";

interface Kept {
  key: string;
  readings: string[];
  belief: Belief;
}
let [current, now]: [Kept | null, Kept | null] = [null, null];

/** The line-up of the car as it is now: after a repair that of what is left in question, else as it came. */
function beliefNow(job: Job): Belief {
  const repairs = standingRepairs(job);
  if (repairs.length === 0) return beliefOf(job);
  const readings = readingsByStage(job).map((stage) => stage.map(({ id }) => id));
  const key = JSON.stringify([job.id, job.setup, job.complaint, job.priors, job.ratios, repairs, readings]);
  if (now?.key !== key) now = { key, readings: [], belief: replayNow(job) };
  return now.belief;
}

/** The line-up of a job as the car came: the one at hand, with the newest readings added, or rebuilt when the log was cut back. */
function beliefOf(job: Job): Belief {
  const key = JSON.stringify([job.id, job.setup, job.complaint, job.priors, job.ratios]);
  const { read } = observationsOf(job);
  const readings = read.map(({ entryId }) => entryId);
  const kept = current;
  if (kept?.key === key && kept.readings.every((id, i) => readings[i] === id)) {
    for (const observation of read.slice(kept.readings.length)) {
      kept.belief.learn(observation);
      kept.readings.push(observation.entryId);
    }
    return kept.belief;
  }
  current = { key, readings, belief: replay(job) };
  return current.belief;
}

const api = {
  /** The language its sentences are made in. */
  speak: speakIn,

  /** The ranking alone: there long before the next check is chosen. */
  rank(job: Job): Ranking {
    return rankingOf(beliefNow(job));
  },

  /** Everything the Bench shows of a job: of the car as it is now. */
  diagnoseNow(job: Job): Diagnosis {
    return diagnosisOf(beliefNow(job), job.policy, progressOf(job));
  },

  /** The same of the car as it came, which is what a close-out and a report tell. */
  diagnose(job: Job): Diagnosis {
    return diagnosisOf(beliefOf(job), job.policy, progressOf(job));
  },

  /** The checks to repeat after a repair, and whether they pass. */
  verify(job: Job): Verification {
    return verification(job, beliefOf(job));
  },

  /** What a finished practice job shows. */
  debrief(job: Job): Debrief {
    return debrief(job);
  },

  /** What a simulated instrument shows; null on a real job. */
  readSimulated(job: Job, hookup: Hookup): string | null {
    return readSimulated(job, hookup);
  },

  /** A turning wheel of the simulated car, recorded; null on a real job. */
  recordSimulated(job: Job, points: Point[], rolling: boolean): Capture | null {
    return recordSimulated(job, points, rolling);
  },

  /** Where wires may be damaged, and the best next checks with piercing and without. */
  loom(job: Job): LoomView {
    return loomView(job, beliefOf(job));
  },

  /** Bands of the leading suspects for one hook-up. */
  strip(job: Job, hookup: Hookup): ForecastStrip {
    return forecastStrip(beliefNow(job), hookup);
  },

  /** What a typed value would mean; null when it cannot be read yet. */
  preview(job: Job, hookup: Hookup, typed: string): Preview | null {
    const parsed = typedValue(hookup, typed, job.setup);
    return parsed.ok ? previewReading(beliefNow(job), parsed.observed) : null;
  },
};

export type LineUpWorker = typeof api;
expose(api);
