import { conductorsOf, nominalSupplyV, sensedSide, type CornerSetup } from "../circuit/setup";
import { copperAt, PAIR_FARAD_PER_M } from "../circuit/wire";
import { copyOfCondition, nominalCondition, type CornerCondition } from "../circuit/condition";
import { between, logBetween, within, type CarCondition, type Fault, type Place } from "../faults/fault";
import { fieldFactor, nominalRing } from "../ring/ring";
import { rollingCircumferenceM, tyreOf } from "../tyre/tyre";
import { decides, type OwnDimension, type Ranges } from "./dimensions";
import { tolerancesOf } from "./tolerances";

/** One car of this set-up: its tolerances, and a fault of its own size. */
export function drawCar(setup: CornerSetup, fault: Fault, place: Place, at: Ranges): CarCondition {
  return withFault(drawHealthy(setup, at), fault, place, at);
}

/** Gives a sound car a fault of its own size. @returns the same car */
export function withFault(car: CarCondition, fault: Fault, place: Place, at: Ranges): CarCondition {
  fault.apply(car, place, (index) => at(typeof index === "number" ? (`own${index}` satisfies OwnDimension) : index));
  return car;
}

/** A car of the same numbers that shares nothing a fault changes. */
export function copyOfCar(car: CarCondition): CarCondition {
  return { ...car, circuit: copyOfCondition(car.circuit), ring: { ...car.ring }, signs: { ...car.signs } };
}

/** Share of the time an intermittent fault is there. */
export function dutyOf(at: Ranges): number {
  return within(at("duty"), 0.08, 0.85);
}

/** The same car with nothing wrong, or while an intermittent fault is away. */
export function drawHealthy(setup: CornerSetup, at: Ranges): CarCondition {
  const ring = nominalRing(setup.pulsesPerRevolution ?? drawPulses(setup, at));
  // Passive 0.25 to 0.51 mm (common practice); active encoders stand 0.5 to 2 mm by design (from memory). Nineteen cars in
  // twenty lie within those, so the usual range is narrower.
  ring.nominalGapMm =
    setup.family === "passive" ? between(at("designGapMm"), 0.3, 0.5) : logBetween(at("designGapMm"), 0.65, 1.55);
  // Encoders in a bearing's seal stand nearer its middle than a toothed ring on the shaft (from memory).
  if (setup.family !== "passive") ring.diameterMm = logBetween(at("ringMm"), 58, 105);
  ring.gapMm = Math.max(0.05, ring.nominalGapMm + between(at("seatMm"), -0.12, 0.2));
  ring.runoutMm = logBetween(at("runoutMm"), 0.01, 0.06);
  const makeOutputFactor =
    setup.family === "passive" ? logBetween(at("outputFactor"), ...tolerancesOf(setup).outputFactor) : 1;
  return {
    circuit: drawCircuit(setup, at),
    ring,
    rollingM: setup.tyre === undefined ? logBetween(at("tyreM"), 1.78, 2.2) : rollingCircumferenceM(tyreOf(setup.tyre)),
    outputFactor: makeOutputFactor,
    makeOutputFactor,
    // What a sound corner's weakest pole gives still switches.
    switchField:
      setup.family === "passive"
        ? 0
        : Math.min(logBetween(at("switchField"), 0.1, 0.25), WEAK_POLE * fieldFactor(ring)),
    // Commonly 100 to 200 mV, some modules less (from memory).
    thresholdV: setup.family === "passive" ? logBetween(at("thresholdV"), 0.07, 0.2) : 0,
    pulseCoded: setup.family === "active-2wire" && isPulseCoded(setup, at),
    inputFault: false,
    elsewhere: false,
    othersDown: 0,
    signs: {},
  };
}

/**
 * Pulses of a turn where nobody said: 43 to 52 are common on toothed rings, and some encoders have 40 poles, which are 20
 * pulses (common practice).
 */
function drawPulses({ family }: CornerSetup, at: Ranges): number {
  if (family === "passive") return Math.round(logBetween(at("pulses"), 43, 51));
  return Math.round(MOST_PULSES * Math.exp(-0.245 * Math.max(0, 1.35 - at("pulses")) ** 2.6));
}

