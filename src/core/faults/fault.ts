import { t } from "../words/words";
import type { CornerCondition } from "../circuit/condition";
import type { CodeKind } from "../codes/code";
import type { Conductor, CornerSetup, Family } from "../circuit/setup";
import type { RingCondition } from "../ring/ring";
import type { Part } from "./parts/parts";
import type { RepairPlan } from "./repair-words";
import type { Wake } from "./wake";

/** What the module would complain of, in a word or two. */
export const effectWords: Record<CodeKind | "none", string> = {
  get open() {
    return t`open circuit`;
  },
  get ground() {
    return t`short to ground`;
  },
  get power() {
    return t`short to power`;
  },
  get feed() {
    return t`supply voltage`;
  },
  get weak() {
    return t`weak signal`;
  },
  get count() {
    return t`wrong pulse count`;
  },
  get erratic() {
    return t`erratic signal`;
  },
  get "no-signal"() {
    return t`no signal`;
  },
  get any() {
    return t`any`;
  },
  get none() {
    return t`nothing`;
  },
};

/** One whole car as numbers: the circuit, the ring, and what no meter shows. */
export interface CarCondition {
  circuit: CornerCondition;
  ring: RingCondition;
  /** Rolling circumference of its tyre, metres. */
  rollingM: number;
  /** Passive output at the nominal gap against the usual one: of this sensor, and of any good one of its make. */
  outputFactor: number;
  makeOutputFactor: number;
  /** Field an active sensor needs, as a fraction of its field at nominal gap. */
  switchField: number;
  /** Passive module input threshold, volts. */
  thresholdV: number;
  /** A two-wire active sensor that gives short pulses from its low level instead of standing at either. */
  pulseCoded: boolean;
  /** The module's input takes nothing in although the signal is there. */
  inputFault: boolean;
  /** The signal is good but belongs to another corner's input (two corners changed over at a plug). */
  elsewhere: boolean;
  /** Other corners are down too: the cause lies where they share. */
  othersDown: number;
  /** What can be seen and felt, by the looks of the check catalogue; absent means sound. */
  signs: Partial<Record<Sign, number>>;
}

/** Visible or tangible signs, each with the chance that a good look finds it. */
export type Sign =
  | "connector-bad"
  | "wiring-damaged"
  | "sensor-lifted"
  | "sensor-worn"
  | "ring-damaged"
  | "encoder-gap"
  | "ring-debris"
  | "bearing-play"
  | "wrong-tyre"
  | "sensor-loose"
  | "ring-count";

/** Where on the car a fault sits. */
export interface Place {
  id: string;
  station?: number;
  span?: number;
  wire?: number;
  conductor?: Conductor;
  /** Share of this fault's prior that falls on this place (they sum to 1 within a fault). */
  share: number;
}

/**
 * Reads the fault's own nuisance numbers: mostly in [0, 1], with tails to about −0.35 and 1.35. What decides between two
 * kinds of the fault reads `kind`, which no reading moves; sizes and places read the numbered ones.
 */
export type FaultDraw = (index: 0 | 1 | 2 | 3 | 4 | 5 | 6 | 7 | "kind" | "kind2") => number;

/** What the suspect with nothing wrong is called; healthy readings are told by it. */
export const HEALTHY = "nothing@none";

export interface Fault {
  code: string;
  part: Part;
  /** Share within its part, before places. */
  weight: number;
  families: readonly Family[];
  /** Can come and go. */
  intermittent: boolean;
  /** What the module would complain of. */
  effect: CodeKind | "none";
  places(setup: CornerSetup): Place[];
  /** Alters a healthy car into one that has this fault. */
  apply(car: CarCondition, place: Place, draw: FaultDraw): void;
  words(place: Place, setup: CornerSetup): string;
  /** What is measured now may be milder than what lit the lamp: contacts, leaks and feeds change from hour to hour. */
  varies?: true;
  /** A contact or break that makes and breaks as it is moved, though it was said to be there all the time. */
  flickers?: true;
  /** What would clear it, in one sentence. */
  clearedBy(place: Place, setup: CornerSetup): string;
  /** How it is repaired where that is not its part's repair. */
  repair?: RepairPlan;
  /** How often a fault inside the sensor that comes and goes shows while the sensor's own lead is bent (engineering judgement). */
  byLead?: number;
  /** What brings it on where that is not what brings its part on. */
  wakes?: Partial<Record<Wake, number>>;
}

export const everyFamily: readonly Family[] = ["active-2wire", "active-3wire", "passive"];
export const activeFamilies: readonly Family[] = ["active-2wire", "active-3wire"];

/** A number spread evenly over the decades between two bounds. */
export function logBetween(u: number, from: number, to: number): number {
  // The engine's power takes four times as long, and a car asks for thirty of them.
  return from * Math.exp(u * Math.log(to / from));
}

export function between(u: number, from: number, to: number): number {
  return from + (to - from) * u;
}

/** A tooth number, or a count from 0, out of `count`. */
export function oneOf(u: number, count: number): number {
  return Math.min(count - 1, Math.max(0, Math.floor(u * count)));
}

/** As `between`, but never outside the bounds: for fractions and places that have hard ends. */
export function within(u: number, from: number, to: number): number {
  return between(Math.min(1, Math.max(0, u)), from, to);
}

/** As `within`, tails turned back at the ends instead of heaped there: for places anywhere along something. */
export function folded(u: number, from: number, to: number): number {
  const turned = Math.abs(u) % 2;
  return between(turned > 1 ? 2 - turned : turned, from, to);
}

/** As bounds of deciding numbers go: three tenths lie above 0.718, four above 0.605. A quarter of a deciding number's normal scores lie above 0.674, that is at 0.5 + 0.674 / 2.4 of its range. */
export const ONE_IN_FOUR = 0.781;
/** One in six lies above. */
export const ONE_IN_SIX = 0.903;
/** One in eight lies above. */
export const ONE_IN_EIGHT = 0.979;
/** Thirds of it. */
export const ONE_IN_THREE = 0.3205;
export const TWO_IN_THREE = 0.6795;
/** Five in eight lie above. */
export const FIVE_IN_EIGHT = 0.367;

export const onlyPlace = (id: string) => (): Place[] => [{ id, share: 1 }];
