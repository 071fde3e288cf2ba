import type { ModuleView } from "../../car/signal";
import type { Whereabouts } from "../../car/whereabouts";
import type { CornerSetup, Family } from "../../circuit/setup";
import type { CircuitState } from "../../circuit/state";
import type { CarCondition, Sign } from "../../faults/fault";
import type { LookInstrument } from "../instruments";

/** One answer a look may have: the word it is kept as, in full, short for a table's head, and what else may be typed. */
export interface Answer {
  word: string;
  say: () => string;
  short: () => string;
  also?: readonly string[];
}

/** What a trace shows at the plug: step in volts (active) or RMS (passive), and as a share of a good one. */
export interface Trace {
  step: number;
  share: number;
  bothLevels: boolean;
  /** Active: the level stands where no good sensor puts it: under both of its own, over both, or where nobody can say which. */
  away?: "under" | "over" | "elsewhere" | null;
  /** A good car has no signal there: the wire beside the one that its module senses. */
  silent?: boolean;
}

/** One car as a look sees it. */
export interface Seen {
  car: CarCondition;
  /** Where its fault sits, with the name of the connector. */
  where: Whereabouts & { station: string | null };
  state: CircuitState;
  setup: CornerSetup;
  /** Chance that a good look finds a sign. */
  sign: (name: Sign) => number;
  /** What reaches the module. */
  module: () => ModuleView;
  /** The signal at the nearest plug beside the other side's good one. */
  besideOther: () => Trace;
}

/** What must be done first; shared with other checks and paid for once. */
export type Preparation = "lift" | "wheel-off" | "sensor-out" | "reach" | "nearest-plug";
export type LookCaution =
  "raised" | "sensor-out" | "play" | "private-ground" | "salt-water" | "hot-air" | "moving-parts";

/** Something to look at, feel, gauge or ask the module: all there is to know of it. */
export interface Look {
  id: string;
  instrument: LookInstrument;
  state: Partial<CircuitState>;
  families?: readonly Family[];
  label: () => string;
  sentence: () => string;
  /** Minutes for the look itself, once everything is prepared. */
  minutes: number;
  /** The wheel or hub is turned for it. */
  turnsWheel?: boolean;
  /** Done by driving alone: the instrument it is filed under need not be there. */
  withoutTool?: boolean;
  needs?: readonly Preparation[];
  cautions?: readonly LookCaution[];
  /** Parts something, which may cure an intermittent and hide it. */
  unplugs?: boolean;
  /** It shows the corner as it is just then. All others find what stays: a trace left, a code kept, or what gives way when moved. */
  ofTheMoment?: boolean;
  /** Done at one glance: what comes and goes is there or it is not. */
  glance?: boolean;
  /** Asks the module: the circuit must be solved for it. */
  live?: boolean;
  /** It sees the car as a whole: told at one corner, it is told at all. */
  ofTheCar?: boolean;
  /** How often it only sees again what it saw, where that is not as usual for its instrument. */
  alike?: number;
  /** Its place in the walk round the corner, from 1; absent where it is no part of that. */
  walk?: number;
  /** The chances of named answers; what is left goes to `rest`, the first answer where none is named. */
  answers?: { list: readonly Answer[]; chances: (seen: Seen) => Record<string, number>; rest?: string };
  /** Read in mm instead of answered. */
  readsMm?: (car: CarCondition) => number;
}

/** Chance that a look at a sound part is answered as damaged all the same (engineering judgement). */
export const FALSE_ALARM = 0.04;
