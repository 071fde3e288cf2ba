import { circuitStateSchema } from "../core/circuit/state";
import {
  conductorsOf,
  cornerSetupSchema,
  usualCorner,
  signalConductor,
  type CornerSetup,
  type Family,
} from "../core/circuit/setup";
import { complaintSchema } from "../core/complaint/complaint";
import { policySchema } from "../core/complaint/policy";
import { suspectables, suspectId } from "../core/faults/catalogue";
import type { Hookup } from "../core/checks/hookup";
import type { LookId } from "../core/checks/looks/looks";
import { JOB_VERSION, type Entry, type Job } from "../core/job/schema";
import { readingFrom } from "../core/observation/read-observation";
import { readCar, simulateCar } from "../core/simulated/simulated-car";
import type { Corner } from "../core/units/corner";

interface PastCar {
  name: string;
  daysAgo: number;
  corner: Corner;
  family: Family;
  fault: string;
  /** Fitted without a proof; the lamp went out all the same. */
  guess?: boolean;
  /** How many of the usual readings were taken. */
  readings: number;
}

/** Cars the night workshop has closed, put away from the board: what its history is made of. */
const past: readonly PastCar[] = [
  {
    name: "Osmund Drover 02",
    daysAgo: 11,
    corner: "RL",
    family: "passive",
    fault: "mounting-gap@mounting",
    readings: 4,
  },
  {
    name: "Tarnwick Pelican 08",
    daysAgo: 16,
    corner: "RR",
    family: "active-2wire",
    fault: "ring-missing@ring",
    readings: 5,
  },
  {
    name: "Tarnwick Pelican 14",
    daysAgo: 24,
    corner: "RL",
    family: "active-2wire",
    fault: "terminal-resistance@c1.supply",
    readings: 5,
  },
  {
    name: "Elverby Skua 07",
    daysAgo: 33,
    corner: "FL",
    family: "active-2wire",
    fault: "sensor-open@sensor",
    guess: true,
    readings: 1,
  },
  {
    name: "Halmer Teal 05",
    daysAgo: 40,
    corner: "FR",
    family: "active-3wire",
    fault: "wire-open@span2.signal",
    readings: 6,
  },
  {
    name: "Vastrel Dunlin 25",
    daysAgo: 52,
    corner: "FR",
    family: "active-2wire",
    fault: "bearing-play@bearing",
    readings: 3,
  },
  {
    name: "Brandeck Heron 30",
    daysAgo: 61,
    corner: "RR",
    family: "active-2wire",
    fault: "terminal-open@plug.supply",
    readings: 4,
  },
  {
    name: "Lorne Siskin 04",
    daysAgo: 74,
    corner: "FL",
    family: "passive",
    fault: "ring-cracked@ring-crack",
    readings: 4,
  },
  {
    name: "Orrin Gannet 12",
    daysAgo: 83,
    corner: "FR",
    family: "active-2wire",
    fault: "ring-missing@ring",
    readings: 3,
  },
  {
    name: "Sallow Plover 11",
    daysAgo: 95,
    corner: "RL",
    family: "active-2wire",
    fault: "wire-resistance@span2.supply",
    readings: 6,
  },
  {
    name: "Tarnwick Pelican 03",
    daysAgo: 107,
    corner: "RR",
    family: "active-2wire",
    fault: "mounting-gap@mounting",
    readings: 4,
  },
  {
    name: "Thessaly Curlew 19",
    daysAgo: 118,
    corner: "RR",
    family: "active-2wire",
    fault: "sensor-open@sensor",
    readings: 5,
  },
  {
    name: "Aldane Knot 08",
    daysAgo: 131,
    corner: "FR",
    family: "active-3wire",
    fault: "module-ground@module-earth",
    readings: 5,
  },
  {
    name: "Osmund Drover 09",
    daysAgo: 144,
    corner: "FR",
    family: "passive",
    fault: "sensor-open@sensor",
    guess: true,
    readings: 2,
  },
  {
    name: "Tarnwick Pelican 08",
    daysAgo: 163,
    corner: "RL",
    family: "active-2wire",
    fault: "ring-missing@ring",
    readings: 4,
  },
];

/** @param now moment the days are counted back from */
export function pastJobs(now: Date, path: CornerSetup["path"]): Job[] {
  return past.map((car, at) => {
    const setup = cornerSetupSchema.parse({ ...usualCorner, corner: car.corner, family: car.family, path });
    const seed = 500 + at;
    const simulated = simulateCar(setup, car.fault, { seed });
    const moment = (minutes: number) =>
      new Date(now.getTime() - car.daysAgo * 86_400_000 + minutes * 60_000).toISOString();
    const id = `demo-past-${at + 1}`;
    const entries: Entry[] = usual(setup)
      .slice(0, car.readings)
      .map((hookup, i) => ({
        id: `${id}-${i}`,
        at: moment(5 + 4 * i),
        kind: "reading",
        reading: readingFrom(hookup, readCar(simulated, hookup)),
      }));
    const { fault, place } = suspectables(setup).find((one) => suspectId(one.fault, one.place) === car.fault)!;
    entries.push({
      id: `${id}-repair`,
      at: moment(90),
      kind: "repair",
      ...{ fault: fault.code, place: place.id, part: fault.part, words: fault.words(place, setup) },
      ...{ share: car.guess ? 0.41 : 0.995, guess: car.guess ?? false },
    });
    return {
      tastatura: JOB_VERSION,
      id,
      createdAt: moment(0),
      car: { name: car.name, plate: `fleet ${car.name.split(" ").at(-1)}` },
      setup,
      complaint: complaintSchema.parse({ symptoms: ["lamp"] }),
      policy: policySchema.parse({}),
      entries,
      archived: true,
      simulated: { fault: car.fault, seed, intermittent: false },
    };
  });
}

/** What this workshop reads on every car, in its order. */
function usual(setup: CornerSetup): Hookup[] {
  const [first, second] = conductorsOf[setup.family];
  const signal = signalConductor(setup);
  const at = (conductor: typeof first) => ({
    at: "face" as const,
    station: "plug" as const,
    face: "out" as const,
    conductor,
  });
  const state = (parts: object = {}) => circuitStateSchema.parse(parts);
  const look = (instrument: "scan" | "hands" | "eyes", id: LookId, parts: object = {}): Hookup => ({
    instrument,
    look: id,
    state: state(parts),
  });
  const ground = { at: "battery" as const, pole: "negative" as const };
  return [
    look("scan", "speed", { wheel: "driven" }),
    look("hands", "bearing", { key: "off" }),
    look("eyes", "foot", { key: "off" }),
    { instrument: "volts-dc", red: at(first), black: ground, state: state() },
    setup.family === "passive"
      ? { instrument: "volts-ac", red: at(first), black: at(second!), state: state({ wheel: "hand", speedKmh: 7 }) }
      : { instrument: "volts-dc", red: at(signal), black: ground, state: state({ wheel: "creep" }) },
    look("eyes", "ring", { key: "off" }),
  ];
}
