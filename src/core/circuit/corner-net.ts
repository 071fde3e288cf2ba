import type { CornerCondition, SpanDefect, WaterBridge } from "./condition";
import { Ladder } from "./ladder";
import type { Point } from "./point";
import { conductorsOf, stationsOf, type Conductor, type CornerSetup } from "./setup";
import type { CircuitState } from "./state";
import { BODY_SHARE } from "./wire";

/** What the sensor's output is doing in this solve. */
export type SensorLevel = "low" | "high";

/** Whether it works, has too little voltage to, is fed the wrong way round or by nothing; or its currents are still to be added. */
export type SensorState = "on" | "starved" | "reversed" | "cold" | "waiting";

/** What a two-wire sensor's current sink leaks in any state, siemens. */
export const ALWAYS_S = 1e-8;

/** What a three-wire sensor's output leaks while it does not pull, siemens. */
export const OUTPUT_LEAK_S = 1e-7;

/** Volts a module's supply for its sensors stays under what feeds it, at least (engineering judgement). */
export const REGULATOR_DROP_V = 0.3;

/** A jumper lead with its clips (engineering judgement). */
export const JUMPER_OHMS = 0.05;

const EARTH = 0;
const POWER = 1;
const FIRST = 2;

/** One probed place on a span, counted from the module end. */
interface Cut {
  fraction: number;
  defect: SpanDefect | null;
  probe: number;
}

const NO_CUTS: readonly Cut[] = [];

/** Battery positive as a chafed wire finds it. */
interface Rail {
  volts: number;
  seriesOhms: number;
}

/**
 * The netlist of one corner: module, harness, connectors and sensor as a ladder of levels, one node per conductor
 * and level. Built once per set-up and list of pierced places, then stamped for one car after another.
 */
export class CornerNet {
  readonly ladder: Ladder;
  private readonly setup: CornerSetup;
  private readonly wires: number;
  private readonly stationIds: string[];
  private readonly pierced: { span: number; fraction: number }[];
  private readonly probeLevel: number[];
  private readonly inLevel: number[];
  private readonly outLevel: number[];
  private readonly cuts: Cut[][];
  private lastLevel = 0;
  private feedV = 0;
  private feedOhms = Infinity;
  private loaded = false;
  private radPerS = 0;

  /** @param pierced points on spans that readings will touch @param defects the most span defects a car will have */
  constructor(setup: CornerSetup, pierced: readonly Point[] = [], defects = 3) {
    this.setup = setup;
    this.wires = conductorsOf[setup.family].length;
    this.stationIds = stationsOf(setup).map(({ station }) => station);
    this.pierced = pierced.flatMap((point) =>
      point.at === "span" ? [{ span: point.span - 1, fraction: point.percent / 100 }] : [],
    );
    this.probeLevel = new Array<number>(this.pierced.length).fill(0);
    this.inLevel = new Array<number>(this.stationIds.length).fill(0);
    this.outLevel = new Array<number>(this.stationIds.length).fill(0);
    this.cuts = this.stationIds.slice(1).map(() => []);
    const levels = 2 * this.stationIds.length + this.pierced.length + defects;
    this.ladder = new Ladder(FIRST + levels * this.wires, 2 * this.wires - 1);
  }

  /**
   * Writes one car into the network.
   * @param sensor `starved`: it has less than its minimum voltage and only conducts as a resistor; `cold`: nothing feeds
   *   it, and to a meter it is a semiconductor, anything from kilohms to OL; `waiting`: a two-wire one's currents are left out
   * @param loaded current is asked of the wires, as a running sensor or a lamp does and an ohmmeter does not
   * @param radPerS above 0, the capacitance of the wires is written in too, as the size of its admittance there
   */
  stamp(
    car: CornerCondition,
    state: CircuitState,
    level: SensorLevel,
    sensor: SensorState,
    loaded = false,
    radPerS = 0,
  ): void {
    this.ladder.clear(car.insulationS);
    this.radPerS = radPerS;
    this.loaded = loaded || (state.key === "on" && !state.batteryOff);
    const powered = state.key === "on" && !state.batteryOff;
    this.stampModule(car, state, powered);
    const rail = state.batteryOff ? { volts: 0, seriesOhms: car.carLoadOhms } : { volts: car.batteryV, seriesOhms: 0 };
    let cursor = 0;
    for (let station = 0; station < this.stationIds.length; station++) {
      this.inLevel[station] = cursor;
      this.outLevel[station] = cursor + 1;
      this.stampContacts(car, station, state, cursor);
      cursor += 1;
      if (station < this.stationIds.length - 1) cursor = this.stampSpan(car, station, cursor, rail);
    }
    this.lastLevel = cursor;
    this.stampSensor(car, level, sensor);
    this.ladder.reduce(FIRST + (cursor + 1) * this.wires);
  }

