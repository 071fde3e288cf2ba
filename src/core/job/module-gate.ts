import { t } from "../words/words";
import { isGateCheck } from "../lineup/suspects";
import { standingReadings } from "./derive";
import { hookupOf } from "./reading";
import type { Job } from "./schema";

export interface GateItem {
  say: string;
  shown: string | null;
  done: boolean;
}

/** The readings at the module's own supply and ground, key on, that must be had before it is named. */
export function gateStatus(job: Job): GateItem[] {
  const found = new Map<string, string>();
  for (const { reading } of standingReadings(job)) {
    const hookup = hookupOf(reading, job.setup);
    if (hookup.ok && isGateCheck(hookup.value) && "red" in hookup.value && hookup.value.red.at === "module")
      found.set(hookup.value.red.pin, String(reading.value));
  }
  return [
    { pin: "power", say: t`battery feed at the module's own pin, key on` },
    { pin: "earth", say: t`module ground to battery −, key on` },
  ].map(({ pin, say }) => ({ say, shown: found.get(pin) ?? null, done: found.has(pin) }));
}
