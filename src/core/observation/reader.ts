import { lookOf, type LookId } from "../checks/looks/looks";
import type { Seen, Trace } from "../checks/looks/look";
import { piercedPoints, type Hookup } from "../checks/hookup";
import { CornerNet, REGULATOR_DROP_V } from "../circuit/corner-net";
import { pointText, signalPoint, type Point } from "../circuit/point";
import { conductorsOf, nearestPlug, stationsOf, type CornerSetup } from "../circuit/setup";
import { SolvedCorner } from "../circuit/solve";
import { speedOf, type CircuitState } from "../circuit/state";
import type { CarCondition } from "../faults/fault";
import { coilRmsV, lostPoleShare } from "../ring/ring";
import { frequencyHz } from "../tyre/tyre";
import { modulePins, moduleView, type ModuleView } from "../car/signal";
import type { Whereabouts } from "../car/whereabouts";
import { expectedFinding, LEAST_STEP_V, scopeChances, wordChances } from "./word-chances";

/** What one car would answer to one hook-up: numbers with their chances (Infinity = over limit), or the chances of each word. */
export type Outlook = { kind: "numbers"; values: number[]; chances: number[] } | { kind: "words"; chances: number[] };

/**
 * Reads any number of hook-ups that share one state off one car after another; the circuit is solved once a car
 * and sensor level, however many hook-ups ask.
 */
export class StateReader {
  readonly hookups: readonly Hookup[];
  private readonly setup: CornerSetup;
  private readonly state: CircuitState;
  private readonly solved: SolvedCorner;
  private readonly pins: readonly Point[];
  private readonly electrical: boolean;
  private readonly needsHigh: boolean;
  private readonly loadsWire: boolean;
  /** What each look may be answered with. */
  private readonly words: readonly (readonly string[])[];
  private view: ModuleView | null = null;
  private solvedFor: CarCondition | null = null;

  constructor(setup: CornerSetup, state: CircuitState, hookups: readonly Hookup[]) {
    this.setup = setup;
    this.state = withLamp(state, hookups);
    this.hookups = hookups;
    const pierced = hookups.flatMap((hookup) => piercedPoints({ ...hookup, state: this.state } as Hookup, setup));
    const charged = hookups.some(({ instrument }) => instrument === "capacitance");
    this.solved = new SolvedCorner(
      setup,
      new CornerNet(setup, pierced),
      charged ? new CornerNet(setup, pierced) : null,
    );
    this.pins = modulePins(setup);
    this.electrical = hookups.some((hookup) => "red" in hookup || lookOf(hookup.look).live);
    this.words = hookups.map((hookup) =>
      "look" in hookup ? (lookOf(hookup.look).answers?.list.map(({ word }) => word) ?? []) : [],
    );
    this.loadsWire = hookups.some((hookup) => hookup.instrument === "lamp");
    this.needsHigh = setup.family !== "passive" && state.key === "on" && !state.batteryOff;
  }

  /** Takes the next car; `outlook` then answers for it. */
  take(car: CarCondition): void {
    this.solvedFor = car;
    this.view = null;
    if (this.electrical) this.solved.solve(car.circuit, this.state, this.loadsWire);
  }

  /** What the car last taken would answer to hook-up number `at`. */
  outlook(at: number, where: Whereabouts): Outlook {
    const hookup = this.hookups[at]!;
    const car = this.solvedFor!;
    switch (hookup.instrument) {
      case "volts-dc":
        return this.levels(hookup.red, hookup.black);
      case "volts-ac":
        return sure(this.alternatingV(hookup.red, hookup.black));
      case "ohms":
        return sure(this.ohms(hookup.red, hookup.black));
      case "capacitance":
        return this.charge(hookup.red, hookup.black);
      case "hertz":
      case "duty":
        return this.rhythm(hookup);
      case "continuity":
        return beep(this.ohms(hookup.red, hookup.black));
      case "lamp":
        return lamp(
          feedsThroughWire(hookup) ? this.solved.feedAmps(hookup.red, hookup.black) : Math.abs(this.solved.loadAmps()),
        );
      case "amps-dc":
        return this.clamped(hookup.red, hookup.black);
      case "scope":
        return {
          kind: "words",
          chances: scopeChances(car, this.trace(hookup.red), hookup, this.setup.family, where, this.moduleView()),
        };
      default:
        return this.looked(hookup, at, where);
    }
  }