function drawCircuit(setup: CornerSetup, at: Ranges): CornerCondition {
  const circuit = nominalCondition(setup);
  circuit.batteryV = between(at("batteryV"), 12, 12.9);
  circuit.feedOhms = logBetween(at("feedOhms"), 0.02, 0.12);
  circuit.earthOhms = logBetween(at("earthOhms"), 0.003, 0.05);
  // Lamps and motors left on make it a few ohms, modules asleep hundreds and more (engineering judgement).
  circuit.carLoadOhms = logBetween(at("carLoadOhms"), 3, 1000);
  // An ABS module at rest draws a few tenths of an ampere to two (from memory).
  circuit.moduleLoadOhms = logBetween(at("moduleLoadOhms"), 8, 50);
  // Regulators and their watchdogs let go somewhere below what a cranking battery holds; a feed that is only a switch and
  // a resistor passes what is left, however little (engineering judgement).
  circuit.resetV = Math.min(MOST_RESET_V, Math.max(0, between(at("resetV"), -1, 7.5)));
  circuit.offOhms = logBetween(at("offOhms"), 3000, 200_000);
  circuit.insulationS = logBetween(at("insulationS"), 1e-12, 1e-9);
  const faradPerM = between(at("faradPerM"), PAIR_FARAD_PER_M.from, PAIR_FARAD_PER_M.to);
  const timesUsual = Math.max(faradPerM, PAIR_FARAD_PER_M.from / 2) / PAIR_FARAD_PER_M.usual;
  circuit.spanFarad = circuit.spanFarad.map((farad) => farad * timesUsual);
  // Capacitors against interference behind the pins, 1 to 100 nF (from memory).
  circuit.moduleFarad = logBetween(at("moduleFarad"), 1e-9, 1e-7);
  circuit.sensor.farad = setup.family === "passive" ? 0 : logBetween(at("sensorFarad"), 1e-9, 1e-7);
  const contact = logBetween(at("contactOhms"), 0.004, 0.02);
  circuit.contactOhms.fill(conductorsOf[setup.family].map(() => contact));
  // Over 1 MΩ is sound (common practice); how far over is dirt and damp, and no reading through it may tell a wire whole.
  circuit.sensor.bodyOhms = logBetween(at("bodyOhms"), 5e6, 5e10);
  if (setup.family === "passive") drawPassive(setup, circuit, at);
  else drawActive(setup, circuit, at);
  return circuit;
}

function drawPassive(setup: CornerSetup, circuit: CornerCondition, at: Ranges): void {
  // 800 to 2500 Ω, mostly 1.0 to 1.6 kΩ at 20 °C (common practice, no source).
  circuit.sensor.coilOhms = copperAt(logBetween(at("coilOhms"), 930, 1800), between(at("coilCelsius"), 5, 45));
  circuit.biasV = isBiased(setup, at) ? logBetween(at("biasV"), 0.5, 2.5) : 0;
  circuit.biasOhms = logBetween(at("biasOhms"), 10_000, 100_000);
  // From a resistor across the pair to next to nothing (engineering judgement).
  circuit.inputOhms = Math.max(LEAST_INPUT_OHMS, logBetween(at("inputOhms"), 15_000, 1_000_000));
  if (decides(at, "legHeld")) circuit.legOhms = logBetween(at("legOhms"), 30, 5000);
  // Through 10 MΩ next to nothing out of doors, half a volt beneath a lamp: "ghost volts" on what floats (engineering judgement).
  circuit.strayA = logBetween(at("strayA"), 5e-10, 5e-8);
}

