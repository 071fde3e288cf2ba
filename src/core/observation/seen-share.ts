import type { Hookup } from "../checks/hookup";

/**
 * Chance that a hook-up meets an intermittent fault while it is there: its duty for a glance at a meter, more for what
 * is watched for minutes or looked at, and seen however shortly it shows.
 * @param duty share of the time the fault is there, 0 to 1
 */
export function seenShare(hookup: Hookup, duty: number): number {
  return isLongWatch(hookup) ? 1 - (1 - duty) ** CHANCES : duty;
}

/** Minutes of watching and moving the loom are worth so many glances, each with its own chance (engineering judgement). */
const CHANCES = 3;
const LONG: ReadonlySet<Hookup["instrument"]> = new Set(["scope", "scan", "eyes", "hands", "film"]);

function isLongWatch({ instrument, state }: Hookup): boolean {
  return LONG.has(instrument) || state.watched === true;
}