  private looked(hookup: Hookup & { look: LookId }, at: number, where: Whereabouts): Outlook {
    const car = this.solvedFor!;
    const { answers, readsMm } = lookOf(hookup.look);
    if (readsMm) return sure(readsMm(car));
    const words = this.words[at]!;
    const here = wordChances(words, answers!.chances(this.seen(hookup, where)), answers!.rest);
    if (!where.and) return { kind: "words", chances: here };
    const second = wordChances(words, answers!.chances(this.seen(hookup, where.and)), answers!.rest);
    return { kind: "words", chances: eitherSeen(here, second, words.indexOf(answers!.rest ?? words[0]!)) };
  }

  private seen(hookup: Hookup, where: Whereabouts): Seen {
    const car = this.solvedFor!;
    return {
      car,
      where: { ...where, station: stationOf(where, this.setup) },
      state: hookup.state,
      setup: this.setup,
      sign: (name) => car.signs[name] ?? 0,
      module: () => this.moduleView(),
      besideOther: () => this.besideOther(this.trace(signalPoint(this.setup, nearestPlug(this.setup)))),
    };
  }

  /** The finding a perfect eye would have in a capture at this hook-up of the car last taken. */
  expectedFinding(hookup: Hookup & { red: Point }, comesAndGoes: boolean): string {
    return expectedFinding(
      this.solvedFor!,
      this.trace(hookup.red),
      hookup,
      comesAndGoes,
      this.moduleView(),
      this.setup.family,
    );
  }

  private moduleView(): ModuleView {
    this.view ??= moduleView(this.solvedFor!, this.setup, this.pins, this.state, this.solved);
    return this.view;
  }

  /**
   * Ohms; across an active sensor's wires they mean nothing: by make, polarity and meter a good one and an open one show
   * anything from kilohms to OL. Only what is far below that is a short or a bridge.
   */
  private ohms(red: Point, black: Point): number {
    const shown = this.solved.meterOhms(red, black);
    if (!isAcrossSensor(red, black, this.state, this.setup) || shown < SHORTED_OHMS) return shown;
    return this.solvedFor!.circuit.sensor.coldOhms;
  }

  /** DC volts at the sensor's two levels, as the wheel's motion shows them. */
  private levels(red: Point, black: Point): Outlook {
    return this.shown(this.solved.meterVolts(red, black), SAME_V);
  }

  /** A clamp about a looped jumper between a plug's two faces: the current there. */
  private clamped(red: Point, black: Point): Outlook {
    return this.shown(this.solved.jumperAmps(red, black), SAME_A);
  }

  /**
   * What a DC meter makes of two levels: while the wheel stands the one it stopped at (nobody knows which pole faces the
   * sensor), while it creeps either, or something between on a slow meter; while it turns the mean. Short pulses hardly
   * move a meter from the low level.
   */
  private shown({ low, high }: { low: number; high: number }, same: number): Outlook {
    if (!this.needsHigh || Math.abs(high - low) < same) return sure(low);
    const car = this.solvedFor!;
    const { sensor } = car.circuit;
    const { wheel } = this.state;
    if (sensor.mode === "noisy") return among([low, high, (low + high) / 2], [0.4, 0.4, 0.2]);
    const switched = this.switchedShare();
    if (sensor.mode === "stuck" || switched === 0) return this.atLevels(low, high, COMES_UP_ANEW);
    if (car.pulseCoded) return this.pulses(low, high);
    // Where a weak field loses pulses it stays at one level meanwhile.
    if (wheel === "still") return this.atLevels(low, high, switched / 2);
    const between = wheel === "creep" ? CREEP_BETWEEN * switched : TURNING_BETWEEN;
    return this.atLevels(low, high, ((1 - between) * switched) / 2, between, switched);
  }

