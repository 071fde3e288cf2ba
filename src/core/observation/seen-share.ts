import type { Hookup } from "../checks/hookup";

/**
 * Chance that a hook-up meets an intermittent fault while it is there: its duty for a glance at a meter, more for what
 * is watched for minutes or looked at, and seen however shortly it shows.
 * @param duty share of the time the fault is there, 0 to 1
 */
export function seenShare(hookup: Hookup, duty: number): number {
  return isLongWatch(hookup) ? Math.min(1, duty + LONGER) : duty;
}

/** What minutes of watching and moving the loom add (engineering judgement). */
const LONGER = 0.6;
const LONG: ReadonlySet<Hookup["instrument"]> = new Set(["scope", "scan", "eyes", "hands", "film"]);

function isLongWatch({ instrument, state }: Hookup): boolean {
  return LONG.has(instrument) || state.watched === true;
}
