import type { Posterior } from "../belief/posterior";
import { gatePinOf, gatePins } from "../checks/module-gate";
import type { Place } from "../faults/fault";
import type { Part } from "../faults/parts/parts";

/** The module may be named only after its own supply and ground, and this corner's own pins there, have been read. */
export function moduleGatePassed({ log }: Pick<Posterior, "log">): boolean {
  const read = new Set(log.map(({ observation: { hookup } }) => gatePinOf(hookup)));
  return gatePins.every((pin) => read.has(pin));
}

/** A terminal of the module's own plug: told from the module's channel only at the module's own pin. */
export function isAtModulePlug(part: Part, { station }: Place): boolean {
  return part === "connector" && station === 0;
}

/** Whether one of this corner's own wires has been read live at the module's pin. */
export function modulePinRead({ log }: Pick<Posterior, "log">): boolean {
  return log.some(({ observation: { hookup } }) => gatePinOf(hookup) === "corner");
}

/** Whether the module's supply or ground, or the battery, has been read: what feeds it is named by no other reading. */
export function moduleFeedRead({ log }: Pick<Posterior, "log">): boolean {
  return log.some(({ observation: { hookup } }) => {
    const pin = gatePinOf(hookup);
    if (pin === "power" || pin === "earth") return true;
    return "black" in hookup && hookup.red.at === "battery" && hookup.black.at === "battery";
  });
}
