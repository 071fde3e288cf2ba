import type { Posterior } from "../belief/posterior";
import { isAtSensorPlug } from "../checks/sensor-gate";

/** A sensor is named only once something was read at its own plug (see `isAtSensorPlug`). */
export function sensorGatePassed({ log, setup }: Pick<Posterior, "log" | "setup">): boolean {
  return log.some(({ observation: { hookup } }) => isAtSensorPlug(hookup, setup.family));
}