  /** Node number of a point in the car last stamped; -1 is ground, and a battery pole is a fixed potential (see `fixedV`). */
  nodeOf(point: Point): number {
    if (point.at === "body" || point.at === "battery") return -1;
    if (point.at === "module") return point.pin === "power" ? POWER : EARTH;
    const wire = this.wireOf(point.conductor);
    if (point.at === "span") {
      const probe = this.pierced.findIndex(
        ({ span, fraction }) => span === point.span - 1 && fraction === point.percent / 100,
      );
      return this.node(this.probeLevel[probe]!, wire);
    }
    const station = this.stationIds.indexOf(point.station);
    return this.node(point.face === "in" ? this.inLevel[station]! : this.outLevel[station]!, wire);
  }

  /** The node of a sensor terminal in the car last stamped. */
  sensorNode(wire: number): number {
    return this.node(this.lastLevel, wire);
  }

  /** Amperes the module feeds into an active sensor's supply wire. @param volts of the nodes, solved for the car last stamped */
  feedAmps(volts: ArrayLike<number>): number {
    return (this.feedV - (volts[this.node(0, 0)]! - volts[EARTH]!)) / this.feedOhms;
  }

  private wireOf(conductor: Conductor): number {
    return conductorsOf[this.setup.family].indexOf(conductor);
  }

  private node(level: number, wire: number): number {
    return FIRST + level * this.wires + wire;
  }

  private stampModule(car: CornerCondition, state: CircuitState, powered: boolean): void {
    const { ladder } = this;
    const moduleOpen = state.unplugged.includes("module");
    const railV = state.batteryOff ? 0 : car.batteryV;
    ladder.joinPotential(POWER, 1 / (car.feedOhms + (state.batteryOff ? car.carLoadOhms : 0)), railV);
    ladder.joinPotential(EARTH, 1 / car.earthOhms, 0);
    // With its plug off the module's own supply pins are usually in that plug too, so it is dead then.
    const awake = powered && !moduleOpen;
    ladder.join(EARTH, POWER, awake ? 1 / car.moduleLoadOhms : 1 / car.offOhms);
    const first = this.node(0, 0);
    const second = this.node(0, 1);
    const third = this.node(0, 2);
    const leftV = railV * (car.moduleLoadOhms / (car.moduleLoadOhms + car.feedOhms + car.earthOhms));
    const driven = awake && car.channelAlive;
    const live = driven && leftV >= car.resetV;
    if (this.radPerS > 0 && !moduleOpen) this.stampModuleCapacitors(car);
    if (this.setup.family === "passive") return this.stampPassiveInput(car, live, first, second);
    const passedShare = live ? 1 : driven ? car.starvedShare : 0;
    const supplyV = passedShare * Math.max(0, Math.min(car.regulatorV, leftV - REGULATOR_DROP_V));
    const highSense = this.setup.family === "active-2wire" && car.senseHigh;
    const sourceOhms = live ? car.sourceOhms + (highSense ? car.senseOhms : 0) : car.offOhms;
    this.feedV = supplyV;
    this.feedOhms = sourceOhms;
    ladder.join(EARTH, first, 1 / sourceOhms);
    ladder.inject(first, supplyV / sourceOhms);
    ladder.inject(EARTH, -supplyV / sourceOhms);
    if (this.setup.family === "active-2wire") ladder.join(EARTH, second, 1 / (highSense ? 0.05 : car.senseOhms));
    else this.stampLogicInput(car, live, second, third);
  }

