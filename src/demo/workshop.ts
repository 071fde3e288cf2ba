import { circuitStateSchema } from "../core/circuit/state";
import { cornerSetupSchema, usualCorner } from "../core/circuit/setup";
import type { Capture } from "../core/capture/capture";
import { simulateCar, readCar, type SimulatedCar } from "../core/simulated/simulated-car";
import { recordCar } from "../core/simulated/synthesise";
import { signalPoint } from "../core/circuit/point";
import { complaintSchema } from "../core/complaint/complaint";
import { policySchema } from "../core/complaint/policy";
import { checkCatalogue } from "../core/checks/catalogue";
import { hookupKey, type Hookup } from "../core/checks/hookup";
import { readingFrom, speedReading } from "../core/observation/read-observation";
import { analyseScan, liveSpeedWord } from "../core/scanlog/analyse-scan";
import { driveLog } from "../core/simulated/drive-log";
import type { ScanLog } from "../core/scanlog/scan-log";
import { cornerJob, withCorner, withCornerJob } from "../core/job/corner-in-work";
import { JOB_VERSION, type Entry, type Job } from "../core/job/schema";
import { analyseCapture } from "../core/waveform/analyse";
import { pointText } from "../core/circuit/point";
import { demoCars, MINIBUS_PATH, type DemoCar } from "./demo-cars";
import { pastJobs } from "./past-cars";
import { readingsTaken } from "./readings-taken";

export interface DemoWorkshop {
  jobs: Job[];
  captures: { id: string; name: string; capture: Capture }[];
  scans: { id: string; name: string; log: ScanLog }[];
}

/** Which hook-ups are read on a simulated car, in order. */
export type TakesReadings = (job: Job, car: SimulatedCar, readings: number) => readonly Hookup[];

/**
 * Builds the demo workshop from its simulated cars; nothing in it is typed in by hand.
 * @param now moment the times are counted back from @param take what is read on each car: as the plan chose when it was last asked
 */
export function demoWorkshop(now: Date, take: TakesReadings = asChosen): DemoWorkshop {
  const workshop: DemoWorkshop = { jobs: [], captures: [], scans: [] };
  for (const car of demoCars) {
    const setup = cornerSetupSchema.parse({ ...usualCorner, ...car.setup, path: car.path });
    const simulated = simulateCar(setup, car.fault, { seed: car.seed, intermittent: car.intermittent ?? false });
    const at = (minutes: number) => new Date(now.getTime() - car.hoursAgo * 3_600_000 + minutes * 60_000).toISOString();
    let job: Job = {
      tastatura: JOB_VERSION,
      id: car.id,
      createdAt: at(0),
      car: { name: car.name, plate: car.plate },
      setup,
      complaint: complaintSchema.parse(car.complaint),
      policy: policySchema.parse({}),
      entries: [],
      simulated: { fault: car.fault, seed: car.seed, intermittent: car.intermittent ?? false },
    };
    if (car.capture) job = withCapture(job, car, simulated, workshop, at(4));
    if (car.drive) job = withDrive(job, car, simulated, workshop, at(5));
    job = withReadings(job, simulated, take(job, simulated, car.readings), (index) => at(6 + 3 * index));
    workshop.jobs.push(car.beside ? withCornerBeside(job, car, car.beside, at, take) : job);
  }
  workshop.jobs.push(...pastJobs(now, MINIBUS_PATH));
  return workshop;
}

/**
 * What the plan chose when it was last asked (`npm run demo-readings`): asking anew takes a minute of every build.
 * @throws Error where a check is none any more
 */
function asChosen({ id, setup, complaint }: Job): Hookup[] {
  const checks = checkCatalogue(setup, complaint.presence === "intermittent").map(({ hookup }) => hookup);
  return (readingsTaken[id] ?? []).map((key) => {
    const hookup = checks.find((one) => hookupKey(one) === key);
    if (!hookup) throw new Error(`${id} was read at ${key}, which is no check any more: npm run demo-readings.`);
    return hookup;
  });
}

function withReadings(job: Job, car: SimulatedCar, taken: readonly Hookup[], at: (index: number) => string): Job {
  const entries = taken.map((hookup, index): Entry => ({
    id: `${job.id}-${index}`,
    at: at(index),
    kind: "reading",
    reading: readingFrom(hookup, readCar(car, hookup)),
  }));
  return { ...job, entries: [...job.entries, ...entries] };
}

/** Another corner of the same car, measured on after the first. */
function withCornerBeside(
  job: Job,
  { fault, seed, readings: before }: DemoCar,
  { corner, readings }: NonNullable<DemoCar["beside"]>,
  at: (minutes: number) => string,
  take: TakesReadings,
): Job {
  const taken = withCorner(job, corner);
  const simulated = { fault, seed, intermittent: false };
  const both = { ...taken, others: { [corner]: { ...taken.others![corner]!, simulated } } };
  const view = cornerJob(both, corner)!;
  const car = simulateCar(view.setup, fault, simulated);
  return withCornerJob(
    both,
    corner,
    withReadings(view, car, take(view, car, readings), (index) => at(6 + 3 * (before + index))),
  );
}

function withDrive(job: Job, car: DemoCar, simulated: SimulatedCar, workshop: DemoWorkshop, at: string): Job {
  const log = driveLog(simulated, `${car.name}, drive`, car.seed);
  const scanId = `${car.id}-drive`;
  workshop.scans.push({ id: scanId, name: fileName(car.name, "drive"), log });
  if (car.drive !== "logged") return job;
  const reading = speedReading(liveSpeedWord(analyseScan(log, job.setup), job.setup.corner));
  const entry = { id: `${job.id}-d`, at, kind: "scan", scanId, name: log.name, reading } as const;
  return { ...job, entries: [...job.entries, entry] };
}

function fileName(car: string, what: string): string {
  return `${car.toLowerCase().replaceAll(" ", "-")}-${what}.csv`;
}

function withCapture(job: Job, car: DemoCar, simulated: SimulatedCar, workshop: DemoWorkshop, at: string): Job {
  const point = signalPoint(job.setup, "plug");
  const capture: Capture = {
    name: `${car.name}, ${job.setup.corner} ${pointText(point)}`,
    sampleS: 1 / 4000,
    startS: 0,
    channels: [
      {
        name: "signal",
        unit: "V",
        samples: recordCar(simulated, {
          point,
          durationS: 4,
          sampleS: 1 / 4000,
          ...car.spin,
          noiseV: 0.008,
          seed: car.seed,
        }),
      },
    ],
  };
  const captureId = `${car.id}-capture`;
  workshop.captures.push({
    id: captureId,
    name: fileName(car.name, job.setup.corner.toLowerCase()),
    capture,
  });
  if (car.capture !== "logged") return job;
  const [channel] = analyseCapture(capture, {
    pulses: job.setup.pulsesPerRevolution,
    tyre: job.setup.tyre,
    family: job.setup.family,
  });
  const state = circuitStateSchema.parse({ wheel: "hand", speedKmh: 7 });
  return {
    ...job,
    entries: [
      ...job.entries,
      {
        id: `${job.id}-c`,
        at,
        kind: "capture",
        captureId,
        name: capture.name,
        reading: { instrument: "scope", point: pointText(point), finding: channel!.leading, state },
      },
    ],
  };
}