  /**
   * Short pulses hardly move a meter from the low level, but one that holds what it met last, or a scope's cursor, shows their
   * top: the high current of a width-coded sensor, four times the low one of a three-level one.
   */
  private pulses(low: number, high: number): Outlook {
    const { wheel } = this.state;
    if (wheel === "still") return sure(low);
    const usual = wheel === "creep" ? low : low + CODED_DUTY * (high - low);
    const tops = { width: [high], "three-level": [low + 3 * (high - low)] };
    const { protocol } = this.setup;
    const met = protocol === "width" || protocol === "three-level" ? tops[protocol] : Object.values(tops).flat();
    return among([usual, ...met], [1 - met.length * CAUGHT, ...met.map(() => CAUGHT)]);
  }

  /**
   * The low level, the high one, and what lies between: in this order whichever the sensor rests at, as a standing wheel is
   * remembered by it. @param once chance of the level it does not rest at @param between chance of the mean
   */
  private atLevels(low: number, high: number, once: number, between = 0, switched = 0): Outlook {
    const { restsHigh } = this.solvedFor!.circuit.sensor;
    const rests = 1 - between - once;
    const levels = restsHigh ? [once, rests] : [rests, once];
    if (between === 0) return among([low, high], levels);
    const mean = restsHigh ? high - (switched * (high - low)) / 2 : low + (switched * (high - low)) / 2;
    return among([low, high, mean], [...levels, between]);
  }

  /** A capacitance range counts what it takes to charge the wires; past a leak of a megohm or so, or on a live circuit, it gives up. */
  private charge(red: Point, black: Point): Outlook {
    if (this.state.key === "on" && !this.state.batteryOff) return sure(Infinity);
    const { farad, leakOhms } = this.solved.capacitance(red, black);
    const givesUp = 1 / (1 + (leakOhms / GIVES_UP_OHMS) ** 2);
    if (givesUp > 0.999) return sure(Infinity);
    return { kind: "numbers", values: [farad, Infinity], chances: [1 - givesUp, givesUp] };
  }

  private alternatingV(red: Point, black: Point): number {
    if (this.setup.family === "passive") return Math.hypot(this.inducedV(red, black), this.solved.strayV(red, black));
    const car = this.solvedFor!;
    if (this.state.wheel === "still" || !this.needsHigh || car.circuit.sensor.mode === "stuck") return 0;
    const { low, high } = this.solved.meterVolts(red, black);
    const step = Math.abs(high - low);
    // RMS of pulses about their mean: step · √(d·(1 − d)), half the step at half duty.
    if (car.pulseCoded) return step * Math.sqrt(CODED_DUTY * (1 - CODED_DUTY) * this.switchedShare());
    // An averaging meter is scaled for sines: a square wave reads π/(2√2) = 1.11 times its RMS.
    return (
      (this.setup.meter?.averageResponding ? AVERAGING_ON_SQUARE : 1) * (step / 2) * Math.sqrt(this.switchedShare())
    );
  }

  /** AC volts that the turning ring makes in a coil. */
  private inducedV(red: Point, black: Point): number {
    if (this.state.wheel === "still") return 0;
    const { ring, outputFactor } = this.solvedFor!;
    return this.solved.coilTransfer(red, black) * coilRmsV(ring, speedOf(this.state), outputFactor);
  }

  private rhythm(hookup: Hookup & { red: Point; black: Point }): Outlook {
    const volts = this.alternatingV(hookup.red, hookup.black);
    const { ring, pulseCoded, rollingM } = this.solvedFor!;
    if (volts < COUNTED_V) return sure(0);
    const isStray = this.setup.family === "passive" && this.inducedV(hookup.red, hookup.black) < volts / 2;
    if (isStray) return hookup.instrument === "duty" ? sure(50) : among([0, ...MAINS_HZ], [0.2, 0.5, 0.3]);
    if (hookup.instrument === "duty") return sure(pulseCoded ? 100 * CODED_DUTY : 50);
    const kept = (1 - (ring.missing?.count ?? 0) / ring.pulses) * this.switchedShare();
    // Width-coded sensors give a pulse at each edge of a pole.
    const hertz =
      (pulseCoded ? 2 : 1) * frequencyHz(speedOf(this.state), ring.pulses, rollingM) * ring.countRatio * kept;
    // A counter makes of a signal with edges of its own what it will: nothing, the true count, or far more.
    return this.solvedFor!.circuit.sensor.mode === "noisy"
      ? among([0, hertz, 2.2 * hertz], [0.35, 0.4, 0.25])
      : sure(hertz);
  }