function drawActive(setup: CornerSetup, circuit: CornerCondition, at: Ranges): void {
  const { sensor } = circuit;
  const usual = tolerancesOf(setup);
  // 10 to 12 V of a nominal 12 are met on good cars: regulated, or the battery less a drop (common practice); 5 V are held closer.
  const supplyV = suppliedV(setup, at);
  circuit.regulatorV = supplyV * between(at("regulatorV"), supplyV > MOST_LOGIC_V ? 0.88 : 0.95, 1.03);
  circuit.sourceOhms = logBetween(at("sourceOhms"), 5, 30);
  // A starved module is off for good, or its switch leaks part of what is left (engineering judgement).
  circuit.starvedShare = Math.max(0, between(at("starvedShare"), -1, 0.9));
  if (decides(at, "feedTrips")) circuit.tripA = logBetween(at("tripA"), 0.035, 0.1);
  // Off for good, off and on again by the second, or held to a few milliamperes: a meter shows the mean (engineering judgement).
  circuit.trickleOhms = logBetween(at("trickleOhms"), 1500, 1e6);
  circuit.tripTakesPullUp = decides(at, "pullUpTrips");
  // About 4.5 V by the data sheets (from memory); chips hold their currents to somewhere below that, some to 1.5 V.
  sensor.minimumV = Math.min(logBetween(at("minimumV"), 1.5, 4.7), MOST_OF_SUPPLY * supplyV);
  // A starved chip's currents fall in a straight line, or only from the volt or two its own regulator takes (engineering judgement).
  sensor.deadV = Math.max(0, between(at("deadV"), -1, 2));
  sensor.coldOhms = logBetween(at("coldOhms"), 10_000, 1e9);
  sensor.restsHigh = decides(at, "restsHigh");
  if (setup.family === "active-3wire") {
    sensor.quiescentA = between(at("quiescentA"), 0.004, 0.009);
    sensor.outputOhms = logBetween(at("outputOhms"), 5, 40);
    const pullUpV = setup.pullUpV ?? (decides(at, "pullUpHigh") ? 12 : LOGIC_V);
    // Logic's own supply is held within a few in a hundred; what is called 12 V is the battery less a drop (engineering judgement).
    circuit.pullUpV = pullUpV * between(at("pullUpShare"), pullUpV > MOST_LOGIC_V ? 0.89 : 0.96, 1.02);
    circuit.pullUpOhms = Math.max(LEAST_PULL_UP_OHMS, logBetween(at("pullUpOhms"), 1000, 10_000));
    fedWellEnough(circuit, sensor.quiescentA * circuit.sourceOhms);
    return;
  }
  if (sensedSide(setup) === "unknown") circuit.senseHigh = decides(at, "senseHigh");
  circuit.senseOhms = logBetween(at("senseOhms"), ...usual.senseOhms);
  // A sound sensor's two currents lie either side of what a module calls high.
  sensor.lowA = Math.min(MOST_LOW_A, between(at("lowA"), ...usual.lowA));
  sensor.highA = Math.max(LEAST_HIGH_A, sensor.lowA * between(at("currentRatio"), ...usual.ratio));
  fedWellEnough(circuit, sensor.highA * (circuit.sourceOhms + circuit.senseOhms));
}

/** None is built to starve on the supply it is made for, less what is lost before it. */
function fedWellEnough({ sensor, regulatorV }: CornerCondition, lostV: number): void {
  sensor.minimumV = Math.min(sensor.minimumV, Math.max(LEAST_MINIMUM_V, MOST_OF_LEFT * (regulatorV - lostV)));
  sensor.deadV = Math.min(sensor.deadV, MOST_DEAD * sensor.minimumV);
}

/** What the sensor is fed with: what was said; else two wires 12 V, three wires one of three voltages (domain, section 4). */
function suppliedV(setup: CornerSetup, at: Ranges): number {
  if (setup.supplyV !== undefined || setup.family !== "active-3wire") return nominalSupplyV(setup);
  if (decides(at, "supplyLogic")) return LOGIC_V;
  return decides(at, "supplyEight") ? 8 : 12;
}

const LOGIC_V = 5;
/** Up to here it is logic's own supply that feeds it. */
const MOST_LOGIC_V = 6;

function isBiased({ legBias }: CornerSetup, at: Ranges): boolean {
  return legBias === "unknown" ? decides(at, "biased") : legBias === "yes";
}

/**
 * Width-coded and three-level sensors give short pulses from the low level, where a half-duty one stands at either.
 */
function isPulseCoded({ protocol }: CornerSetup, at: Ranges): boolean {
  if (protocol !== "unknown") return protocol !== "half-duty";
  return decides(at, "protocol");
}

/** Of encoders: half have 46 and more, one in ten less than 30, one in fifty 20 (engineering judgement). */
const MOST_PULSES = 54;
/** A sensor keeps working down to this part of its supply at least. */
const MOST_OF_SUPPLY = 0.75;
/** Under this no chip works, whatever supply was typed for it (from memory). */
const LEAST_MINIMUM_V = 1;
/** Of the volts left to it on a good corner, the part that is enough for any sensor. */
const MOST_OF_LEFT = 0.9;
/** Less across the pair would take half of a coil's signal (engineering judgement). */
const LEAST_INPUT_OHMS = 5000;
/** Widest of what data sheets allow, 5.9 to 8.4 and 11.8 to 16.8 mA, and a tenth beyond (from memory). */
const MOST_LOW_A = 0.0092;
const LEAST_HIGH_A = 0.0107;
/** A smaller pull-up would not be pulled low enough (engineering judgement). */
const LEAST_PULL_UP_OHMS = 600;
/** No module lets go while a starter turns the engine (engineering judgement). */
const MOST_RESET_V = 9;
/** A weak pole's field against the mean of them all, which differ by 7 % (from memory). */
const WEAK_POLE = 0.75;
/** Of its minimum voltage, the part under which no sensor is dead yet. */
const MOST_DEAD = 0.9;
