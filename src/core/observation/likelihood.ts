import type { CornerCondition } from "../circuit/condition";
import type { Hookup } from "../checks/hookup";
import type { Point } from "../circuit/point";
import type { Observed } from "./typed-value";
import { fromScale, overLimitChance, scaleError, scaleErrorTo, toScale } from "./scale";

/**
 * The one error model: how likely a reading is for a car whose forecast is known. Preview, update and planning all come
 * here. A reading is (1 − ε) of the time what the instrument shows of the forecast, ε of the time a slip.
 */

/** How often any reading is a slip: wrong pin, wrong range, a probe that does not touch (engineering judgement). */
export const SLIP = 0.02;
/** A lamp that stays dark is hard evidence: it is tried on the battery before it is believed. */
const LAMP_SLIP = 0.002;

/** Chance that a reading of this hook-up is a slip. */
export function slipChance({ instrument }: Pick<Hookup, "instrument">): number {
  return instrument === "lamp" || instrument === "continuity" ? LAMP_SLIP : SLIP;
}

/** Readings lie within about 14 units of their scale (see scale.ts): anywhere on it is this dense. */
export const ANYWHERE = 1 / 14;
/** In ohms most slips are a probe that does not touch: OL. */
const SLIP_OVER_LIMIT = 0.6;
/** Most slipped volts are what some other pin in reach shows; the rest are a wrong range or a slip of the pen (engineering judgement). */
const OTHER_PIN = 0.7;

/** How likely a slip gives what was observed: a density on the scale for numbers, a probability for words and OL. */
export function slipLikelihood({ hookup, value }: Observed, answers: number, circuit: CornerCondition): number {
  if (value.kind === "word") return slippedWord(hookup, value.word, answers);
  if (value.kind === "over-limit") return SLIP_OVER_LIMIT;
  return slipDensity(hookup, value.kind === "number" ? value.value : value.low, value.resolution, circuit);
}

/** How likely a slip gives this word, of so many: a lamp or a beeper that slips has mostly not touched (engineering judgement). */
export function slippedWord({ instrument }: Pick<Hookup, "instrument">, word: string, answers: number): number {
  if (instrument === "lamp") return word === "off" ? NOT_TOUCHED : (1 - NOT_TOUCHED) / (answers - 1);
  if (instrument === "continuity") return word === "no-beep" ? NOT_TOUCHED : 1 - NOT_TOUCHED;
  return 1 / answers;
}

const NOT_TOUCHED = 0.7;

/** Density on the scale of a slipped number. */
export function slipDensity(hookup: Hookup, value: number, resolution: number, circuit: CornerCondition): number {
  if (hookup.instrument === "ohms") return (1 - SLIP_OVER_LIMIT) * ANYWHERE;
  if (hookup.instrument !== "volts-dc") return ANYWHERE;
  const pins = pinsInReach(hookup, circuit);
  const other = pins.reduce((sum, volts) => sum + pinDensity(hookup, value, resolution, volts), 0);
  return (1 - OTHER_PIN) * ANYWHERE + (OTHER_PIN * other) / pins.length;
}

/** What the pins beside the one that was meant stand at: the battery is on the module's own plug alone, and no pin of a loom cut off from the module is fed. */
function pinsInReach({ red, state }: Extract<Hookup, { black: Point }>, circuit: CornerCondition): number[] {
  if (red.at === "face" && red.station !== MODULE) {
    const cutOff = state.unplugged.includes(MODULE) || (red.face === "out" && state.unplugged.includes(red.station));
    return cutOff ? [0] : [0, circuit.regulatorV];
  }
  return [0, circuit.batteryV, circuit.regulatorV];
}

const MODULE = "module";

/** What a pin at so many volts would show in place of the one that was meant. */
function pinDensity(hookup: Hookup, value: number, resolution: number, pinV: number): number {
  // Far off by any error a meter makes: most readings are no other pin's.
  if (Math.abs(value - pinV) > FAR_V + Math.abs(pinV) / 2) return 0;
  const sigma = 2 * scaleError(hookup, pinV, resolution);
  return normalDensity(toScale(hookup.instrument, value) - toScale(hookup.instrument, pinV), sigma);
}

const FAR_V = 0.5;

/**
 * Density at `apart` from a forecast, both on the scale: normal, with a share that errs three times as widely for what the
 * model leaves out (a contaminated normal; J. W. Tukey, in Contributions to Probability and Statistics, 1960). What the
 * forecast itself is uncertain by is a spread among cars and hardly wider: else one slipped probe would make a car of
 * every tolerance gone mad the best explanation.
 * @param error the instrument's standard deviation @param variance of the forecast itself
 */
export function errorDensity(apart: number, error: number, variance = 0): number {
  const narrow = Math.sqrt(error * error + variance);
  const wide = Math.sqrt(9 * error * error + WIDER_CARS * variance);
  return (1 - CONTAMINATED) * normalDensity(apart, narrow) + CONTAMINATED * normalDensity(apart, wide);
}

function normalDensity(apart: number, sigma: number): number {
  const z = apart / sigma;
  return Math.exp(-0.5 * z * z) / (ROOT_TWO_PI * sigma);
}

