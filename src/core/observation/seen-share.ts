import type { Hookup } from "../checks/hookup";
import type { Meanwhile } from "../circuit/state";
import { lookOf } from "../checks/looks/looks";

/**
 * Chance that whoever drives while something is recorded says the fault came, or stayed away.
 * @param duty share of the time the fault is there, 0 to 1; 0 of a car without one
 */
export function meanwhileChance(meanwhile: Meanwhile, duty: number): number {
  const occurs = 1 - (1 - duty) ** DRIVEN;
  const came = NOTICED * occurs + FALSELY * (1 - occurs);
  return meanwhile === "came" ? came : 1 - came;
}

/** So many glances the same hours of driving are worth: what comes shortly may be missed by what records it. */
const DRIVEN = 14;
/** A lamp or a live speed that nobody looked at just then, or a lamp of something else (engineering judgement). */
const NOTICED = 0.9;
const FALSELY = 0.02;

/**
 * Chance that a hook-up meets an intermittent fault while it is there: its duty for a glance at a meter, more for what
 * is watched for minutes, and seen however shortly it shows. A green terminal, a code kept, a wire that gives
 * way when moved are there all the time. Where it was said whether the fault came meanwhile, given that.
 * @param duty share of the time the fault is there, 0 to 1
 */
export function seenShare(hookup: Hookup, duty: number): number {
  if ("look" in hookup && !lookOf(hookup.look).ofTheMoment) return 1;
  const seen = 1 - (1 - duty) ** glances(hookup);
  const { meanwhile } = hookup.state;
  if (!meanwhile) return seen;
  return (seen * (meanwhile === "came" ? NOTICED : 1 - NOTICED)) / meanwhileChance(meanwhile, duty);
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
