import { stateKey } from "../circuit/state";
import type { Hookup } from "./hookup";

/**
 * One word for all hook-ups that can be read at one time, by a second channel or a second meter: all wait for what comes and
 * goes, on a car that stands or drives alike, with instruments that do not disturb each other. Null for one that cannot.
 */
export function waitsAlike(hookup: Hookup): string | null {
  return isWaiting(hookup) && SIDE_BY_SIDE.has(hookup.instrument)
    ? `${hookup.instrument} ${stateKey(hookup.state)}`
    : null;
}

/** Whether a hook-up is left on for a while, in which what comes and goes may come. */
export function isWaiting({ instrument, state }: Pick<Hookup, "instrument" | "state">): boolean {
  return state.watched === true || state.recorded === true || (instrument === "scope" && state.wheel !== "still");
}

const SIDE_BY_SIDE: ReadonlySet<Hookup["instrument"]> = new Set(["volts-dc", "scope"]);

/** The same hook-up as a channel of a recording of that name; null for one by itself. */
export function asChannel<H extends Hookup>(hookup: H, recording: string | null): H {
  const state = { ...hookup.state };
  delete state.recording;
  return { ...hookup, state: recording !== null && isWaiting(hookup) ? { ...state, recording } : state };
}