  private stampModuleCapacitors(car: CornerCondition): void {
    for (let wire = 0; wire < this.wires; wire++)
      this.ladder.join(EARTH, this.node(0, wire), this.radPerS * car.moduleFarad);
  }

  private stampLogicInput(car: CornerCondition, live: boolean, ground: number, signal: number): void {
    this.ladder.join(EARTH, ground, 1 / 0.05);
    const ohms = live ? car.pullUpOhms : car.offOhms;
    const pullUpV = live && !car.pullUpOff ? Math.min(car.pullUpV, car.batteryV) : 0;
    this.ladder.join(EARTH, signal, 1 / ohms);
    this.ladder.inject(signal, pullUpV / ohms);
    this.ladder.inject(EARTH, -pullUpV / ohms);
  }

  private stampPassiveInput(car: CornerCondition, live: boolean, a: number, b: number): void {
    const ohms = live ? car.biasOhms : car.offOhms;
    for (let leg = a; leg <= b; leg++) {
      const held = leg === b && car.legOhms < Infinity;
      this.ladder.join(EARTH, leg, 1 / (held ? car.legOhms : ohms));
      if (!live || car.biasV === 0 || held) continue;
      this.ladder.inject(leg, car.biasV / ohms);
      this.ladder.inject(EARTH, -car.biasV / ohms);
    }
    this.ladder.join(a, b, 1 / (live ? car.inputOhms : 2 * car.offOhms));
  }

  private stampContacts(car: CornerCondition, station: number, state: CircuitState, level: number): void {
    const id = this.stationIds[station]!;
    const jumpered = state.jumpered === id;
    const apart = state.unplugged.includes(id);
    const crossed = car.crossedStation === station;
    for (let wire = 0; wire < this.wires; wire++) {
      if (apart) continue;
      const other = crossed && wire < 2 ? 1 - wire : wire;
      const ohms = jumpered ? JUMPER_OHMS : car.contactOhms[station]![wire]!;
      if (ohms < Infinity) this.ladder.join(this.node(level, wire), this.node(level + 1, other), 1 / ohms);
    }
    const { bridge } = car;
    if (bridge?.station !== station) return;
    // Joined, both halves are one; apart, each holds what water stayed in it.
    if (!apart && !jumpered) return this.stampBridge(bridge, level);
    const { staysIn } = bridge;
    if (staysIn === "in" || staysIn === "both") this.stampBridge(bridge, level);
    if (staysIn === "out" || staysIn === "both") this.stampBridge(bridge, level + 1);
  }

  private stampBridge({ ohms, thirdOhms, outerOhms }: WaterBridge, level: number): void {
    this.ladder.join(this.node(level, 0), this.node(level, 1), 1 / ohms);
    if (this.wires < 3) return;
    this.ladder.join(this.node(level, 1), this.node(level, 2), 1 / thirdOhms);
    this.ladder.join(this.node(level, 0), this.node(level, 2), 1 / outerOhms);
  }

  private stampSpan(car: CornerCondition, span: number, start: number, rail: Rail): number {
    const cuts = this.cutsOf(car, span);
    let level = start;
    let from = 0;
    let series: SpanDefect | null = null;
    for (const cut of cuts) {
      this.stampPiece(car, span, cut.fraction - from, level, series);
      level += 1;
      from = cut.fraction;
      series = null;
      if (cut.probe >= 0) this.probeLevel[cut.probe] = level;
      else if (cut.defect!.kind === "series") series = cut.defect!;
      else this.stampLeak(cut.defect!, level, rail);
    }
    this.stampPiece(car, span, 1 - from, level, series);
    return level + 1;
  }

  private stampPiece(
    car: CornerCondition,
    span: number,
    length: number,
    level: number,
    series: SpanDefect | null,
  ): void {
    const part = Math.max(length, 1e-6);
    const ohms = car.spanOhms[span]! * part;
    for (let wire = 0; wire < this.wires; wire++) {
      const extra = series !== null && series.conductor === wire ? this.seriesOhms(series) : 0;
      if (extra < Infinity) this.ladder.join(this.node(level, wire), this.node(level + 1, wire), 1 / (ohms + extra));
    }
    if (this.radPerS === 0) return;
    // Damage in series sits at the piece's start: all of its capacitance is then beyond the damage.
    const siemens = this.radPerS * car.spanFarad[span]! * part;
    if (series === null) this.stampCapacitance(level, siemens / 2);
    this.stampCapacitance(level + 1, series === null ? siemens / 2 : siemens);
  }

