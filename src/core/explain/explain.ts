import { t } from "../words/words";
import { inTheMiddle } from "../car/dimensions";
import { drawHealthy } from "../car/draw";
import { UNKNOWN_PLACE } from "../car/whereabouts";
import { StateReader } from "../observation/reader";
import { recordCar } from "../simulated/synthesise";
import type { Hookup } from "../checks/hookup";
import { hookupLabel } from "../checks/words";
import { setContact } from "../circuit/condition";
import type { Point } from "../circuit/point";
import {
  cornerSetupSchema,
  nominalPulses,
  usualCorner,
  signalConductor,
  type CornerSetup,
  type Family,
  type StationId,
} from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import { suspectables } from "../faults/catalogue";
import type { CarCondition } from "../faults/fault";
import type { Capture } from "../capture/capture";
import { frequencyHz, tyreOf, rollingCircumferenceM } from "../tyre/tyre";
import { formatQuantity } from "../units/format";
import { analyseCapture } from "../waveform/analyse";
import { ringRaster, type RingRaster } from "../waveform/raster";
import { rasterWords } from "../waveform/raster-words";
import { seeded } from "../random/random";

/** What the sliders of the corner say. */
export interface ExplainSettings {
  family: Family;
  speedKmh: number;
  gapMm: number;
  missing: number;
  runoutMm: number;
  /** Series resistance in the signal path at C1, ohms. */
  contactOhms: number;
  /** Leak from the signal wire to ground, ohms; 0 for none. */
  chafeOhms: number;
  /** What the module senses a two-wire sensor's current across, ohms. */
  senseOhms: number;
  /** How the wheel turns: at one speed, or let go after a push. */
  spin: "steady" | "runs-out";
}

export const usualExplain: ExplainSettings = {
  family: "active-2wire",
  speedKmh: 8,
  gapMm: 1,
  missing: 0,
  runoutMm: 0.03,
  contactOhms: 0,
  chafeOhms: 0,
  senseOhms: 122,
  spin: "steady",
};

export interface Explained {
  readings: { label: string; shown: string }[];
  /** Volts at the module's pin over time. */
  trace: [timeS: number, value: number][];
  /** A few turns of it folded over the ring; null where no pulse comes through. */
  raster: RingRaster | null;
  rasterSay: string;
  /** What the module makes of it. */
  module: string;
}

const TRACE_S = 0.35;
/** A wheel that runs out is shown for as long as it takes to slow to this part of its speed. */
const RUN_OUT_S = 1.6;
const SLOWED_TO = 0.15;
const SAMPLE_S = 1 / 3000;

/** The whole corner, worked for one setting of the sliders: meter, trace and the module's view from one model. */
export function explainCorner(settings: ExplainSettings): Explained {
  const setup = cornerSetupSchema.parse({
    ...usualCorner,
    corner: "FL",
    family: settings.family,
    path: [
      { station: "module" },
      { spanM: 1.2, mm2: 0.5 },
      { station: "c1" },
      { spanM: 2, mm2: 0.5 },
      { station: "plug" },
    ],
  });
  const car = carOf(setup, settings);
  const turning = circuitStateSchema.parse({ wheel: "driven", speedKmh: Math.max(0.5, settings.speedKmh) });
  const still = circuitStateSchema.parse({});
  const signal = signalConductor(setup);
  const black: Point = setup.family === "passive" ? at("plug", "b") : { at: "battery", pole: "negative" };
  const moduleBlack: Point = setup.family === "passive" ? at("module", "b") : black;
  const first = setup.family === "passive" ? "a" : "supply";
  const hookups: Hookup[] = [
    { instrument: "volts-dc", red: at("plug", first), black: { at: "battery", pole: "negative" }, state: still },
    ...(setup.family === "passive"
      ? []
      : [{ instrument: "volts-dc", red: at("plug", signal), black, state: still } as Hookup]),
    { instrument: "volts-ac", red: at("plug", signal), black, state: turning },
    { instrument: "volts-ac", red: at("module", signal), black: moduleBlack, state: turning },
    { instrument: "hertz", red: at("module", signal), black: moduleBlack, state: turning },
  ];
  const speed: Hookup = { instrument: "scan", look: "speed", state: turning };
  return {
    readings: hookups.map((hookup) => ({
      label: `${hookupLabel(hookup)}, ${UNITS[hookup.instrument]}`,
      shown: shown(setup, car, hookup),
    })),
    trace: traceOf(setup, car, settings),
    ...rasterOf(setup, car, settings),
    module: MODULE_WORDS[likeliest(setup, car, speed)]!,
  };
}

