import { provokedBy, wiggledPlace } from "../checks/answers";
import { piercedPoints, type Hookup } from "../checks/hookup";
import { CornerNet } from "../circuit/corner-net";
import { pointText, type Point } from "../circuit/point";
import { conductorsOf, nearestPlug, signalConductor, stationsOf, type CornerSetup } from "../circuit/setup";
import { SolvedCorner } from "../circuit/solve";
import { speedOf, type CircuitState } from "../circuit/state";
import type { CarCondition } from "../faults/fault";
import { coilRmsV, lostPoleShare } from "../ring/ring";
import { frequencyHz, parseTyre, rollingCircumferenceM } from "../tyre/tyre";
import { modulePins, moduleView, type ModuleView } from "./signal";
import type { Whereabouts } from "./whereabouts";
import {
  comparedChances,
  expectedFinding,
  lookChances,
  moduleAnswers,
  provokedChances,
  scopeChances,
  speedChances,
  swapChances,
  wiggleChances,
  type Trace,
} from "./word-answers";

/** What one car would answer to one hook-up: numbers with their chances (Infinity = over limit), or the chances of each word. */
export type Outlook = { kind: "numbers"; values: number[]; chances: number[] } | { kind: "words"; chances: number[] };

const DEFAULT_TYRE = { widthMm: 205, aspectPct: 55, rimInch: 16 };

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
  private readonly hertzPerKmh: number;
  private readonly needsHigh: boolean;
  private readonly loadsWire: boolean;
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
    this.electrical = hookups.some((hookup) => "red" in hookup || LIVE.has(hookup.look));
    const circumferenceM = rollingCircumferenceM(parseTyre(setup.tyre) ?? DEFAULT_TYRE);
    this.hertzPerKmh = frequencyHz(1, setup.pulsesPerRevolution, circumferenceM);
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
        return sure(this.solved.meterOhms(hookup.red, hookup.black));
      case "capacitance":
        return this.charge(hookup.red, hookup.black);
      case "hertz":
      case "duty":
        return this.rhythm(hookup);
      case "continuity":
        return beep(this.solved.meterOhms(hookup.red, hookup.black));
      case "lamp":
        return lamp(
          feedsThroughWire(hookup) ? this.solved.feedAmps(hookup.red, hookup.black) : Math.abs(this.solved.loadAmps()),
        );
      case "amps-dc":
        return this.clamped(hookup.red, hookup.black);
      case "gauge":
        return sure(hookup.look === "gap" ? car.ring.gapMm : 2 * car.ring.runoutMm);
      case "scope":
        return {
          kind: "words",
          chances: scopeChances(car, this.trace(hookup.red), hookup, this.setup, where.comesAndGoes, this.moduleView()),
        };
      default:
        return { kind: "words", chances: this.looked(hookup, where) };
    }
  }

  private looked(hookup: Hookup & { look: string }, where: Whereabouts): number[] {
    const car = this.solvedFor!;
    if (hookup.look === "swap") return swapChances(where.sensorAtFault);
    if (hookup.look === "speed") return speedChances(car, this.moduleView(), hookup, this.setup, where.comesAndGoes);
    if (hookup.look === "other-side") {
      const point: Point = {
        at: "face",
        station: nearestPlug(this.setup),
        face: "out",
        conductor: signalConductor(this.setup),
      };
      return comparedChances(car, this.trace(point), hookup, this.setup, this.moduleView());
    }
    const wake = provokedBy(hookup.look);
    if (wake) return provokedChances(car, where, wake);
    if (LIVE.has(hookup.look)) return moduleAnswers(car, this.moduleView(), hookup, this.setup);
    const wiggled = wiggledPlace(hookup.look, this.setup);
    if (wiggled) return wiggleChances(car, where, wiggled);
    const station = where.place.station === undefined ? null : stationsOf(this.setup)[where.place.station]!.station;
    return lookChances(car, hookup, this.setup, station);
  }

  /** The finding a perfect eye would have in a capture at this hook-up of the car last taken. */
  expectedFinding(hookup: Hookup & { red: Point }, comesAndGoes: boolean): string {
    return expectedFinding(this.solvedFor!, this.trace(hookup.red), hookup, comesAndGoes, this.moduleView());
  }

  private moduleView(): ModuleView {
    this.view ??= moduleView(this.solvedFor!, this.setup, this.pins, this.state, this.solved);
    return this.view;
  }

  /** DC volts: one level while still (nobody knows which pole faces the sensor), the mean while turning. */
  private levels(red: Point, black: Point): Outlook {
    const { low, high } = this.solved.meterVolts(red, black);
    if (!this.needsHigh) return sure(low);
    const { sensor } = this.solvedFor!.circuit;
    if (sensor.mode === "stuck" || this.switchedShare() === 0) return sure(sensor.restsHigh ? high : low);
    if (this.state.wheel === "still") return resting(sensor.restsHigh, low, high);
    return sure((low + high) / 2);
  }

  /** A clamp about a looped jumper between a plug's two faces: the current there, the mean of both levels while turning. */
  private clamped(red: Point, black: Point): Outlook {
    const { circuit } = this.solvedFor!;
    const ohms = "station" in red ? contactOhmsAt(circuit, this.setup, red) : Infinity;
    const { low, high } = this.solved.contactAmps(red, black, ohms);
    if (!this.needsHigh) return sure(low);
    if (circuit.sensor.mode === "stuck" || this.switchedShare() === 0)
      return sure(circuit.sensor.restsHigh ? high : low);
    return this.state.wheel === "still" ? resting(circuit.sensor.restsHigh, low, high) : sure((low + high) / 2);
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
    if (this.state.wheel === "still") return 0;
    const car = this.solvedFor!;
    if (this.setup.family === "passive")
      return this.solved.coilTransfer(red, black) * coilRmsV(car.ring, speedOf(this.state), car.outputFactor);
    if (!this.needsHigh || car.circuit.sensor.mode === "stuck") return 0;
    const { low, high } = this.solved.meterVolts(red, black);
    const step = Math.abs(high - low);
    // An averaging meter is scaled for sines: a square wave reads π/(2√2) = 1.11 times its RMS.
    return (
      (this.setup.meter?.averageResponding ? AVERAGING_ON_SQUARE : 1) * (step / 2) * Math.sqrt(this.switchedShare())
    );
  }

  private rhythm(hookup: Hookup & { red: Point; black: Point }): Outlook {
    const volts = this.alternatingV(hookup.red, hookup.black);
    const { ring } = this.solvedFor!;
    if (volts < 0.03 || this.solvedFor!.circuit.sensor.mode === "noisy") return sure(0);
    if (hookup.instrument === "duty") return sure(50);
    const kept = (1 - (ring.missing?.count ?? 0) / ring.pulses) * this.switchedShare();
    return sure(this.hertzPerKmh * speedOf(this.state) * ring.countRatio * kept);
  }

  private switchedShare(): number {
    const { ring, switchField } = this.solvedFor!;
    if (this.setup.family === "passive") return 1;
    const share = 1 - lostPoleShare(ring, switchField);
    return share < 0.05 ? 0 : share;
  }

  /** What a scope sees at a point against the sensor's own ground wire: step in volts, and as a share of a good one. */
  private trace(red: Point): Trace {
    const car = this.solvedFor!;
    const black = returnBeside(red, this.setup);
    if (this.setup.family === "passive") {
      const rms =
        this.solved.coilTransfer(red, black) * coilRmsV(car.ring, Math.max(4, speedOf(this.state)), car.outputFactor);
      const usual = coilRmsV({ ...car.ring, gapMm: car.ring.nominalGapMm }, Math.max(4, speedOf(this.state)), 0.9);
      return { step: rms, share: rms / usual, bothLevels: true };
    }
    if (!this.needsHigh || car.circuit.sensor.mode === "stuck") return { step: 0, share: 0, bothLevels: false };
    const step = Math.abs(this.solved.potential(red, "high") - this.solved.potential(red, "low"));
    return { step, share: 1, bothLevels: this.moduleView().circuitOk };
  }
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

