import type { CornerCondition } from "./condition";
import { ALWAYS_S, JUMPER_OHMS, OUTPUT_LEAK_S, type CornerNet, type SensorLevel, type SensorState } from "./corner-net";
import { parsePoint, type Point } from "./point";
import { conductorsOf, stationsOf, type CornerSetup } from "./setup";
import type { CircuitState } from "./state";

/** A filament test lamp drawing about 250 mA at 12 V, and an LED lamp about 15 mA (common practice, no source). */
export const LOAD_OHMS = { lamp: 48, led: 800 } as const;

const LAMP_V = 12;

/** Ohmmeter test currents by range: full scale in ohms, amperes. From memory, typical of hand meters. */
const OHMMETER_RANGES: readonly (readonly [number, number])[] = [
  [600, 1e-3],
  [6e3, 1e-4],
  [6e4, 1e-5],
  [6e5, 1e-6],
  [6e6, 1e-7],
  [Infinity, 2e-8],
];

/** A capacitance range charges and discharges some fifty times a second (from memory, typical of hand meters). */
const CAPACITANCE_RAD_PER_S = 300;

/** Under this a meter's own load cannot matter to what is shown. */
const NOTHING_V = 2e-4;

/**
 * One car in one state, solved for both sensor levels: ask it for the voltage or the ohms between any two points.
 * The sensor is piecewise linear: it has the voltage to work, or not. One solution without it tells which, and both levels
 * are that solution less the sensor's current.
 */
export class SolvedCorner {
  private readonly net: CornerNet;
  private readonly setup: CornerSetup;
  private readonly low: Float64Array;
  private readonly high: Float64Array;
  private readonly scratch: Float64Array;
  /** The same corner with the capacitance of its wires, for the meter range that asks for it. */
  private readonly charged: CornerNet | null;
  private chargedFor: CornerCondition | null = null;
  /** A resistance added to the solved network between two nodes: a lamp, or a sensor too poorly fed to work. */
  private branch: { a: number; b: number; ohms: number } | null = null;
  /** The network's answer to an ampere through it. */
  private readonly branchShape: Float64Array;
  private car!: CornerCondition;
  private state!: CircuitState;
  private loaded = false;
  private awakeLow = true;
  private awakeHigh = true;

  /** @param charged a second net of the same corner, needed by `capacitance` only */
  constructor(setup: CornerSetup, net: CornerNet, charged: CornerNet | null = null) {
    this.charged = charged;
    this.setup = setup;
    this.net = net;
    this.low = new Float64Array(net.ladder.size);
    this.high = new Float64Array(net.ladder.size);
    this.scratch = new Float64Array(net.ladder.size);
    this.branchShape = new Float64Array(net.ladder.size);
  }

  /**
   * Solves the circuit.
   * @param loaded current will be asked of dead wires (see `feedAmps`)
   * @throws RangeError when the state names a load point this corner does not have
   */
  solve(car: CornerCondition, state: CircuitState, loaded = false): this {
    this.solveFed(car, state, loaded);
    if (this.setup.family === "passive" || car.tripA === Infinity) return this;
    const drawnA = Math.max(this.net.feedAmps(this.low), this.net.feedAmps(this.high));
    return drawnA < car.tripA ? this : this.solveFed(withoutFeed(car), state, loaded);
  }

  private solveFed(car: CornerCondition, state: CircuitState, loaded: boolean): this {
    this.loaded = loaded;
    this.car = car;
    this.state = state;
    this.chargedFor = null;
    const canWake =
      this.setup.family !== "passive" && !isDead(state) && car.sensor.mode !== "open" && car.sensor.mode !== "short";
    if (!canWake) {
      this.awakeLow = this.awakeHigh = false;
      this.solveAs("low", isDead(state) ? "cold" : "starved", this.low);
      this.high.set(this.low);
    } else if (!state.load) this.drawThroughSensor();
    else this.settleBoth();
    return this;
  }