  private stampCapacitance(level: number, siemens: number): void {
    for (let wire = 0; wire < this.wires; wire++) {
      this.ladder.joinPotential(this.node(level, wire), BODY_SHARE * siemens, 0);
      for (let other = wire + 1; other < this.wires; other++)
        this.ladder.join(this.node(level, wire), this.node(level, other), siemens);
    }
  }

  private seriesOhms({ ohms, loadedOhms }: SpanDefect): number {
    return this.loaded && loadedOhms !== undefined ? loadedOhms : ohms;
  }

  private stampLeak(defect: SpanDefect, level: number, rail: Rail): void {
    const node = this.node(level, defect.conductor);
    if (defect.kind === "to-ground") this.ladder.joinPotential(node, 1 / defect.ohms, 0);
    else if (defect.kind === "to-power")
      this.ladder.joinPotential(node, 1 / (defect.ohms + rail.seriesOhms), rail.volts);
    else this.ladder.join(node, this.node(level, (defect.conductor + 1) % this.wires), 1 / defect.ohms);
  }

  private cutsOf(car: CornerCondition, span: number): readonly Cut[] {
    const cuts = this.cuts[span]!;
    if (this.pierced.length === 0 && car.spanDefects.length === 0) return NO_CUTS;
    cuts.length = 0;
    for (let probe = 0; probe < this.pierced.length; probe++) {
      const place = this.pierced[probe]!;
      if (place.span === span) cuts.push({ fraction: place.fraction, defect: null, probe });
    }
    for (const defect of car.spanDefects)
      if (defect.span === span) cuts.push({ fraction: defect.fraction, defect, probe: -1 });
    return cuts.length > 1 ? cuts.sort((one, two) => one.fraction - two.fraction) : cuts;
  }

  private stampSensor(car: CornerCondition, level: SensorLevel, state: SensorState): void {
    const { sensor } = car;
    const first = this.sensorNode(0);
    const second = this.sensorNode(1);
    const third = this.sensorNode(2);
    this.ladder.joinPotential(this.sensorNode(sensor.bodyWire), 1 / sensor.bodyOhms, 0);
    if (this.radPerS > 0 && sensor.farad > 0) this.ladder.join(first, second, this.radPerS * sensor.farad);
    if (sensor.mode === "open") return;
    const shorted = sensor.mode === "short" ? 1 / sensor.shortOhms : 0;
    // A shorted coil still has its winding behind the short.
    if (this.setup.family === "passive") return this.ladder.join(first, second, 1 / sensor.coilOhms + shorted);
    if (shorted) return this.ladder.join(first, second, shorted);
    const threeWire = this.setup.family === "active-3wire";
    const amps = threeWire ? sensor.quiescentA : level === "high" ? sensor.highA : sensor.lowA;
    const pulls = state === "on" && level === "low";
    if (threeWire) this.ladder.join(second, third, pulls ? 1 / sensor.outputOhms : OUTPUT_LEAK_S);
    if (state === "cold") return this.ladder.join(first, second, 1 / sensor.coldOhms);
    // Starved, what it draws falls with the voltage left to it: some chips still move between two currents, some stay at either.
    if (state === "starved") return this.stampStarved(sensor, amps);
    if (state === "reversed") return this.ladder.join(first, second, 1 / sensor.coldOhms);
    this.ladder.join(first, second, ALWAYS_S);
    if (state === "waiting") return;
    this.ladder.inject(first, -amps);
    this.ladder.inject(second, amps);
  }

  /** From its dead volts on, what it draws rises in a straight line to its current at the minimum voltage. */
  private stampStarved({ deadV, minimumV }: CornerCondition["sensor"], amps: number): void {
    const [first, second] = [this.sensorNode(0), this.sensorNode(1)];
    const siemens = amps / (minimumV - deadV) - ALWAYS_S;
    this.ladder.join(first, second, siemens + ALWAYS_S);
    this.ladder.inject(first, siemens * deadV);
    this.ladder.inject(second, -siemens * deadV);
  }
}