/** Looks that ask the module what it sees. */
const LIVE: ReadonlySet<string> = new Set(["other-side", "speed", "which", "magnet", "steering", "fuse-out"]);

/** A lamp hung at the far end of a wire fed at the near one, both ends open. */
function feedsThroughWire({ red, black }: { red: Point; black: Point }): boolean {
  return red.at === "face" && black.at === "face" && red.conductor === black.conductor;
}

function contactOhmsAt(circuit: CarCondition["circuit"], setup: CornerSetup, red: Point & { station: string }): number {
  const station = stationsOf(setup).findIndex(({ station }) => station === red.station);
  const wire = "conductor" in red ? conductorsOf[setup.family].indexOf(red.conductor) : 0;
  return circuit.contactOhms[station]![wire]!;
}

/** A wheel that stands keeps the pole it stopped at, unless someone turned it between two readings. */
function resting(restsHigh: boolean, low: number, high: number): Outlook {
  if (Math.abs(high - low) < 1e-4) return sure(low);
  return { kind: "numbers", values: restsHigh ? [high, low] : [low, high], chances: [1 - MOVED, MOVED] };
}

const MOVED = 0.1;
/** A leak of this size spoils a capacitance range half the time (engineering judgement). */
const GIVES_UP_OHMS = 2e6;
const AVERAGING_ON_SQUARE = Math.PI / (2 * Math.SQRT2);

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
  const chances = amps > 0.18 ? [0.95, 0.04, 0.01] : amps > 0.06 ? [0.08, 0.88, 0.04] : [0.01, 0.05, 0.94];
  return { kind: "words", chances };
}
