import type { Point } from "../circuit/point";
import type { SensorLevel } from "../circuit/corner-net";
import { conductorsOf, type CornerSetup } from "../circuit/setup";
import type { SolvedCorner } from "../circuit/solve";
import type { CircuitState } from "../circuit/state";
import type { CarCondition } from "../faults/fault";
import { coilRmsV, dropOutSpeedKmh, lostPoleShare } from "../ring/ring";

/** What reaches the module from a turning wheel. */
export interface ModuleView {
  /** The electrical side could carry a good signal to the module. */
  circuitOk: boolean;
  /** Levels reach the module but outside its windows. */
  levelsOff: boolean;
  /** Passive: the volts a module holds both legs at are pulled away from where it holds them. */
  biasOff: boolean;
  /** Passive: speed in km/h under which the module hears nothing. */
  dropOutKmh: number;
  /** Active: share of pulses lost to a weak field. */
  lostShare: number;
}

/** The window threshold between the two currents: midway on a 7/14 mA sensor, with the margin a receiver keeps. */
const SENSE_LIMITS_A = { lowBelow: 0.0095, highAbove: 0.0105, highBelow: 0.024 } as const;
const LOGIC_LIMITS_V = { lowBelow: 0.3, highAbove: 0.6 } as const;

/** How the module sees this car's corner with the key on and everything as `state` has it. @param solved this car, solved in this state */
export function moduleView(
  car: CarCondition,
  setup: CornerSetup,
  pins: readonly Point[],
  state: CircuitState,
  solved: SolvedCorner,
): ModuleView {
  const view: ModuleView = {
    circuitOk: false,
    levelsOff: false,
    biasOff: false,
    dropOutKmh: Infinity,
    lostShare: lostShareOf(car, setup),
  };
  if (state.key === "off" || state.batteryOff || car.circuit.batteryV < 8.5 || modulePowerV(solved) < 8) return view;
  if (setup.family === "passive") {
    const heard = solved.coilTransfer(pins[0]!, pins[1]!);
    const rmsAt10 = coilRmsV(car.ring, 10, car.outputFactor) * heard;
    // A coil that leaks to its body still puts its volts across the pair.
    view.circuitOk = heard > 0.3 && (car.circuit.sensor.mode === "alive" || car.circuit.sensor.mode === "noisy");
    view.levelsOff = !view.circuitOk && heard > 0.02;
    view.biasOff = isPulledAway(car.circuit, pins, solved);
    view.dropOutKmh = dropOutSpeedKmh(rmsAt10 * Math.SQRT2, 10, car.thresholdV);
    return view;
  }
  view.dropOutKmh = 0;
  const [low, high] = (["low", "high"] as const).map((level) => senseQuantity(car, setup, pins, solved, level));
  if (setup.family === "active-3wire")
    view.circuitOk = low! < LOGIC_LIMITS_V.lowBelow && high! > LOGIC_LIMITS_V.highAbove;
  else
    view.circuitOk =
      low! < SENSE_LIMITS_A.lowBelow && high! > SENSE_LIMITS_A.highAbove && high! < SENSE_LIMITS_A.highBelow;
  view.levelsOff = !view.circuitOk && Math.abs(high! - low!) > (setup.family === "active-3wire" ? 0.05 : 0.002);
  return view;
}

function isPulledAway(
  { biasV, legOhms }: CarCondition["circuit"],
  pins: readonly Point[],
  solved: SolvedCorner,
): boolean {
  if (biasV === 0 || legOhms < Infinity) return false;
  const earthV = solved.potential({ at: "module", pin: "earth" }, "low");
  return pins.some((pin) => Math.abs(solved.potential(pin, "low") - earthV - biasV) > PULLED_AWAY * biasV);
}

/** A leg this part of its bias away from it is faulty to a module that watches it (engineering judgement). */
const PULLED_AWAY = 0.5;

/** Pulses that a weak field keeps an active sensor from making, whatever the circuit is like. */
function lostShareOf(car: CarCondition, { family }: CornerSetup): number {
  if (family === "passive") return 0;
  return car.circuit.sensor.mode === "stuck" ? 1 : lostPoleShare(car.ring, car.switchField);
}

/** Amperes in the sense resistor (two-wire), or the output as a share of the pull-up voltage (three-wire). */
function senseQuantity(
  car: CarCondition,
  setup: CornerSetup,
  pins: readonly Point[],
  solved: SolvedCorner,
  level: SensorLevel,
): number {
  if (setup.family === "active-3wire") return solved.potential(pins[2]!, level) / car.circuit.pullUpV;
  if (car.circuit.senseHigh) return solved.suppliedAmps(level);
  const earth = solved.potential({ at: "module", pin: "earth" }, level);
  return (solved.potential(pins[1]!, level) - earth) / car.circuit.senseOhms;
}

function modulePowerV(solved: SolvedCorner): number {
  return (
    solved.potential({ at: "module", pin: "power" }, "low") - solved.potential({ at: "module", pin: "earth" }, "low")
  );
}

/** The module's own pins for this corner, in conductor order. */
export function modulePins({ family }: CornerSetup): Point[] {
  return conductorsOf[family].map((conductor): Point => ({ at: "face", station: "module", face: "in", conductor }));
}
