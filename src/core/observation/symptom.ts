import type { CornerSetup } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import type { CarCondition } from "../faults/fault";
import { StateReader } from "./reader";
import type { Whereabouts } from "../car/whereabouts";

/** Tells whether the module would notice: a car that drives with a faultless live speed brings no customer. */
export class SymptomWatch {
  private readonly reader: StateReader;

  constructor(setup: CornerSetup) {
    const state = circuitStateSchema.parse({ wheel: "driven", speedKmh: 30 });
    this.reader = new StateReader(setup, state, [{ instrument: "scan", look: "speed", state }]);
  }

  /** Whether this car, its fault present, shows anything but a speed that follows the wheel. */
  shows(car: CarCondition, where: Whereabouts): boolean {
    if (car.circuit.feedOhms + car.circuit.earthOhms > PUMP_STOPS_OHMS) return true;
    this.reader.take(car);
    return this.reader.outlook(0, { ...where, comesAndGoes: false }).chances[0]! < 0.5;
  }
}

/** The pump of an ABS draws some 20 A (from memory): with more than this before or behind it the module loses five volts. */
const PUMP_STOPS_OHMS = 0.25;