  private switchedShare(): number {
    const { ring, switchField } = this.solvedFor!;
    if (this.setup.family === "passive") return 1;
    const share = 1 - lostPoleShare(ring, switchField);
    return share < 0.05 ? 0 : share;
  }

  /** The same beside the other side's good one: what its make puts out then cancels. */
  private besideOther(trace: Trace): Trace {
    const { makeOutputFactor } = this.solvedFor!;
    return { ...trace, share: (trace.share * USUAL_OUTPUT) / (makeOutputFactor * USUAL_TRANSFER) };
  }

  /** What a scope sees at a point against the sensor's own ground wire: step in volts, and as a share of a good one. */
  private trace(red: Point): Trace {
    const car = this.solvedFor!;
    const black = returnBeside(red, this.setup);
    if (this.setup.family === "passive") {
      const rms =
        this.solved.coilTransfer(red, black) * coilRmsV(car.ring, Math.max(4, speedOf(this.state)), car.outputFactor);
      const usual = coilRmsV(
        { ...car.ring, gapMm: car.ring.nominalGapMm, strength: 1, absent: false },
        Math.max(4, speedOf(this.state)),
        USUAL_OUTPUT,
      );
      return { step: rms, share: rms / usual, bothLevels: true };
    }
    const { low, high } = this.solved.meterVolts(red, black);
    const wire = { away: this.awayAt(red, low), silent: this.isSilent(red) };
    if (!this.needsHigh || car.circuit.sensor.mode === "stuck")
      return { step: 0, share: 0, bothLevels: false, ...wire };
    const step = Math.abs(high - low);
    return { step, share: 1, bothLevels: this.moduleView().circuitOk, ...wire };
  }

  /** Whether a good sensor of this car makes no signal on that wire. */
  private isSilent(red: Point): boolean {
    if (this.setup.family === "active-3wire") return !("conductor" in red) || red.conductor !== "signal";
    const [one, other] = this.goodLevelsV(red);
    return Math.abs(one - other) < LEAST_STEP_V;
  }

  /** Which way a signal standing there stands at neither level that a good sensor of this car's makes on that wire; null where at one. */
  private awayAt(red: Point, volts: number): NonNullable<Trace["away"]> | null {
    const [one, other] = this.goodLevelsV(red);
    const apart = Math.min(Math.abs(volts - one), Math.abs(volts - other));
    if (apart <= Math.max(AWAY * Math.abs(one - other), rides(red) ? LEAST_RIDING_V : 0)) return null;
    // On the supply wire it rides on a feed that nobody knows, and looks like one recorded across the sensor.
    if (rides(red)) return "elsewhere";
    return volts < Math.min(one, other) ? "under" : volts > Math.max(one, other) ? "over" : "elsewhere";
  }

  private goodLevelsV(red: Point): [number, number] {
    const { sensor, senseOhms, senseHigh, pullUpV, regulatorV, sourceOhms, batteryV } = this.solvedFor!.circuit;
    if (this.setup.family === "active-3wire") return [0.2, Math.min(pullUpV, batteryV)];
    const fedOhms = sourceOhms + (senseHigh ? senseOhms : 0);
    const level = (amps: number) =>
      rides(red)
        ? Math.min(regulatorV, batteryV - REGULATOR_DROP_V) - fedOhms * amps
        : senseHigh
          ? 0
          : senseOhms * amps;
    return [level(sensor.lowA), level(sensor.highA)];
  }
}

/** On the supply wire a signal rides on the volts that feed the sensor. */
function rides(point: Point): boolean {
  return "conductor" in point && point.conductor === "supply";
}

/** What a look has of two faults: each shows as it would alone, and all is well only where neither shows. */
function eitherSeen(one: readonly number[], other: readonly number[], rest: number): number[] {
  const most = one.map((chance, i) => Math.max(chance, other[i]!));
  const shown = most.reduce((sum, chance, i) => (i === rest ? sum : sum + chance), 0);
  const scale = Math.min(1, 0.99 / Math.max(shown, 1e-9));
  return most.map((chance, i) => (i === rest ? 1 - scale * shown : scale * chance));
}

