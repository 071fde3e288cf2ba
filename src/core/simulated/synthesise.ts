import { CornerNet } from "../circuit/corner-net";
import type { Point } from "../circuit/point";
import { SolvedCorner } from "../circuit/solve";
import { circuitStateSchema } from "../circuit/state";
import { normal, seeded } from "../random/random";
import { PASSIVE_REFERENCE, fieldFactor, type RingCondition } from "../ring/ring";
import { tyreOf, rollingCircumferenceM } from "../tyre/tyre";
import type { SimulatedCar } from "./simulated-car";

export interface RecordingOptions {
  point: Point;
  durationS: number;
  sampleS: number;
  /** Speed at the start and at the end, km/h; a hand spin runs down. */
  fromKmh: number;
  toKmh: number;
  /** RMS noise, volts. */
  noiseV: number;
  seed: number;
}

/** What a scope on `point` would record from this car while the wheel turns. */
export function recordCar(car: SimulatedCar, options: RecordingOptions): Float32Array {
  const { setup, condition } = car;
  const samples = Math.round(options.durationS / options.sampleS);
  const out = new Float32Array(samples);
  const random = seeded(options.seed);
  const levels = levelsAt(car, options.point);
  const circumferenceM = rollingCircumferenceM(tyreOf(setup.tyre));
  const teeth = toothTable(condition.ring, options.seed);
  const dropouts = car.away ? dropoutTimes(car, options.durationS, random) : [];
  const opened = openedTimes(condition.ring.wobble, options.durationS, random);
  let turns = random();
  let stray = false;
  for (let i = 0; i < samples; i++) {
    const t = i * options.sampleS;
    const kmh = options.fromKmh + ((options.toKmh - options.fromKmh) * t) / options.durationS;
    turns += ((kmh / 3.6) * condition.ring.countRatio * options.sampleS) / circumferenceM;
    const angle = eccentricAngle(turns, condition.ring);
    const open = opened.some(([from, to]) => t >= from && t < to);
    const here = car.away === null || dropouts.some(([from, to]) => t >= from && t < to);
    const at = here ? levels.present : levels.away!;
    const tooth = toothAt(teeth, angle - Math.floor(angle));
    const field = open ? OPENED_FIELD : 1;
    const noisy = here && condition.circuit.sensor.mode === "noisy";
    if (noisy && random() < options.sampleS / NOISY_EVERY_S) stray = !stray;
    const signal =
      setup.family === "passive"
        ? at.low + field * passiveV(car, at.high, tooth, kmh)
        : activeV(condition, at, tooth, field);
    out[i] = (noisy ? strayV(setup.family === "passive", at, stray, random) : signal) + options.noiseV * normal(random);
  }
  return out;
}

interface Levels {
  low: number;
  high: number;
}

/** Volts at the point: both levels (active), or resting level and share of the coil's voltage (passive). */
function levelsAt(car: SimulatedCar, point: Point): { present: Levels; away: Levels | null } {
  const state = circuitStateSchema.parse({ wheel: "hand" });
  const solved = new SolvedCorner(car.setup, new CornerNet(car.setup, point.at === "span" ? [point] : []));
  const read = (condition: SimulatedCar["condition"]): Levels => {
    solved.solve(condition.circuit, state);
    if (car.setup.family !== "passive") {
      const { mode, restsHigh } = condition.circuit.sensor;
      const [low, high] = [solved.potential(point, "low"), solved.potential(point, "high")];
      return mode === "stuck" ? { low: restsHigh ? high : low, high: restsHigh ? high : low } : { low, high };
    }
    const other: Point =
      point.at === "face" || point.at === "span" ? { ...point, conductor: point.conductor === "a" ? "b" : "a" } : point;
    return { low: 0, high: solved.coilTransfer(point, other) };
  };
  return { present: read(car.condition), away: car.away ? read(car.away) : null };
}

interface Tooth {
  from: number;
  to: number;
  height: number;
  gone: boolean;
}

