import type { Hookup } from "../checks/hookup";
import { lookOf } from "../checks/looks/looks";

/**
 * Chance that a hook-up meets an intermittent fault while it is there: its duty for a glance at a meter, more for what
 * is watched for minutes, and seen however shortly it shows. A green terminal, a code kept, a wire that gives
 * way when moved are there all the time.
 * @param duty share of the time the fault is there, 0 to 1
 */
export function seenShare(hookup: Hookup, duty: number): number {
  if ("look" in hookup && !lookOf(hookup.look).ofTheMoment) return 1;
  return 1 - (1 - duty) ** glances(hookup);
}

/** How many glances, each with its own chance, a check is worth (engineering judgement). */
function glances(hookup: Hookup): number {
  if (hookup.state.recorded) return RECORDED;
  if (hookup.state.watched) return WATCHED;
  if ("look" in hookup && lookOf(hookup.look).glance) return 1;
  return LONG.has(hookup.instrument) ? WHILE_TURNING : 1;
}

/** Minutes of watching and moving the loom; hours of driving, steering and weather. */
const WATCHED = 3;
const RECORDED = 10;
/** A drive, or some turns recorded. */
const WHILE_TURNING = 2;
const LONG: ReadonlySet<Hookup["instrument"]> = new Set(["scope", "scan", "eyes", "hands", "film"]);
