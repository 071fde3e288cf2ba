import { t } from "../words/words";
import { gatePinOf, gatePins, type GatePin } from "../checks/module-gate";
import { standingReadings } from "../job/derive";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";

export interface GateItem {
  say: string;
  shown: string | null;
  done: boolean;
}

/** The readings at the module's own supply and ground, key on, that must be had before it is named. */
export function gateStatus(job: Job): GateItem[] {
  const found = new Map<GatePin, string>();
  for (const { reading } of standingReadings(job)) {
    const hookup = hookupOf(reading, job.setup);
    const pin = hookup.ok && gatePinOf(hookup.value);
    if (pin) found.set(pin, String(reading.value ?? reading.finding));
  }
  const say: Record<GatePin, string> = {
    power: t`battery feed at the module's own pin, key on`,
    earth: t`module ground to battery −, key on`,
    corner: t`this corner's own wires at the module's pins, key on`,
    loom: t`the loom alone, module plug disconnected: ohms to ground or between its wires`,
  };
  return gatePins.map((pin) => ({ say: say[pin], shown: found.get(pin) ?? null, done: found.has(pin) }));
}