  /**
   * A sensor's currents on the corner without it: what its terminals show open, and the ohms behind them, tell whether it
   * works at either level and what it draws (Thévenin). The output of a three-wire one is one more resistance at its low level.
   */
  private drawThroughSensor(): void {
    const { net, low, high, car } = this;
    const { sensor } = car;
    this.solveAs("low", "waiting", low);
    high.set(low);
    const [a, b] = [net.sensorNode(0), net.sensorNode(1)];
    const shape = net.ladder.unit(a, b, this.branchShape);
    const openV = low[a]! - low[b]!;
    const behindOhms = shape[a]! - shape[b]!;
    const draw = (volts: Float64Array, amps: number): boolean => {
      const awake = openV - amps * behindOhms >= sensor.minimumV;
      const ohms = starvedOhms(car, amps, openV < 0);
      // Fed the wrong way round it conducts from the first millivolt, as if it were not dead there.
      const leftV = openV < 0 ? openV : Math.max(0, openV - sensor.deadV);
      const drawnA = awake ? amps : leftV / (ohms + behindOhms);
      for (let node = 0; node < volts.length; node++) volts[node]! -= shape[node]! * drawnA;
      if (!awake && leftV !== 0) this.branch = { a, b, ohms };
      return awake;
    };
    if (this.setup.family === "active-3wire") {
      this.awakeHigh = draw(high, sensor.quiescentA);
      low.set(high);
      this.awakeLow = this.awakeHigh && this.pullOutputLow();
      return;
    }
    this.awakeHigh = draw(high, sensor.highA);
    this.branch = null;
    this.awakeLow = draw(low, sensor.lowA);
  }

  /**
   * A working three-wire sensor's output drawn to its ground. What is then left to the sensor is less only by what its ground
   * wire loses: where that starves it, it lets go again.
   */
  private pullOutputLow(): boolean {
    const { net, low, branchShape: shape, car } = this;
    const [ground, signal] = [net.sensorNode(1), net.sensorNode(2)];
    net.ladder.unit(signal, ground, shape);
    const ohms = 1 / (1 / car.sensor.outputOhms - OUTPUT_LEAK_S);
    const drawnA = (low[signal]! - low[ground]!) / (ohms + shape[signal]! - shape[ground]!);
    const first = net.sensorNode(0);
    const leftV = low[first]! - low[ground]! - (shape[first]! - shape[ground]!) * drawnA;
    if (leftV < car.sensor.minimumV) return false;
    for (let node = 0; node < low.length; node++) low[node]! -= shape[node]! * drawnA;
    this.branch = { a: signal, b: ground, ohms };
    return true;
  }

  /** With a lamp hooked up: solved at each level, with the sensor at work where that leaves it the volts to, else without. */
  private settleBoth(): void {
    this.awakeHigh = this.settle("high", this.high);
    this.awakeLow = this.settle("low", this.low);
  }

  /** Whether the sensor has its minimum voltage at this level. */
  isAwake(level: SensorLevel): boolean {
    return level === "low" ? this.awakeLow : this.awakeHigh;
  }

  /** Volts a meter of the car's own input resistance shows between two points, at the sensor's low and high level. */
  meterVolts(red: Point, black: Point): { low: number; high: number } {
    const low = this.potential(red, "low") - this.potential(black, "low");
    const high = this.potential(red, "high") - this.potential(black, "high");
    if (Math.abs(low) < NOTHING_V && Math.abs(high) < NOTHING_V) return { low, high };
    const divider = this.car.meterOhms / (this.car.meterOhms + this.betweenOhms(red, black));
    return { low: low * divider, high: high * divider };
  }

  /** What an ohmmeter shows between two points; stray voltage in the circuit falsifies it as it does in life. */
  meterOhms(red: Point, black: Point): number {
    const strayV = this.potential(red, "low") - this.potential(black, "low");
    const ohms = this.betweenOhms(red, black) + this.car.leadOhms;
    for (const [fullScale, testA] of OHMMETER_RANGES) {
      const shown = ohms + strayV / testA;
      if (Math.abs(shown) <= fullScale) return shown;
    }
    return Infinity;
  }

