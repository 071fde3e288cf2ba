import { circuitStateSchema } from "../core/circuit/state";
import { cornerSetupSchema, usualCorner, type CornerSetup } from "../core/circuit/setup";
import type { Capture } from "../core/capture/capture";
import { simulateCar, readCar, type SimulatedCar } from "../core/simulated/simulated-car";
import { recordCar } from "../core/simulated/synthesise";
import { signalPoint } from "../core/circuit/point";
import { complaintSchema, type Complaint } from "../core/complaint/complaint";
import { policySchema } from "../core/complaint/policy";
import { checkCatalogue } from "../core/checks/catalogue";
import { hookupKey, type Hookup } from "../core/checks/hookup";
import { readingFrom, speedReading } from "../core/observation/read-observation";
import { analyseScan, liveSpeedWord } from "../core/scanlog/analyse-scan";
import { driveLog } from "../core/simulated/drive-log";
import type { ScanLog } from "../core/scanlog/scan-log";
import { cornerJob, withCorner, withCornerJob } from "../core/job/corner-in-work";
import { JOB_VERSION, type Entry, type Job } from "../core/job/schema";
import type { Corner } from "../core/units/corner";
import { analyseCapture } from "../core/waveform/analyse";
import { pointText } from "../core/circuit/point";
import { pastJobs } from "./past-cars";
import { readingsTaken } from "./readings-taken";

interface DemoCar {
  id: string;
  name: string;
  plate: string;
  hoursAgo: number;
  setup: Partial<CornerSetup>;
  path: CornerSetup["path"];
  complaint: Partial<Complaint>;
  fault: string;
  seed: number;
  intermittent?: boolean;
  /** How many readings were taken already, by the plan's own choice. */
  readings: number;
  capture: "logged" | "to-drop" | null;
  /** A drive logged with the scan tool. */
  drive?: "logged" | "to-drop";
  spin: { fromKmh: number; toKmh: number };
  /** Another corner in work, of the same fault and the same car, and how many readings were taken there. */
  beside?: { corner: Corner; readings: number };
}

const MINIBUS_PATH: CornerSetup["path"] = [
  { station: "module", accessMin: 35, landmark: "under the battery tray" },
  { spanM: 1.4, mm2: 0.5, landmark: "battery tray" },
  { station: "c1", accessMin: 4, landmark: "inner sill" },
  { spanM: 3.2, mm2: 0.5, landmark: "frame rail top", exposure: 2 },
  { station: "plug", accessMin: 7, landmark: "rear arch" },
];
const SHORT_PATH: CornerSetup["path"] = [
  { station: "module", accessMin: 30 },
  { spanM: 1.1, mm2: 0.5, landmark: "bulkhead" },
  { station: "c1", accessMin: 3, landmark: "strut tower" },
  { spanM: 0.9, mm2: 0.5, landmark: "front arch", exposure: 2 },
  { station: "plug", accessMin: 6 },
];