const CONTAMINATED = 0.15;
/** Variance of the cars in that share, over the usual one (engineering judgement). */
const WIDER_CARS = 2.25;
const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);

/** A car's numbers for one hook-up, each with its chance: those from `start` on, `slots` of them. */
export interface NumberForecast {
  hookup: Hookup;
  slots: number;
  values: Float64Array;
  chances: Float64Array;
}

/** What a number means for one forecast: how likely it is, and which of the alternatives explains it best. */
export interface NumberMatch {
  likelihood: number;
  /** That part of it which comes of the first half of the alternatives: those while a fault that comes and goes is there. */
  there: number;
  /** −1 when none can. */
  slot: number;
}

/** Two readings nearer than so many errors of the instrument are the same. */
export const SAME_ERRORS = 3;

/** A number read with the same hook-up before, on its scale, and the density a slip gave it on this car. */
export interface ReadBefore {
  x: number;
  resolution: number;
  slipped: number;
}

/**
 * How far two readings with one hook-up err alike: same meter, same probes, same things the model leaves out. The second
 * then tells little more of the car and much of the first: whether that was a slip (engineering judgement).
 */
export const ERRS_ALIKE = 0.8;
/** What is left of the error once the first reading is known: √(1 − ρ²), from the bivariate normal. */
export const ERRS_ANEW = Math.sqrt(1 - ERRS_ALIKE ** 2);

/** Chance that each alternative made the number read before; what is left to 1 was a slip. @param out per slot */
export function madeBefore(
  { hookup, slots, values, chances }: NumberForecast,
  start: number,
  before: ReadBefore,
  kernelVariance: ArrayLike<number>,
  out: Float64Array,
): Float64Array {
  let total = before.slipped;
  const read = fromScale(hookup.instrument, before.x);
  for (let slot = 0; slot < slots; slot++) {
    const value = values[start + slot]!;
    out[slot] = 0;
    if (chances[start + slot] === 0 || value === Infinity) continue;
    const apart = before.x - toScale(hookup.instrument, value);
    const error = scaleErrorTo(hookup, value, before.resolution, read, apart);
    total += out[slot] = chances[start + slot]! * errorDensity(apart, error, kernelVariance[slot]!);
  }
  if (total > 0) for (let slot = 0; slot < slots; slot++) out[slot]! /= total;
  return out;
}

/**
 * How likely a number is for one car, slips left out.
 * @param x the number on its scale @param resolution size of its last digit
 * @param kernelVariance per slot, what the forecast itself is uncertain by on the scale
 * @param before what the same hook-up read the last time, and by which alternatives; null the first time
 */
export function matchNumber(
  forecast: NumberForecast,
  start: number,
  x: number,
  resolution: number,
  kernelVariance: ArrayLike<number>,
  out: NumberMatch,
  drawn: number,
  before: { x: number; made: Float64Array } | null = null,
): NumberMatch {
  const { hookup } = forecast;
  out.likelihood = 0;
  out.there = 0;
  out.slot = -1;
  let left = drawn;
  const read = fromScale(hookup.instrument, x);
  for (let slot = 0; slot < forecast.slots; slot++) {
    const chance = forecast.chances[start + slot]!;
    if (chance === 0) continue;
    const value = forecast.values[start + slot]!;
    if (value === Infinity) continue;
    const apart = x - toScale(hookup.instrument, value);
    const error = scaleErrorTo(hookup, value, resolution, read, apart);
    const alike = before?.made[slot] ?? 0;
    const density =
      chance *
      (1 - overLimitChance(hookup.instrument, value)) *
      ((1 - alike) * errorDensity(apart, error, kernelVariance[slot]!) +
        (alike > 0
          ? alike * errorDensity(apart - erredBefore(before!.x, x - apart), error * ERRS_ANEW, kernelVariance[slot]!)
          : 0));
    out.likelihood += density;
    if (slot < forecast.slots / 2) out.there += density;
    // One of the alternatives, by its share of the likelihood (reservoir sampling with one number).
    const share = density / out.likelihood;
    if (!(share > 0)) continue;
    if (left < share) {
      out.slot = slot;
      left /= share;
    } else left = (left - share) / (1 - share);
  }
  return out;
}

/** What of the error of the reading before is to be expected again. @param forecast on the scale */
export function erredBefore(x: number, forecast: number): number {
  return ERRS_ALIKE * (x - forecast);
}

/** How likely OL is for one car, slips left out. */
export function matchOverLimit(forecast: NumberForecast, start: number): number {
  let sum = 0;
  for (let slot = 0; slot < forecast.slots; slot++)
    if (forecast.chances[start + slot]! > 0)
      sum +=
        forecast.chances[start + slot]! * overLimitChance(forecast.hookup.instrument, forecast.values[start + slot]!);
  return sum;
}

/** Chance of OL where it was OL before: so far as that was no slip it mostly is again. @param slipped ε times that of a slip */
export function overLimitAgain(fits: number, again: boolean, slip: number, slipped: number): number {
  if (!again) return fits;
  const real = ((1 - slip) * fits) / ((1 - slip) * fits + slipped);
  return real * (ERRS_ALIKE + (1 - ERRS_ALIKE) * fits) + (1 - real) * fits;
}
