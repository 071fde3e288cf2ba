import type { LookInstrument } from "./instruments";
import { parsePoint, pointText, type Point } from "../circuit/point";
import type { CornerSetup } from "../circuit/setup";
import { stateKey, type CircuitState, type Meanwhile } from "../circuit/state";
import type { LookId } from "./looks/looks";

/** A physical description of one measurement: instrument, where both probes stand, and what the car is doing. */
export type Hookup =
  | {
      instrument: "volts-dc" | "volts-ac" | "ohms" | "continuity" | "capacitance" | "amps-dc" | "hertz" | "duty";
      red: Point;
      black: Point;
      state: CircuitState;
    }
  | { instrument: "lamp"; red: Point; black: Point; state: CircuitState }
  | { instrument: "scope"; red: Point; state: CircuitState }
  | { instrument: LookInstrument; look: LookId; state: CircuitState };

/** Names a hook-up: two readings with the same key were taken the same way. */
export function hookupKey(hookup: Hookup): string {
  const known = keys.get(hookup);
  if (known !== undefined) return known;
  const key = makeKey(hookup);
  keys.set(hookup, key);
  return key;
}

/** Planning asks for a hundred names a reading; a hook-up never changes, so neither does its name. */
const keys = new WeakMap<Hookup, string>();

function makeKey(hookup: Hookup): string {
  const where =
    "look" in hookup ? hookup.look : pointText(hookup.red) + ("black" in hookup ? `>${pointText(hookup.black)}` : "");
  return `${hookup.instrument}:${where}:${stateKey(hookup.state)}`;
}

/** The same hook-up with what the fault did meanwhile; null where nobody looked. Only of what is recorded for hours is it asked. */
export function withMeanwhile<H extends Hookup>(hookup: H, meanwhile: Meanwhile | null): H {
  const state = { ...hookup.state };
  delete state.meanwhile;
  return { ...hookup, state: meanwhile && state.recorded ? { ...state, meanwhile } : state };
}

/** The points a hook-up touches. */
export function pointsOf(hookup: Hookup): Point[] {
  if (!("red" in hookup)) return [];
  return "black" in hookup ? [hookup.red, hookup.black] : [hookup.red];
}

/** Whether this is that look. */
export function isLook(hookup: Hookup, id: LookId): boolean {
  return "look" in hookup && hookup.look === id;
}

/** Live DC while the wheel is turned a few degrees at a time: one level, then the other, is what it is to show. */
export function isToggleTest(hookup: Hookup): boolean {
  return hookup.instrument === "volts-dc" && hookup.state.wheel === "creep" && hookup.state.key === "on";
}

/** Hook-ups that can share one solve of the circuit, together. */
export function byState(hookups: readonly Hookup[]): Hookup[][] {
  const shared = new Map<string, Hookup[]>();
  for (const hookup of hookups) {
    const key = hookup.instrument === "lamp" ? hookupKey(hookup) : stateKey(hookup.state);
    shared.set(key, [...(shared.get(key) ?? []), hookup]);
  }
  return [...shared.values()];
}

/** All the points a hook-up touches on spans, for which the netlist needs a node. */
export function piercedPoints(hookup: Hookup, setup: CornerSetup): Point[] {
  const points: Point[] = [];
  if ("red" in hookup) points.push(hookup.red);
  if ("black" in hookup) points.push(hookup.black);
  for (const text of hookup.state.load ? [hookup.state.load.red, hookup.state.load.black] : []) {
    const parsed = parsePoint(text, setup);
    if (parsed.ok) points.push(parsed.point);
  }
  return points.filter((point) => point.at === "span");
}
