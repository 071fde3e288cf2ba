import { t } from "../words/words";
import { recordCar } from "./synthesise";
import { signalPoint } from "../circuit/point";
import { meanwhileOn, readCar, simulateCar, type SimulatedCar } from "./simulated-car";
import { seeded } from "../random/random";
import { hookupKey, withMeanwhile, type Hookup } from "../checks/hookup";
import { quantityOf } from "../checks/instruments";
import { parseRange, parseReading } from "../units/reading";
import { turnsWheel } from "../checks/turns-wheel";
import { pointLabel } from "../checks/words";
import type { Point } from "../circuit/point";
import type { Capture } from "../capture/capture";
import { pointText } from "../circuit/point";
import type { Meanwhile } from "../circuit/state";
import { driveLog } from "./drive-log";
import type { ScanLog } from "../scanlog/scan-log";
import { mends } from "../belief/after-repair";
import { readingsByStage, standingReadings, standingRepairs } from "../job/derive";
import { observe } from "../observation/read-observation";
import type { Job } from "../job/schema";

/** What a simulated instrument shows, and what the fault did while it recorded. */
export interface SimulatedReading {
  shown: string;
  meanwhile: Meanwhile | null;
}

/** Takes a reading on a demo or practice job. @returns null on a real job, which has no such car */
export function readSimulated(job: Job, hookup: Hookup): SimulatedReading | null {
  const car = readSimulatedCar(job);
  if (!car) return null;
  // Two readings at the same place differ as they do in life, yet the same log gives the same numbers.
  for (let i = 0; i < 7 * job.entries.length; i++) car.random();
  const readings = readingsByStage(job).at(-1)!;
  let turns = 0;
  for (const { reading } of readings) {
    const evidence = observe(reading, job.setup);
    if (!evidence.ok) continue;
    const { hookup, value } = evidence.value;
    if (value.kind === "word") car.said.set(hookupKey(hookup), value.word);
    if (turnsWheel(hookup)) turns++;
  }
  car.stands = seeded((job.simulated?.seed ?? 1) + 101 * turns)() < 0.5 ? 0 : 1;
  car.luck = luckOf(job, hookup);
  const meanwhile = meanwhileOn(car, hookup);
  return { shown: readCar(car, withMeanwhile(hookup, meanwhile)), meanwhile };
}

/** The fault comes while all channels of one recording run, or while none does: by when the first of them was read. */
function luckOf(job: Job, { state: { recording } }: Hookup): number | null {
  if (recording === undefined) return null;
  const first = job.entries.findIndex((entry) => "reading" in entry && entry.reading.state.recording === recording);
  return seeded((job.simulated?.seed ?? 1) + 1009 * (first < 0 ? job.entries.length : first))();
}

/**
 * What a meter with its own display shows on a simulated car, in base units: one end of a pair that toggles, now and then the
 * other. Infinity is over limit. @returns null on a real job and where there is no number to show
 */
export function meteredCar(job: Job, hookup: Hookup): number | null {
  const shown = readSimulated(job, hookup)?.shown ?? null;
  const quantity = hookup.instrument === "continuity" ? "ohms" : quantityOf[hookup.instrument];
  if (shown === null || !quantity) return null;
  const ends = parseRange(shown, quantity);
  if (ends?.ok) return Date.now() % (2 * TURN_ON_MS) < TURN_ON_MS ? ends.value.low : ends.value.high;
  const read = parseReading(shown, quantity);
  if (!read.ok) return null;
  if (read.value.kind === "number") return read.value.value;
  return read.value.kind === "beep" && read.value.heard ? 0.1 : Infinity;
}

/** A wheel turned by hand is turned on by a pole about so often, in milliseconds. */
const TURN_ON_MS = 900;

/** A wheel spun by hand and left to run out, or kept turning for as long as a recorder rolls. */
const SPIN = { durationS: 5, fromKmh: 9, toKmh: 3 };
const ROLL = { durationS: 60, fromKmh: 8, toKmh: 7 };

/**
 * A turning wheel recorded at any points of a simulated car at once.
 * @param rolling for a rolling recorder: a minute of it @returns null on a real job
 */
export function recordSimulated(
  job: Job,
  points: readonly Point[] = [signalPoint(job.setup, "plug")],
  rolling = false,
): Capture | null {
  const car = readSimulatedCar(job);
  if (!car) return null;
  const sampleS = 1 / 5000;
  const seed = (job.simulated?.seed ?? 1) + job.entries.length;
  return {
    name: t`${job.car.name || t`simulated car`}, ${job.setup.corner} ${pointText(points[0]!)}, spin ${job.entries.length + 1}`,
    sampleS,
    startS: 0,
    channels: points.map((point) => ({
      name: points.length > 1 ? pointLabel(point) : t`signal`,
      unit: "V",
      samples: recordCar(car, { point, ...(rolling ? ROLL : SPIN), sampleS, noiseV: 0.008, seed }),
    })),
  };
}

/** Every third simulated car publishes no speed below this, as some cars do: no value there is no fault. */
const SHY_FROM_KMH = 3;

/** A short drive logged by a simulated scan tool. @returns null on a real job */
export function driveSimulated(job: Job): ScanLog | null {
  const car = readSimulatedCar(job);
  if (!car) return null;
  const seed = (job.simulated?.seed ?? 1) + job.entries.length;
  const publishedFromKmh = (job.simulated?.seed ?? 1) % 3 === 0 ? SHY_FROM_KMH : 0;
  return driveLog(car, t`${job.car.name || t`simulated car`}, drive ${job.entries.length + 1}`, seed, publishedFromKmh);
}

/** Unplugging cures what comes and goes for a while: so many readings long the fault hardly shows. */
const CURED_READINGS = 4;
const CURED_DUTY = 0.1;

/** The car behind the job as it is now: with what is wrong with it less what was repaired. */
export function readSimulatedCar(job: Job): SimulatedCar | null {
  if (!job.simulated) return null;
  const repairs = standingRepairs(job);
  const car = simulateCar(job.setup, job.simulated.fault, {
    ...job.simulated,
    isRepaired: (one) => repairs.some((repair) => mends(repair, one)),
  });
  const cured = standingReadings(job)
    .slice(-CURED_READINGS)
    .some(({ reading }) => reading.state.unplugged.length > 0);
  return cured && car.away ? { ...car, duty: car.duty * CURED_DUTY } : car;
}
