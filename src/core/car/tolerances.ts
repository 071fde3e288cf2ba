import { t } from "../words/words";
import { sensedSide, type CornerSetup } from "../circuit/setup";
import { USUAL_DEVIATIONS } from "./dimensions";
import { PASSIVE_REFERENCE, SOUND_COILS } from "../ring/ring";

export type Bounds = readonly [from: number, to: number];

/** The usual ranges of what a known-good recording can narrow. */
export interface Tolerances {
  senseOhms: Bounds;
  lowA: Bounds;
  /** High current over low. */
  ratio: Bounds;
  /** Passive output against the usual sensor's. */
  outputFactor: Bounds;
}

/** Sense resistors met in practice, ohms. */
export const SENSE_OHMS = { from: 25, to: 330 } as const;

const USUAL: Tolerances = {
  // About 30 to 300 Ω by make (from memory): log-normal, so that some 110 to 130 Ω is met most and the ends seldom.
  senseOhms: [75, 200],
  lowA: [6.3e-3, 7.8e-3],
  // What holds for every make: 1.9 to 2.2 (data sheets, from memory).
  ratio: [1.94, 2.14],
  outputFactor: [-1, 1].map((side) => Math.exp(SOUND_COILS.log + side * USUAL_DEVIATIONS * SOUND_COILS.spread)) as [
    number,
    number,
  ],
};
/** Two cars of one model agree this well in level, and in passive size for speed (judgement). */
const LEVEL_SPREAD = 0.02;
const SIZE_SPREAD = 0.12;
/** Volts peak to peak of a sine of 1 V RMS. */
const PEAK_TO_PEAK = 2 * Math.SQRT2;

/** Tolerances of this car: the usual ones, or those about a known-good recording of its model. */
export function tolerancesOf(setup: CornerSetup): Tolerances {
  const { family, known } = setup;
  if (!known) return USUAL;
  if (family === "passive" && known.millivoltsPerKmh) {
    const usual = (1000 * PEAK_TO_PEAK * PASSIVE_REFERENCE.volts) / PASSIVE_REFERENCE.speedKmh;
    return { ...USUAL, outputFactor: about(known.millivoltsPerKmh / usual, SIZE_SPREAD) };
  }
  // Only on the low side does the level stand over the sense resistor alone.
  if (family !== "active-2wire" || sensedSide(setup) !== "low" || !known.lowV || !known.highV) return USUAL;
  // Which of resistor and current makes the level no voltage tells: the resistor takes it, the current keeps its middle.
  const lowA = (USUAL.lowA[0] + USUAL.lowA[1]) / 2;
  const ohms = known.lowV / lowA;
  if (ohms < SENSE_OHMS.from || ohms > SENSE_OHMS.to) return USUAL;
  return {
    ...USUAL,
    lowA: about(lowA, LEVEL_SPREAD),
    senseOhms: about(ohms, LEVEL_SPREAD),
    ratio: about(known.highV / known.lowV, LEVEL_SPREAD),
  };
}

/** Whether a set-up's known-good tells anything of this kind of sensor. */
export function isNarrowed(setup: CornerSetup): boolean {
  return tolerancesOf(setup) !== USUAL;
}

/** What a known-good recording changes, in one sentence; null when it changes nothing for this family. */
export function knownWords(setup: CornerSetup): string | null {
  const { known } = setup;
  const own = tolerancesOf(setup);
  if (!known || own === USUAL) return null;
  if (setup.family === "passive")
    return t`Output for speed taken from “${known.from}”: ${percentOf(own.outputFactor)} of the usual sensor's, instead of ${percentOf(USUAL.outputFactor)}.`;
  const volts = ([from, to]: Bounds, by: Bounds) => t`${(from * by[0]).toFixed(2)}–${(to * by[1]).toFixed(2)} V`;
  return t`Low level taken from “${known.from}”: ${volts(own.senseOhms, own.lowA)} instead of ${volts(USUAL.senseOhms, USUAL.lowA)} on a good car.`;
}

function about(centre: number, spread: number): Bounds {
  return [centre * (1 - spread), centre * (1 + spread)];
}

function percentOf([from, to]: Bounds): string {
  return t`${Math.round(100 * from)}–${Math.round(100 * to)} %`;
}
