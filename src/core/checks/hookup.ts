import { t } from "../words/words";
import { parsePoint, pointText, type Point } from "../circuit/point";
import type { CornerSetup } from "../circuit/setup";
import { stateKey, type CircuitState } from "../circuit/state";
import type { LookId } from "./looks/looks";
import type { Quantity } from "../units/quantity";

/** What answers without probes. */
export const lookInstruments = ["eyes", "hands", "film", "gauge", "compare", "scan"] as const;
export const instruments = [
  "volts-dc",
  "volts-ac",
  "ohms",
  "continuity",
  "capacitance",
  "amps-dc",
  "hertz",
  "duty",
  "lamp",
  ...lookInstruments,
  "scope",
] as const;
export type Instrument = (typeof instruments)[number];

/** What each electrical instrument's number is. The others answer in words. */
export const quantityOf: Partial<Record<Instrument, Quantity>> = {
  "volts-dc": "volts",
  "volts-ac": "volts",
  ohms: "ohms",
  capacitance: "farads",
  "amps-dc": "amps",
  hertz: "hertz",
  duty: "percent",
  gauge: "length",
};

export const instrumentWords: Record<Instrument, string> = {
  get "volts-dc"() {
    return t`DC volts`;
  },
  get "volts-ac"() {
    return t`AC volts`;
  },
  ohms: "ohms",
  get continuity() {
    return t`continuity`;
  },
  get capacitance() {
    return t`capacitance`;
  },
  get "amps-dc"() {
    return t`DC amps`;
  },
  hertz: "Hz",
  get duty() {
    return t`duty %`;
  },
  get lamp() {
    return t`test lamp`;
  },
  get eyes() {
    return t`look`;
  },
  get hands() {
    return t`feel`;
  },
  get film() {
    return t`viewing film`;
  },
  get gauge() {
    return t`gauge`;
  },
  get compare() {
    return t`compare`;
  },
  get scan() {
    return t`scan data`;
  },
  get scope() {
    return t`scope`;
  },
};

export type LookInstrument = (typeof lookInstruments)[number];

export function isLookInstrument(instrument: Instrument): instrument is LookInstrument {
  return (lookInstruments as readonly Instrument[]).includes(instrument);
}

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
