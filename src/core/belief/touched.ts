import type { Hookup } from "../checks/hookup";

const RING = 1;
const WIRES = 2;

/** What kind of reading it is to have a part in, as a bit. */
export function touchOf(hookup: Hookup): number {
  return isGauged(hookup) ? RING : WIRES;
}

/** Parts in which kinds of earlier readings have to do with this one, as bits: a gauge's have nothing to do with volts at rest. */
export function touchesThatCount(hookup: Hookup): number {
  return isGauged(hookup) || isOfTurning(hookup) ? RING | WIRES : WIRES;
}

function isGauged({ instrument }: Hookup): boolean {
  return instrument === "gauge";
}

/** What the wheel's turning makes hangs on ring and wires alike. */
function isOfTurning({ instrument }: Hookup): boolean {
  return instrument === "hertz" || instrument === "volts-ac" || instrument === "duty";
}
