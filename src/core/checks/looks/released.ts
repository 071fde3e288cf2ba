import type { Seen } from "./look";

/** Whether the module releases this wheel on a dry stop: only a speed lost while the car still rolls does it, not a dead corner. */
export function releasesByItself({ car, module }: Seen): boolean {
  const { circuitOk, lostShare, dropOutKmh } = module();
  return (
    !car.inputFault && circuitOk && lostShare < 0.9 && (dropOutKmh > 4.5 || lostShare > 0.05 || car.ring.wobble > 0.05)
  );
}