const UNITS: Partial<Record<Hookup["instrument"], string>> = {
  get "volts-dc"() {
    return t`DC, still`;
  },
  get "volts-ac"() {
    return t`AC, turning`;
  },
  hertz: "Hz",
};
const SPEED_WORDS = ["follows", "zero", "drops-out", "cuts-low", "ratio-off", "erratic"] as const;
const MODULE_WORDS: Record<string, string> = {
  get follows() {
    return t`The module's speed follows the wheel all the way.`;
  },
  get zero() {
    return t`The module sees nothing: lamp on, ABS off.`;
  },
  get "drops-out"() {
    return t`The speed drops out now and then.`;
  },
  get "cuts-low"() {
    return t`The speed falls to zero early while slowing: the module takes it for a locking wheel.`;
  },
  get "ratio-off"() {
    return t`The speed is steadily high or low.`;
  },
  get erratic() {
    return t`The speed jumps every turn.`;
  },
};

function carOf(setup: CornerSetup, settings: ExplainSettings): CarCondition {
  const car = drawHealthy(setup, inTheMiddle);
  car.ring.gapMm = settings.gapMm;
  car.ring.runoutMm = settings.runoutMm;
  car.circuit.senseOhms = settings.senseOhms;
  if (settings.missing > 0) car.ring.missing = { start: 12, count: settings.missing };
  if (settings.contactOhms > 0) setContact(car.circuit, 1, 0, settings.contactOhms);
  if (settings.chafeOhms > 0)
    car.circuit.spanDefects.push({
      span: 1,
      fraction: 0.5,
      conductor: setup.family === "active-3wire" ? 2 : setup.family === "passive" ? 0 : 1,
      kind: "to-ground",
      ohms: settings.chafeOhms,
    });
  return car;
}

function at(station: StationId, conductor: ReturnType<typeof signalConductor>): Point {
  return { at: "face", station, face: station === "module" ? "in" : "out", conductor };
}

function shown(setup: CornerSetup, car: CarCondition, hookup: Hookup): string {
  const reader = new StateReader(setup, hookup.state, [hookup]);
  reader.take(car);
  const outlook = reader.outlook(0, UNKNOWN_PLACE);
  if (outlook.kind === "words") return "";
  const levels = outlook.values.map((value) =>
    formatQuantity(value, hookup.instrument === "hertz" ? "hertz" : "volts"),
  );
  return [...new Set(levels)].join(t` or `);
}

function likeliest(setup: CornerSetup, car: CarCondition, hookup: Hookup): string {
  const reader = new StateReader(setup, hookup.state, [hookup]);
  reader.take(car);
  const { chances } = reader.outlook(0, UNKNOWN_PLACE);
  return SPEED_WORDS[chances.indexOf(Math.max(...chances))]!;
}

/** Seconds the trace shows. */
export function traceSeconds({ spin }: Pick<ExplainSettings, "spin">): number {
  return spin === "steady" ? TRACE_S : RUN_OUT_S;
}

type Spin = Pick<ExplainSettings, "speedKmh" | "spin">;

function traceOf(setup: CornerSetup, condition: CarCondition, spin: Spin): [number, number][] {
  const samples = recorded(setup, condition, spin, traceSeconds(spin), SAMPLE_S);
  return Array.from(samples, (value, i) => [i * SAMPLE_S, value]);
}

/** As many turns, and samples a pulse, as a fold needs and a slider has time for; no whole number, which would cut every tooth alike on every turn. */
const [TURNS, SAMPLES_A_PULSE] = [5.2, 25.887];

function rasterOf(setup: CornerSetup, condition: CarCondition, spin: Spin): Pick<Explained, "raster" | "rasterSay"> {
  const pulses = nominalPulses(setup);
  const hertz = frequencyHz(Math.max(0.5, spin.speedKmh), pulses, rollingCircumferenceM(tyreOf(setup.tyre)));
  const sampleS = 1 / (SAMPLES_A_PULSE * hertz);
  // One that slows evenly covers as many turns in longer.
  const longer = spin.spin === "steady" ? 1 : 2 / (1 + SLOWED_TO);
  const samples = recorded(setup, condition, spin, (longer * TURNS * pulses) / hertz, sampleS);
  const capture: Capture = { name: "turns", sampleS, startS: 0, channels: [{ name: t`signal`, unit: "V", samples }] };
  const raster = ringRaster(capture, 0, pulses);
  const [analysis] = analyseCapture(capture, { pulses, family: setup.family, tyre: setup.tyre });
  return {
    raster,
    rasterSay: raster ? rasterWords(analysis!) : t`No pulse to fold: nothing gets through.`,
  };
}

function recorded(
  setup: CornerSetup,
  condition: CarCondition,
  { speedKmh, spin }: Spin,
  durationS: number,
  sampleS: number,
): Float32Array {
  const truth = suspectables(setup).find(({ fault }) => fault.part === "none")!;
  return recordCar(
    { setup, truth, condition, away: null, duty: 1, random: seeded(1), said: new Map(), stands: null, luck: null },
    {
      point: at("module", signalConductor(setup)),
      durationS,
      sampleS,
      fromKmh: speedKmh,
      toKmh: spin === "steady" ? speedKmh : SLOWED_TO * speedKmh,
      noiseV: 0.004,
      seed: 5,
    },
  );
}