  /**
   * Farads between two points of a dead circuit, and the ohms beside them that a capacitance range would trip over.
   * The admittance of the wires is added as if it were conductance, which holds where every resistance on the way is
   * far below or far above it (tens of megohms).
   */
  capacitance(red: Point, black: Point): { farad: number; leakOhms: number } {
    const leakOhms = this.betweenOhms(red, black);
    const net = this.charged!;
    if (this.chargedFor !== this.car) {
      net.stamp(this.car, this.state, "low", isDead(this.state) ? "cold" : "starved", false, CAPACITANCE_RAD_PER_S);
      this.chargedFor = this.car;
    }
    const [a, b] = [net.nodeOf(red), net.nodeOf(black)];
    const shape = net.ladder.unit(a, b, this.scratch);
    const siemens = 1 / (nodeValue(shape, a) - nodeValue(shape, b));
    return { farad: Math.max(0, siemens - 1 / leakOhms) / CAPACITANCE_RAD_PER_S, leakOhms };
  }

  /** Amperes through the test lamp or LED that the state hooks up; 0 when there is none. */
  loadAmps(): number {
    const load = this.state.load;
    if (!load || !this.branch) return 0;
    return (
      (this.potential(this.point(load.red), "low") - this.potential(this.point(load.black), "low")) / this.branch.ohms
    );
  }

  /**
   * Amperes a test lamp draws through a wire, fed at one end and the lamp at the other, both ends open. It is held against
   * how it burns straight on the battery, so a low battery does not make it dim.
   */
  feedAmps(red: Point, black: Point): number {
    return LAMP_V / (LOAD_OHMS.lamp + this.betweenOhms(red, black));
  }

  /** Amperes in the jumper lead from a face of a plug to the other, at the sensor's low and high level: Ohm's law over the lead. */
  jumperAmps(red: Point, black: Point): { low: number; high: number } {
    const far = this.throughCrossing(black);
    const amps = (level: SensorLevel) =>
      Math.abs(this.potential(red, level) - this.potential(far, level)) / JUMPER_OHMS;
    return { low: amps("low"), high: amps("high") };
  }

  /** Where a wire of the other face is found, this plug's first two being in each other's places or not. */
  private throughCrossing(point: Point): Point {
    if (point.at !== "face" || stationsOf(this.setup)[this.car.crossedStation]?.station !== point.station) return point;
    const [first, second] = conductorsOf[this.setup.family];
    const { conductor } = point;
    return { ...point, conductor: conductor === first ? second! : conductor === second ? first : conductor };
  }

  /**
   * Volts a meter shows between two points for each volt induced in the coil (passive sensors): its Norton current through
   * all that is joined to it, and the meter's own input behind the ohms there: across a break it shows next to nothing.
   */
  coilTransfer(red: Point, black: Point): number {
    if (this.car.sensor.mode === "open") return 0;
    const shape = this.net.ladder.unit(this.net.sensorNode(0), this.net.sensorNode(1), this.scratch);
    this.applyBranch(shape);
    const volts = Math.abs(nodeValue(shape, this.net.nodeOf(red)) - nodeValue(shape, this.net.nodeOf(black)));
    const { meterOhms, sensor } = this.car;
    return (volts / sensor.coilOhms) * (meterOhms / (meterOhms + this.betweenOhms(red, black)));
  }

  /** AC volts of the shop's mains between two points: what comes through the air, across the ohms there and the meter's own input. */
  strayV(red: Point, black: Point): number {
    const { strayA, meterOhms } = this.car;
    return strayA / (1 / meterOhms + 1 / this.betweenOhms(red, black));
  }

  /** Amperes the module feeds into an active sensor's supply wire: what a resistor above it senses. */
  suppliedAmps(level: SensorLevel): number {
    return this.net.feedAmps(level === "low" ? this.low : this.high);
  }

  /** Volts against battery negative, no meter attached. */
  potential(point: Point, level: SensorLevel): number {
    if (point.at === "battery") return point.pole === "positive" && !this.state.batteryOff ? this.car.batteryV : 0;
    return nodeValue(level === "low" ? this.low : this.high, this.net.nodeOf(point));
  }

  /** Solves one level into `volts`. @returns whether the sensor has its minimum voltage there */
  private settle(level: SensorLevel, volts: Float64Array): boolean {
    this.solveAs(level, "on", volts);
    if (this.acrossSensorV(volts) >= this.car.sensor.minimumV) return true;
    this.solveAs(level, "starved", volts);
    if (this.acrossSensorV(volts) >= this.car.sensor.deadV) return false;
    this.solveAs(level, "waiting", volts);
    if (this.acrossSensorV(volts) < 0) this.solveAs(level, "reversed", volts);
    return false;
  }