/** The night workshop of an invented island transport co-operative. */
const cars: DemoCar[] = [
  {
    id: "demo-pelican",
    name: "Tarnwick Pelican 14",
    plate: "fleet 14",
    hoursAgo: 1,
    setup: { corner: "RR", family: "active-2wire" },
    path: MINIBUS_PATH,
    complaint: { codes: ["C003C-39"], symptoms: ["lamp"], recentWork: ["bearing"] },
    fault: "ring-missing@ring",
    seed: 14,
    readings: 2,
    capture: "to-drop",
    spin: { fromKmh: 9, toKmh: 3 },
  },
  {
    id: "demo-drover",
    name: "Osmund Drover 09",
    plate: "fleet 09",
    hoursAgo: 5,
    setup: { corner: "FL", family: "passive", pulsesPerRevolution: 44, tyre: "235/75R15" },
    path: SHORT_PATH,
    complaint: { codes: ["C0031-21"], symptoms: ["false-abs-low-speed", "pulls-under-braking"] },
    fault: "mounting-gap@mounting",
    seed: 9,
    readings: 1,
    capture: "logged",
    spin: { fromKmh: 10, toKmh: 6 },
  },
  {
    id: "demo-skua",
    name: "Elverby Skua 03",
    plate: "fleet 03",
    hoursAgo: 26,
    setup: { corner: "RL", family: "active-2wire" },
    path: MINIBUS_PATH,
    complaint: { codes: ["C0037-13"], symptoms: ["lamp"] },
    fault: "wire-open@span2.supply",
    seed: 3,
    readings: 5,
    capture: null,
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-teal",
    name: "Halmer Teal 21",
    plate: "fleet 21",
    hoursAgo: 49,
    setup: { corner: "FR", family: "active-3wire", supplyV: 8 },
    path: SHORT_PATH,
    complaint: { codes: ["C0034-31"], symptoms: ["lamp", "when-wet"] },
    fault: "terminal-open@plug.ground",
    seed: 21,
    readings: 0,
    capture: null,
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-heron",
    name: "Brandeck Heron 30",
    plate: "fleet 30",
    hoursAgo: 3,
    setup: { corner: "FL", family: "active-2wire", pulsesPerRevolution: 46 },
    path: SHORT_PATH,
    complaint: { codes: ["C0033-38"], symptoms: ["lamp"] },
    fault: "ring-cracked@ring-crack",
    seed: 30,
    readings: 1,
    capture: "logged",
    drive: "to-drop",
    spin: { fromKmh: 9, toKmh: 3 },
  },
  {
    id: "demo-plover",
    name: "Sallow Plover 11",
    plate: "fleet 11",
    hoursAgo: 7,
    setup: { corner: "RR", family: "active-2wire" },
    path: MINIBUS_PATH,
    complaint: {
      presence: "intermittent",
      codes: ["C003A-1F"],
      symptoms: ["lamp", "after-bumps"],
      note: "Lamp for some minutes after the quay road, then out again.",
    },
    fault: "terminal-open@c1.supply",
    seed: 11,
    intermittent: true,
    readings: 2,
    capture: "logged",
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-gannet",
    name: "Orrin Gannet 17",
    plate: "fleet 17",
    hoursAgo: 30,
    setup: { corner: "FR", family: "active-2wire", sense: "high" },
    path: SHORT_PATH,
    complaint: { presence: "intermittent", codes: ["C0034-2F"], symptoms: ["lamp", "when-wet"] },
    fault: "water-bridge@plug",
    seed: 17,
    intermittent: true,
    readings: 3,
    capture: null,
    drive: "logged",
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-wren",
    name: "Dunmere Wren 02",
    plate: "fleet 02",
    hoursAgo: 52,
    setup: { corner: "RL", family: "active-2wire" },
    path: SHORT_PATH,
    complaint: { codes: ["C0037-62"], symptoms: ["lamp"], recentWork: ["tyres"] },
    fault: "tyre-size@tyre",
    seed: 2,
    readings: 3,
    capture: null,
    drive: "logged",
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-dunlin",
    name: "Vastrel Dunlin 25",
    plate: "fleet 25",
    hoursAgo: 54,
    setup: { corner: "FL", family: "active-2wire" },
    path: SHORT_PATH,
    complaint: { codes: ["C0032-16", "C0035-16", "C0038-16"], symptoms: ["lamp"] },
    fault: "shared-supply@shared-supply",
    seed: 25,
    readings: 3,
    capture: null,
    drive: "to-drop",
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-siskin",
    name: "Lorne Siskin 06",
    plate: "fleet 06",
    hoursAgo: 75,
    setup: { corner: "FR", family: "passive", pulsesPerRevolution: 44, tyre: "195/70R15" },
    path: SHORT_PATH,
    complaint: { codes: ["C0034-25"], symptoms: ["false-abs-low-speed"], recentWork: ["brakes"] },
    fault: "ring-debris@ring-debris",
    seed: 6,
    readings: 1,
    capture: "logged",
    drive: "to-drop",
    spin: { fromKmh: 10, toKmh: 6 },
  },
  {
    id: "demo-curlew",
    name: "Thessaly Curlew 19",
    plate: "fleet 19",
    hoursAgo: 98,
    setup: { corner: "RL", family: "active-2wire" },
    path: MINIBUS_PATH,
    complaint: { codes: ["C0037-31"], symptoms: ["lamp"], recentWork: ["bearing"] },
    fault: "encoder-reversed@ring-reversed",
    seed: 19,
    readings: 4,
    capture: null,
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-knot",
    name: "Aldane Knot 08",
    plate: "fleet 08",
    hoursAgo: 120,
    setup: { corner: "RR", family: "active-3wire", supplyV: 5, pullUpV: 5 },
    path: SHORT_PATH,
    complaint: { codes: ["C003A-29"], note: "Code stored once, months ago; lamp never seen by the driver." },
    fault: "nothing@none",
    seed: 8,
    readings: 6,
    capture: "logged",
    spin: { fromKmh: 9, toKmh: 3 },
  },
  {
    id: "demo-fulmar",
    name: "Corrin Fulmar 33",
    plate: "fleet 33",
    hoursAgo: 3,
    setup: { corner: "FL", family: "active-2wire" },
    path: SHORT_PATH,
    complaint: {
      codes: ["C0031-01", "C0034-01"],
      symptoms: ["lamp", "functions-lost"],
      note: "Both fronts at once, since the battery was changed on the ferry.",
    },
    fault: "module-ground@module-earth",
    seed: 15,
    readings: 2,
    capture: null,
    spin: { fromKmh: 9, toKmh: 3 },
    beside: { corner: "FR", readings: 1 },
  },
];

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
  for (const car of cars) {
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
  const entries = taken.map(
    (hookup, index): Entry => ({
      id: `${job.id}-${index}`,
      at: at(index),
      kind: "reading",
      reading: readingFrom(hookup, readCar(car, hookup)),
    }),
  );
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
