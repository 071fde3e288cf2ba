import type { Posterior } from "../belief/posterior";
import { gatePinOf, gatePins } from "../checks/module-gate";

/** The module may be named only after its own supply and ground, and this corner's own pins there, have been read. */
export function moduleGatePassed({ log }: Pick<Posterior, "log">): boolean {
  const read = new Set(log.map(({ observation: { hookup } }) => gatePinOf(hookup)));
  return gatePins.every((pin) => read.has(pin));
}
