import type { Dimension } from "../car/dimensions";
import type { Hookup } from "../checks/hookup";

/** What stands at the wheel: no direct voltage, ohm or current depends on it. */
const AT_THE_WHEEL: ReadonlySet<Dimension> = new Set([
  "designGapMm",
  "seatMm",
  "runoutMm",
  "switchField",
  "outputFactor",
  "thresholdV",
]);
const CHARGE: ReadonlySet<Dimension> = new Set(["faradPerM", "moduleFarad", "sensorFarad"]);
const STEADY: ReadonlySet<Hookup["instrument"]> = new Set(["volts-dc", "ohms", "amps-dc"]);

/** Whether what a hook-up reads can lean on a number of the car; false saves asking. */
export function leansOn({ instrument }: Hookup, dimension: Dimension): boolean {
  if (CHARGE.has(dimension)) return instrument === "capacitance";
  return !(STEADY.has(instrument) && AT_THE_WHEEL.has(dimension));
}
