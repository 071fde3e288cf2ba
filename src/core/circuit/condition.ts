import { conductorsOf, meterOf, nominalSupplyV, spansOf, stationsOf, type CornerSetup } from "./setup";
import { PAIR_FARAD_PER_M, wireOhms } from "./wire";

/** A defect somewhere along a span: a series resistance or a leak, at a fraction of its length from the module end. */
export interface SpanDefect {
  span: number;
  fraction: number;
  conductor: number;
  kind: "series" | "to-ground" | "to-power" | "to-neighbour";
  ohms: number;
  /** Series only: what the damage becomes once current is asked of it (a last strand passes ohms, not load). */
  loadedOhms?: number;
}

/** Water inside a plug: ohms between its first two conductors, and of three wires between the second and third, and the outer two, as well. */
export interface WaterBridge {
  station: number;
  ohms: number;
  thirdOhms: number;
  outerOhms: number;
  /** Which half it stays in once the plug is undone. */
  staysIn: "in" | "out" | "both" | "neither";
}

export type SensorMode = "alive" | "open" | "short" | "stuck" | "noisy";

/** Everything electrical about one corner as plain numbers; conductors by index in `conductorsOf`. */
export interface CornerCondition {
  batteryV: number;
  feedOhms: number;
  earthOhms: number;
  /** What all that hangs on battery positive shows against the body once the battery is taken off. */
  carLoadOhms: number;
  moduleLoadOhms: number;
  /** Left with less than this between its feed and its ground it switches its outputs off. */
  resetV: number;
  /** Open-circuit voltage the module means to put on the supply pin, volts above its own ground. */
  regulatorV: number;
  sourceOhms: number;
  /** What a sensor feed switched off for want of volts still leaks of what is left to the module, nothing drawn: 0–1. */
  starvedShare: number;
  /** Over this a feed that protects itself is taken away; Infinity where it only sags. */
  tripA: number;
  /** What such a feed still gives through, to see whether the short has gone. */
  trickleOhms: number;
  /** The feed gone, the signal's pull-up is gone too. */
  tripTakesPullUp: boolean;
  /** It is gone now. */
  pullUpOff?: boolean;
  senseOhms: number;
  /** Two wires: the sense resistor stands above the supply pin, not below the return. */
  senseHigh: boolean;
  /** Three wires: what the signal is pulled up to. */
  pullUpV: number;
  pullUpOhms: number;
  biasV: number;
  biasOhms: number;
  /** What holds the second leg to the module's ground where only the first is biased; Infinity where both are. */
  legOhms: number;
  inputOhms: number;
  /** What an unpowered module shows between each pin and its ground. */
  offOhms: number;
  /** Module channel works; a dead one supplies nothing and hears nothing. */
  channelAlive: boolean;
  /** contactOhms[station][conductor], plugged together. */
  contactOhms: (readonly number[])[];
  /** spanOhms[span], per conductor, undamaged. */
  spanOhms: readonly number[];
  /** spanFarad[span], between two neighbouring conductors. */
  spanFarad: readonly number[];
  /** What the module has behind each pin against interference, to its ground. */
  moduleFarad: number;
  /** Siemens from each joint and stretch of wire to ground: dry insulation to a damp loom, decades apart. */
  insulationS: number;
  spanDefects: SpanDefect[];
  /** Station whose contacts are crossed (first two conductors), or -1. */
  crossedStation: number;
  bridge: WaterBridge | null;
  sensor: {
    mode: SensorMode;
    lowA: number;
    highA: number;
    minimumV: number;
    /** Starved, it draws nothing under this, and from here its currents rise to those of the minimum voltage. */
    deadV: number;
    shortOhms: number;
    /** What an ohmmeter sees through an unpowered active sensor. */
    coldOhms: number;
    /** Three-wire: quiescent current, and output transistor on-resistance. */
    quiescentA: number;
    outputOhms: number;
    coilOhms: number;
    bodyOhms: number;
    /** Which of its conductors leaks to it, or is rubbed through to it in the sensor's own lead. */
    bodyWire: 0 | 1 | 2;
    /** What the sensor itself has against interference, between its first two conductors. */
    farad: number;
    /** Which level it sits at while the wheel stands still or the flux never changes. */
    restsHigh: boolean;
  };
  meterOhms: number;
  leadOhms: number;
  /** What the shop's mains drives through the air into whatever a meter reads. */
  strayA: number;
}

/** A corner with every value at its nominal, the base every candidate is varied from: a new one at each call. */
export function nominalCondition(setup: CornerSetup): CornerCondition {
  let nominal = nominals.get(setup);
  if (!nominal) nominals.set(setup, (nominal = makeNominal(setup)));
  return copyOfCondition(nominal);
}

/** Puts other ohms into one contact. */
export function setContact({ contactOhms }: CornerCondition, station: number, wire: number, ohms: number): void {
  contactOhms[station] = contactOhms[station]!.with(wire, ohms);
}

/** The same numbers, to be changed without changing these; lists that only ever give way to others are shared. */
export function copyOfCondition(condition: CornerCondition): CornerCondition {
  return {
    ...condition,
    contactOhms: condition.contactOhms.slice(),
    spanDefects: condition.spanDefects.slice(),
    sensor: { ...condition.sensor },
  };
}

/** Thousands of cars a reading begin as this one. */
const nominals = new WeakMap<CornerSetup, CornerCondition>();

function makeNominal(setup: CornerSetup): CornerCondition {
  const wires = conductorsOf[setup.family].length;
  return {
    batteryV: 12.4,
    feedOhms: 0.05,
    earthOhms: 0.02,
    carLoadOhms: 20,
    moduleLoadOhms: 15,
    resetV: 6,
    regulatorV: nominalSupplyV(setup),
    sourceOhms: 12,
    starvedShare: 0,
    tripA: Infinity,
    trickleOhms: 1e5,
    tripTakesPullUp: false,
    senseOhms: 122,
    senseHigh: setup.sense === "high",
    pullUpV: setup.pullUpV ?? 5,
    pullUpOhms: 2200,
    biasV: setup.legBias === "no" ? 0 : 1.8,
    biasOhms: 30_000,
    legOhms: Infinity,
    inputOhms: 40_000,
    offOhms: 40_000,
    channelAlive: true,
    contactOhms: stationsOf(setup).map(() => new Array<number>(wires).fill(0.008)),
    spanOhms: spansOf(setup).map(({ spanM, mm2 }) => wireOhms(spanM, mm2)),
    moduleFarad: 1e-8,
    spanFarad: spansOf(setup).map(({ spanM }) => spanM * PAIR_FARAD_PER_M.usual),
    insulationS: 1e-10,
    spanDefects: [],
    crossedStation: -1,
    bridge: null,
    sensor: {
      mode: "alive",
      lowA: 0.007,
      highA: 0.0142,
      minimumV: setup.family === "active-3wire" ? 3.8 : 4.5,
      deadV: 0,
      shortOhms: 2,
      coldOhms: 300_000,
      quiescentA: 0.006,
      outputOhms: 15,
      coilOhms: 1200,
      bodyOhms: 2e7,
      bodyWire: 1,
      farad: 1e-8,
      restsHigh: false,
    },
    meterOhms: 1e6 * meterOf(setup).inputMegohm,
    leadOhms: meterOf(setup).leadOhms,
    strayA: 0,
  };
}