  private acrossSensorV(volts: Float64Array): number {
    return volts[this.net.sensorNode(0)]! - volts[this.net.sensorNode(1)]!;
  }

  private solveAs(level: SensorLevel, sensor: SensorState, volts: Float64Array): void {
    this.net.stamp(this.car, this.state, level, sensor, this.loaded);
    this.net.ladder.solve(volts);
    this.attachLoad(volts);
  }

  private betweenOhms(red: Point, black: Point): number {
    const [a, b] = [this.net.nodeOf(red), this.net.nodeOf(black)];
    if (a === b) return 0;
    if (a < 0 || b < 0) return this.ohmsToGround(a < 0 ? b : a);
    const shape = this.net.ladder.unit(a, b, this.scratch);
    this.applyBranch(shape);
    return nodeValue(shape, a) - nodeValue(shape, b);
  }

  private ohmsToGround(node: number): number {
    const ohms = this.net.ladder.ohmsToGround(node);
    if (!this.branch) return ohms;
    return ohms - nodeValue(this.branchShape, node) ** 2 / (this.branch.ohms + this.behindBranchOhms());
  }

  /** Adds a lamp between any two points by one rank-one update (Sherman–Morrison). */
  private attachLoad(volts: Float64Array): void {
    this.branch = null;
    const { load } = this.state;
    if (!load) return;
    const [red, black] = [this.point(load.red), this.point(load.black)];
    const [a, b] = [this.net.nodeOf(red), this.net.nodeOf(black)];
    const ohms = LOAD_OHMS[load.kind];
    this.net.ladder.unit(a, b, this.branchShape);
    const fixedV = (point: Point, node: number) =>
      point.at === "battery" ? this.potential(point, "low") : nodeValue(volts, node);
    const source = fixedV(red, a) - fixedV(black, b);
    this.branch = { a, b, ohms };
    const amps = source / (ohms + this.behindBranchOhms());
    for (let node = 0; node < volts.length; node++) volts[node]! -= this.branchShape[node]! * amps;
  }

  private applyBranch(shape: Float64Array): void {
    if (!this.branch) return;
    const { a, b, ohms } = this.branch;
    const amps = (nodeValue(shape, a) - nodeValue(shape, b)) / (ohms + this.behindBranchOhms());
    for (let node = 0; node < shape.length; node++) shape[node]! -= this.branchShape[node]! * amps;
  }

  /** Ohms of the corner between the branch's two ends, the branch itself left out. */
  private behindBranchOhms(): number {
    const { a, b } = this.branch!;
    return nodeValue(this.branchShape, a) - nodeValue(this.branchShape, b);
  }

  private point(text: string): Point {
    const parsed = parsePoint(text, this.setup);
    if (!parsed.ok) throw new RangeError(parsed.say);
    return parsed.point;
  }
}

function nodeValue(values: Float64Array, node: number): number {
  return node < 0 ? 0 : values[node]!;
}

/** The feed of a module that protects itself, while too much is drawn: off, but for what it tries again with. */
function withoutFeed(car: CornerCondition): CornerCondition {
  return { ...car, sourceOhms: car.trickleOhms, pullUpOff: car.tripTakesPullUp };
}

/**
 * A starved sensor's currents fall with the voltage left to it over its dead volts, beside what it conducts in any state.
 * Fed the wrong way round its chip is protected (data sheets, from memory): it conducts as one that nothing feeds, and switches nothing.
 */
function starvedOhms(
  { sensor: { minimumV, deadV, coldOhms } }: CornerCondition,
  amps: number,
  reversed: boolean,
): number {
  return 1 / ((reversed ? 1 / coldOhms : amps / (minimumV - deadV)) - ALWAYS_S);
}

/** Whether nothing feeds the sensor. */
function isDead({ key, batteryOff, unplugged }: CircuitState): boolean {
  return key === "off" || batteryOff || unplugged.length > 0;
}
