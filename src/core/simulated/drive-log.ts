import { coilRmsV, dropOutSpeedKmh } from "../ring/ring";
import { circuitStateSchema } from "../circuit/state";
import { CornerNet } from "../circuit/corner-net";
import { SolvedCorner } from "../circuit/solve";
import { normal, seeded } from "../random/random";
import type { ScanLog } from "../scanlog/scan-log";
import type { Corner } from "../units/corner";
import { modulePins, moduleView } from "../car/signal";
import type { SimulatedCar } from "./simulated-car";

const STEP_S = 0.2;
const DRIVE_S = 64;
/** Two pull-aways, two cruises, two stops, as a scan tool would log a short drive. */
const KMH_AT: [timeS: number, kmh: number][] = [
  [0, 0],
  [8, 34],
  [18, 34],
  [26, 0],
  [30, 0],
  [41, 52],
  [52, 50],
  [62, 0],
  [64, 0],
];

/**
 * Four wheel speeds of a short drive, this car's corner as its module hears it.
 * @param seed of the small differences between wheels
 * @param publishedFromKmh below this car speed the scan tool gets no value at all, as on some cars
 */
export function driveLog(car: SimulatedCar, name: string, seed: number, publishedFromKmh = 0): ScanLog {
  const { setup, condition } = car;
  const random = seeded(seed);
  const rows = Math.round(DRIVE_S / STEP_S);
  const timeS = Float64Array.from({ length: rows }, (_, i) => Math.round(i * STEP_S * 10) / 10);
  const state = circuitStateSchema.parse({ wheel: "driven", speedKmh: 30 });
  const solved = new SolvedCorner(setup, new CornerNet(setup, []));
  solved.solve(condition.circuit, state);
  const view = moduleView(condition, setup, modulePins(setup), state, solved);
  const { ring } = condition;
  const lost = !view.circuitOk || condition.inputFault || view.lostShare > 0.9;
  const noisy = condition.circuit.sensor.mode === "noisy";
  // Pulses that come and go every turn make the counted speed jump.
  const jitter = ring.missing ? ring.missing.count / ring.pulses : ring.crack ? 0.03 : 0;
  // The other wheels have good sensors of the same make, which fall under the threshold too at last.
  const goodV = coilRmsV({ ...ring, gapMm: ring.nominalGapMm, absent: false }, 10, condition.makeOutputFactor);
  const othersDropKmh = setup.family === "passive" ? dropOutSpeedKmh(goodV * Math.SQRT2, 10, condition.thresholdV) : 0;
  let awayFor = 0;
  const own = (kmh: number): number => {
    if (kmh <= 0) return 0;
    if (car.away !== null) {
      if (awayFor > 0) awayFor--;
      else if (random() < 0.035) awayFor = 1 + Math.floor(3 * random());
      return awayFor > 0 ? 0 : kmh;
    }
    if (lost || kmh < view.dropOutKmh) return 0;
    if (noisy) return kmh * (0.6 + 0.9 * random());
    if (random() < 0.3 * ring.wobble + (view.lostShare > 0.02 ? 0.06 : 0)) return 0;
    return kmh * ring.countRatio * (1 - jitter * 2 * random()) * (1 + (jitter > 0 ? 0.05 * normal(random) : 0));
  };
  const wheel = (corner: Corner) =>
    Float64Array.from(timeS, (t) => {
      const kmh = speedAt(t) * (1 + 0.002 * normal(random));
      const shown = corner === setup.corner && !condition.elsewhere ? own(kmh) : kmh < othersDropKmh ? 0 : kmh;
      if (speedAt(t) < publishedFromKmh) return NaN;
      return Math.round(10 * Math.max(0, shown)) / 10;
    });
  return { name, timeS, speedKmh: { FL: wheel("FL"), FR: wheel("FR"), RL: wheel("RL"), RR: wheel("RR") } };
}

function speedAt(t: number): number {
  const next = Math.max(
    1,
    KMH_AT.findIndex(([timeS]) => timeS >= t),
  );
  const [[t0, v0], [t1, v1]] = [KMH_AT[next - 1]!, KMH_AT[next]!];
  return v0 + ((v1 - v0) * (t - t0)) / (t1 - t0);
}