/** The ring as a list of pitches by angle (0 to 1), each with its height. */
function toothTable(ring: RingCondition, seed: number): Tooth[] {
  const random = seeded(seed ^ 0x5bd1e995);
  const widths = Array.from(
    { length: ring.pulses },
    (_, tooth) =>
      1 +
      ring.pitchSpread * normal(random) +
      (ring.crack?.tooth === tooth
        ? ring.crack.pitches
        : ring.crack && (ring.crack.tooth + 1) % ring.pulses === tooth
          ? -ring.crack.pitches * 0.6
          : 0),
  );
  const total = widths.reduce((sum, width) => sum + width, 0);
  let at = 0;
  return widths.map((width, tooth): Tooth => {
    const from = at;
    at += width / total;
    const runout = ring.runoutMm * Math.sin(2 * Math.PI * from);
    const field = fieldFactor({ ...ring, gapMm: ring.gapMm + runout });
    const odd = ring.odd?.tooth === tooth ? ring.odd.height : 1;
    const gone = ring.missing !== null && (tooth - ring.missing.start + ring.pulses) % ring.pulses < ring.missing.count;
    return { from, to: at, height: field * odd * (1 + ring.heightSpread * normal(random)), gone };
  });
}

function toothAt(teeth: readonly Tooth[], turn: number): { tooth: Tooth; phase: number } {
  let at = Math.min(teeth.length - 1, Math.floor(turn * teeth.length));
  while (at > 0 && teeth[at]!.from > turn) at--;
  while (at < teeth.length - 1 && teeth[at]!.to <= turn) at++;
  const tooth = teeth[at]!;
  return { tooth, phase: (turn - tooth.from) / (tooth.to - tooth.from) };
}

/** A sine a tooth, amplitude by Faraday's law; a missing tooth leaves a flat place. */
function passiveV(
  car: SimulatedCar,
  transfer: number,
  { tooth, phase }: { tooth: Tooth; phase: number },
  kmh: number,
): number {
  if (tooth.gone) return 0;
  const peak =
    ((Math.SQRT2 * PASSIVE_REFERENCE.volts * kmh) / PASSIVE_REFERENCE.speedKmh) *
    car.condition.outputFactor *
    tooth.height *
    transfer;
  return peak * Math.sin(2 * Math.PI * phase);
}

/**
 * High while the pole pair's sine stands over the sensor's own offset, which makes the high share acos(offset/field)/π:
 * it falls from half as the field weakens. A pair under the switching field, or gone, leaves the output parked.
 */
function activeV(
  { ring, switchField }: SimulatedCar["condition"],
  levels: Levels,
  { tooth, phase }: { tooth: Tooth; phase: number },
  opened: number,
): number {
  const field = tooth.height * opened;
  if (ring.absent || tooth.gone || field < switchField) return levels.low;
  return phase < Math.acos(Math.min(1, SENSOR_OFFSET / field)) / Math.PI ? levels.high : levels.low;
}

/** Field at which the sensor's output turns, against that at the nominal gap: usual sensors are a little off zero. */
const SENSOR_OFFSET = 0.08;

/** A sensor that switches by itself, or a leaking coil: its output has nothing to do with the wheel. */
function strayV(passive: boolean, levels: Levels, stray: boolean, random: () => number): number {
  if (passive) return STRAY_COIL_V * normal(random);
  return stray ? levels.high : levels.low;
}

const STRAY_COIL_V = 0.08;
const NOISY_EVERY_S = 0.004;

/** The angle of the ring the sensor faces: a centre off by e on a radius R leads and lags by e/R, once a turn. */
function eccentricAngle(turns: number, { runoutMm, diameterMm }: RingCondition): number {
  return turns + (runoutMm / (diameterMm / 2) / (2 * Math.PI)) * Math.sin(2 * Math.PI * turns);
}

/** Short stretches in which play or a loose seat opens the gap beyond use, adding up to its share of the time. */
function openedTimes(share: number, durationS: number, random: () => number): [number, number][] {
  const count = Math.ceil((share * durationS) / OPENED_S);
  return Array.from({ length: count }, (): [number, number] => {
    const from = random() * durationS;
    return [from, from + OPENED_S];
  });
}

const OPENED_S = 0.08;
/** What is left of the field meanwhile. */
const OPENED_FIELD = 0.08;

/** Stretches in which an intermittent fault shows, at random places. */
function dropoutTimes(car: SimulatedCar, durationS: number, random: () => number): [number, number][] {
  const count = 2 + Math.floor(3 * random() + 6 * car.duty);
  return Array.from({ length: count }, (): [number, number] => {
    const from = random() * durationS;
    return [from, from + 0.03 + random() * 0.15];
  });
}
