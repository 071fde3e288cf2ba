import { cornerSetupSchema, usualCorner, type CornerSetup } from "../core/circuit/setup";
import type { Capture, Channel } from "../core/capture/capture";
import { recordCar, type RecordingOptions } from "../core/simulated/synthesise";
import { signalPoint, type Point } from "../core/circuit/point";
import { simulateCar } from "../core/simulated/simulated-car";
import { libraryItem, type LibraryItem } from "../core/library/library";
import { seeded } from "../core/random/random";
import { analyseCapture } from "../core/waveform/analyse";
import type { FindingCode } from "../core/checks/findings/findings";
import { marked } from "../core/words/words";

const PATH: CornerSetup["path"] = [
  { station: "module" },
  { spanM: 1.3, mm2: 0.5 },
  { station: "c1" },
  { spanM: 2.2, mm2: 0.5 },
  { station: "plug" },
];

interface Recording {
  /** Which simulated car it is of, where not any will do: one whose sensor now sits and now hangs. */
  car?: number;
  model: string;
  family: CornerSetup["family"];
  fault?: string;
  intermittent?: boolean;
  /** The first car of this fault that shows this is taken: a mild one may show nothing. */
  shows?: FindingCode;
  /** Another spin than the usual 15 to 10 km/h. */
  spin?: Partial<RecordingOptions>;
  /** The supply is recorded beside the signal. */
  withSupply?: boolean;
  /** What the hand or the surroundings add, sample by sample, in volts. */
  add?: (second: number, random: () => number, stepV: number) => number;
}

/** One recording for each kind of sensor in good order, one for each defect a capture shows, and what is no defect. */
const RECORDINGS: Recording[] = [
  { model: marked("Two-wire active, good"), family: "active-2wire" },
  { model: marked("Three-wire active, good"), family: "active-3wire" },
  { model: marked("Passive, good"), family: "passive" },
  { model: marked("Encoder chunk gone"), family: "active-2wire", fault: "ring-missing@ring" },
  { model: marked("Ring cracked"), family: "active-2wire", fault: "ring-cracked@ring-crack" },
  { model: marked("Debris on a tooth"), shows: "odd-tooth", family: "passive", fault: "ring-debris@ring-debris" },
  { model: marked("Excessive ring runout"), family: "passive", fault: "ring-eccentric@ring-eccentric" },
  { model: marked("Gap too wide"), family: "passive", fault: "mounting-gap@mounting" },
  { model: marked("Sensor switches by itself"), family: "active-2wire", fault: "sensor-erratic@sensor" },
  {
    model: marked("Plug terminal loose"),
    family: "active-2wire",
    fault: "terminal-open@plug.return",
    intermittent: true,
  },
  {
    model: marked("Rust under the foot, down to a stop"),
    family: "passive",
    fault: "mounting-gap@mounting",
    spin: { fromKmh: 14, toKmh: 3 },
  },
  {
    model: marked("Sensor too far off an encoder"),
    shows: "duty-shift",
    family: "active-2wire",
    fault: "mounting-gap@mounting",
  },
  { model: marked("Sensor loose in its seat"), family: "active-2wire", fault: "mounting-loose@mounting-loose", car: 3 },
  { model: marked("Bearing with play"), family: "active-2wire", fault: "bearing-play@bearing" },
  { model: marked("Tip worn by the ring"), family: "passive", fault: "sensor-worn-tip@sensor" },
  { model: marked("Coil with shorted turns"), family: "passive", fault: "sensor-shorted-turns@sensor" },
  {
    model: marked("Coil leaks, wheel at rest"),
    family: "passive",
    fault: "sensor-coil-leak@sensor",
    spin: { fromKmh: 0, toKmh: 0 },
  },
  { model: marked("Wrong ring count"), family: "active-2wire", fault: "ring-count@ring-count" },
  {
    model: marked("Return chafed to power"),
    shows: "level-out-of-window",
    family: "active-2wire",
    fault: "wire-to-power@span2.return",
  },
  {
    model: marked("Supply terminal opens"),
    shows: "supply-dip",
    family: "active-3wire",
    fault: "terminal-open@plug.supply",
    intermittent: true,
    withSupply: true,
  },
  {
    model: marked("Probe on body ground"),
    family: "active-2wire",
    add: (_, random, stepV) => 0.37 * stepV * (random() - 0.5),
  },
  { model: marked("Probe moved"), family: "active-2wire", add: (second) => (second > 2 && second < 2.001 ? 6 : 0) },
  { model: marked("Key turned on"), family: "active-2wire", add: (second) => (second < 0.4 ? -Infinity : 0) },
];
const SAMPLE_S = 1 / 4000;
const USUAL = { durationS: 4, sampleS: SAMPLE_S, fromKmh: 15, toKmh: 10, noiseV: 0.006 };

const MOST_CARS = 80;

/** The library that ships with the app: simulated, and said to be. */
export function shippedLibrary(): { item: LibraryItem; capture: Capture }[] {
  return RECORDINGS.map((recording, i) => {
    const setup = cornerSetupSchema.parse({ ...usualCorner, corner: "FL", family: recording.family, path: PATH });
    const { capture, channels } = firstThatShows(recording, setup, recording.car ?? i);
    const { model, fault, add } = recording;
    const item = libraryItem({ carName: model, setup }, channels[0]!, fault || add ? "known-bad" : "known-good", {
      id: `shipped-${i}`,
      captureId: `shipped-${i}`,
      at: "2026-01-01",
      simulated: true,
    });
    return { item: { ...item, model }, capture };
  });
}

function firstThatShows(recording: Recording, setup: CornerSetup, first: number) {
  for (let seed = first; ; seed += 100) {
    const capture = recorded(recording, setup, seed);
    const { family, tyre, pulsesPerRevolution: pulses } = setup;
    const channels = analyseCapture(capture, { pulses, tyre, family });
    const found = channels.flatMap(({ findings }) => findings.map(({ code }) => code));
    const isGood = !recording.fault && !recording.add;
    if (recording.shows ? found.includes(recording.shows) : !isGood || found.length === 0) return { capture, channels };
    if (seed > 100 * MOST_CARS)
      throw new Error(`no car with ${recording.fault ?? "nothing wrong"} shows ${recording.shows ?? "nothing"}`);
  }
}

function recorded(
  { model, fault = "nothing@none", intermittent = false, spin, withSupply, add }: Recording,
  setup: CornerSetup,
  seed: number,
): Capture {
  const car = simulateCar(setup, fault, { seed: 400 + seed, intermittent });
  const record = (point: Point) => recordCar(car, { ...USUAL, ...spin, point, seed });
  const random = seeded(900 + seed);
  const signal = record(signalPoint(setup, "plug"));
  const stepV =
    signal.reduce((most, value) => Math.max(most, value)) - signal.reduce((least, value) => Math.min(least, value));
  const samples = add ? signal.map((value, k) => Math.max(0, value + add(k * SAMPLE_S, random, stepV))) : signal;
  const channels: Channel[] = [{ name: "signal", unit: "V", samples }];
  if (withSupply)
    channels.push({
      name: "supply",
      unit: "V",
      samples: record({ at: "face", station: "plug", face: "out", conductor: "supply" }),
    });
  return { name: `${model} (simulated)`, sampleS: SAMPLE_S, startS: 0, channels };
}
