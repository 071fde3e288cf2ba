import { conductorsOf, spansOf, type CornerSetup } from "../circuit/setup";
import { copperAt, PAIR_FARAD_PER_M } from "../circuit/wire";
import { nominalCondition } from "../circuit/condition";
import { between, logBetween, within, type CarCondition, type Fault, type Place } from "../faults/fault";
import { tolerancesOf } from "./tolerances";
import { nominalRing } from "../ring/ring";

/** How many numbers make one car: common tolerances first, then the fault's own. */
export const DRAWS = 25;
/** From this number on they belong to the fault, not to the common tolerances. */
export const FIRST_OWN_DRAW = 20;
const DUTY_DRAW = 24;

/**
 * One car of this set-up: tolerances and the fault's own size. Each number says where in its usual range a value lies:
 * 0 at the lower end, 1 at the upper; beyond both lie unusual but possible cars.
 */
export function drawCar(setup: CornerSetup, fault: Fault, place: Place, at: (draw: number) => number): CarCondition {
  const car = healthyCar(setup, at);
  fault.apply(car, place, (index) => at(FIRST_OWN_DRAW + index));
  return car;
}

/** The same car while an intermittent fault is away. */
export function drawHealthy(setup: CornerSetup, at: (draw: number) => number): CarCondition {
  return healthyCar(setup, at);
}

/** Share of the time an intermittent fault is there. */
export function dutyOf(at: (draw: number) => number): number {
  return within(at(DUTY_DRAW), 0.08, 0.85);
}

/** Places in the ranges from standard normal scores: the usual range is ±1.2 standard deviations, with normal tails. */
export function fromScores(scores: ArrayLike<number>, start: number): (draw: number) => number {
  return (draw) => 0.5 + scores[start + draw]! / 2.4;
}

/** Places in the ranges from uniform numbers, stretched about the middle. */
export function fromUniforms(uniforms: ArrayLike<number>, stretch: number): (draw: number) => number {
  return (draw) => 0.5 + (uniforms[draw]! - 0.5) * stretch;
}

function healthyCar(setup: CornerSetup, wide: (index: number) => number): CarCondition {
  const circuit = nominalCondition(setup);
  const { sensor } = circuit;
  const usual = tolerancesOf(setup);
  circuit.batteryV = between(wide(0), 12, 12.9);
  circuit.regulatorV = setup.supplyV * between(wide(1), 0.93, 1.03);
  circuit.sourceOhms = logBetween(wide(2), 5, 30);
  circuit.senseOhms = between(wide(3), ...usual.senseOhms);
  sensor.lowA = between(wide(4), ...usual.lowA);
  sensor.highA = sensor.lowA * between(wide(5), ...usual.ratio);
  sensor.coilOhms = copperAt(logBetween(wide(6), 950, 1700), between(wide(16), 5, 45));
  sensor.coldOhms = logBetween(wide(10), 20_000, 5e6);
  // Over 1 MΩ is sound (common practice); how far over is dirt and damp, and no reading through it may tell a wire whole.
  sensor.bodyOhms = logBetween(wide(15), 5e6, 5e10);
  sensor.quiescentOhms = setup.supplyV / between(wide(10), 0.004, 0.009);
  sensor.outputOhms = logBetween(wide(9), 5, 40);
  sensor.restsHigh = wide(17) > 0.5;
  circuit.pullUpOhms = logBetween(wide(8), 1000, 10_000);
  circuit.offOhms = logBetween(wide(11), 3000, 200_000);
  circuit.biasV = setup.bias ? logBetween(wide(12), 0.5, 2.5) : 0;
  circuit.biasOhms = logBetween(wide(13), 10_000, 100_000);
  circuit.inputOhms = logBetween(wide(3), 15_000, 100_000);
  circuit.earthOhms = logBetween(wide(14), 0.003, 0.05);
  circuit.feedOhms = logBetween(wide(2), 0.02, 0.12);
  circuit.insulationS = logBetween(wide(18), 1e-12, 1e-9);
  const faradPerM = between(wide(19), PAIR_FARAD_PER_M.from, PAIR_FARAD_PER_M.to);
  circuit.spanFarad = spansOf(setup).map(({ spanM }) => spanM * Math.max(faradPerM, PAIR_FARAD_PER_M.from / 2));
  const contact = logBetween(wide(9), 0.004, 0.02);
  for (const station of circuit.contactOhms)
    for (let wire = 0; wire < conductorsOf[setup.family].length; wire++) station[wire] = contact;
  const ring = nominalRing(setup.pulsesPerRevolution);
  ring.nominalGapMm = setup.family === "passive" ? 0.4 : 1;
  ring.gapMm = ring.nominalGapMm + between(wide(14), -0.12, 0.2);
  ring.runoutMm = logBetween(wide(16), 0.01, 0.06);
  return {
    circuit,
    ring,
    outputFactor: logBetween(wide(7), ...usual.outputFactor),
    switchField: logBetween(wide(8), 0.1, 0.25),
    thresholdV: logBetween(wide(12), 0.1, 0.2),
    deaf: false,
    elsewhere: false,
    othersDown: 0,
    signs: {},
  };
}