/** The usual second point for a trace: the other leg of a passive pair, else battery negative. */
function returnBeside(red: Point, setup: CornerSetup): Point {
  if (setup.family !== "passive" || !("conductor" in red)) return { at: "battery", pole: "negative" };
  return { ...red, conductor: conductorsOf.passive.find((name) => name !== red.conductor)! };
}

function withLamp(state: CircuitState, hookups: readonly Hookup[]): CircuitState {
  const lamp = hookups.find((hookup) => hookup.instrument === "lamp");
  if (!lamp || lamp.instrument !== "lamp" || feedsThroughWire(lamp)) return state;
  return { ...state, load: { kind: "lamp", red: pointText(lamp.red), black: pointText(lamp.black) } };
}

/** Whether an ohmmeter looks into an active sensor: between two of its wires, with the sensor still joined beyond. */
function isAcrossSensor(red: Point, black: Point, { unplugged }: CircuitState, setup: CornerSetup): boolean {
  if (setup.family === "passive" || red.at !== "face" || black.at !== "face") return false;
  const ids = stationsOf(setup).map(({ station }) => station);
  const nearest = Math.min(ids.indexOf(red.station), ids.indexOf(black.station));
  const beyond = ids.slice(nearest + (red.face === "out" && black.face === "out" ? 1 : 0));
  return red.conductor !== black.conductor && !beyond.some((station) => unplugged.includes(station));
}

function stationOf({ place }: Whereabouts, setup: CornerSetup): string | null {
  return place.station === undefined ? null : stationsOf(setup)[place.station]!.station;
}

/** A lamp hung at the far end of a wire fed at the near one, both ends open. */
function feedsThroughWire({ red, black }: { red: Point; black: Point }): boolean {
  return red.at === "face" && black.at === "face" && red.conductor === black.conductor;
}

/** A level this part of the step from both of a sensor's own is none of them (engineering judgement). */
const AWAY = 0.6;
/** Nor is what stands this far off on the supply wire, whose feed nobody knows to the tenth of a volt. */
const LEAST_RIDING_V = 0.5;
/** A sensor that does not switch rests at one level; fed anew, or touched, it now and then comes up at the other. */
const COMES_UP_ANEW = 0.06;
/** How often a meter is caught between the levels: seldom while the wheel creeps, nearly always once it turns. */
const CREEP_BETWEEN = 0.08;
const TURNING_BETWEEN = 0.94;
/** A counter needs so much to count. */
const COUNTED_V = 0.03;
/** What a counter makes of the mains on a wire that floats: its frequency, here or there. */
const MAINS_HZ = [50, 60];
/** Pulses of 45 to 360 µs, two a pole, at a hand's pace (from memory). */
const CODED_DUTY = 0.012;
/** How often the top of a short pulse is what a meter shows (engineering judgement). */
const CAUGHT = 0.08;
/** No good active sensor shows less to an ohmmeter (engineering judgement). */
const SHORTED_OHMS = 3000;
/** Output a passive sensor is held against where nothing is known of its make, as the analysis of captures has it. */
const USUAL_OUTPUT = 0.9;
/** What a module's input leaves of a coil's volts. */
const USUAL_TRANSFER = 0.95;
/** Levels closer than this are one to a meter. */
const SAME_V = 1e-4;
const SAME_A = 1e-5;
/** A leak of this size spoils a capacitance range half the time (engineering judgement). */
const GIVES_UP_OHMS = 2e6;
const AVERAGING_ON_SQUARE = Math.PI / (2 * Math.SQRT2);

function among(values: number[], chances: number[]): Outlook {
  return { kind: "numbers", values, chances };
}

function sure(value: number): Outlook {
  return { kind: "numbers", values: [value], chances: [1] };
}

/** Beepers sound under some 30 Ω (common practice, no source), not at one sharp value. */
function beep(ohms: number): Outlook {
  const heard = ohms < 0 ? 0.5 : 1 / (1 + (ohms / 30) ** 6);
  const chance = 0.98 * heard + 0.01;
  return { kind: "words", chances: [chance, 1 - chance] };
}

function lamp(amps: number): Outlook {
  const chances = amps > 0.18 ? [0.9985, 0.001, 0.0005] : amps > 0.06 ? [0.08, 0.88, 0.04] : [0.01, 0.05, 0.94];
  return { kind: "words", chances };
}
