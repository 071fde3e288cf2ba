import type { Hookup } from "../checks/hookup";
import type { Instrument } from "../checks/instruments";

/**
 * The scale on which readings are compared: asinh, linear near zero and logarithmic beyond `knee`, so that 0.01 V and
 * 12 V, 0.1 Ω and a megohm all count.
 */
const KNEE: Partial<Record<Instrument, number>> = {
  "volts-dc": 0.02,
  "volts-ac": 0.02,
  ohms: 0.5,
  capacitance: 3e-11,
  hertz: 1,
  duty: 5,
  "amps-dc": 5e-4,
  gauge: 0.05,
};

interface ErrorModel {
  /** Part of the value. */
  relative: number;
  /** In the base unit. */
  absolute: number;
}

/** Meter error joined with what the model leaves out (temperature, ageing), by instrument. */
export const ERRORS: Partial<Record<Instrument, ErrorModel>> = {
  "volts-dc": { relative: 0.018, absolute: 0.005 },
  "volts-ac": { relative: 0.04, absolute: 0.008 },
  ohms: { relative: 0.015, absolute: 0.12 },
  capacitance: { relative: 0.03, absolute: 8e-12 },
  hertz: { relative: 0.02, absolute: 0.3 },
  duty: { relative: 0, absolute: 4 },
  "amps-dc": { relative: 0.03, absolute: 2e-4 },
  gauge: { relative: 0.05, absolute: 0.04 },
};

/** Nobody spins a wheel at exactly one turn a second. */
const HAND_SPEED_ERROR = 0.4;
const DRIVEN_SPEED_ERROR = 0.06;

/** Above this a hand meter shows OL; meters differ, so the step is soft. */
const OVER_LIMIT_OHMS = 4e7;

export function toScale(instrument: Instrument, value: number): number {
  return Math.asinh(value / KNEE[instrument]!);
}

export function fromScale(instrument: Instrument, x: number): number {
  return Math.sinh(x) * KNEE[instrument]!;
}

/** Standard deviation on the scale of a reading whose true value is `value`. @param resolution size of the last digit typed */
export function scaleError(hookup: Hookup, value: number, resolution: number): number {
  const { relative, absolute } = ERRORS[hookup.instrument]!;
  const bySpeed = speedError(hookup);
  const size = Math.abs(value);
  const variance =
    (relative * relative + bySpeed * bySpeed) * size * size + absolute * absolute + (resolution * resolution) / 12;
  const knee = KNEE[hookup.instrument]!;
  return Math.sqrt(variance / (size * size + knee * knee));
}

/**
 * The same, as it counts between the true value and a reading: an instrument errs on its own scale, and the one used here is
 * not straight between the two. Five millivolts' error at nothing is not a third of the way to a hundred.
 * @param apart how far the reading is from the value on the scale
 */
export function scaleErrorTo(hookup: Hookup, value: number, resolution: number, read: number, apart: number): number {
  const atValue = scaleError(hookup, value, resolution);
  if (Math.abs(apart) < STRAIGHT * atValue) return atValue;
  const knee = KNEE[hookup.instrument]!;
  return (atValue * apart * Math.sqrt(value * value + knee * knee)) / (read - value);
}

/** Over so small a part of the error any scale is straight. */
const STRAIGHT = 0.01;

function speedError(hookup: Hookup): number {
  if (hookup.instrument !== "volts-ac" && hookup.instrument !== "hertz") return 0;
  if (["hand", "creep", "in-gear"].includes(hookup.state.wheel)) return HAND_SPEED_ERROR;
  return hookup.state.wheel === "driven" ? DRIVEN_SPEED_ERROR : 0;
}

/** Chance that a meter shows OL for so many ohms. */
export function overLimitChance(instrument: Instrument, value: number): number {
  if (instrument !== "ohms") return value === Infinity ? 1 : 0;
  if (value === Infinity) return 0.995;
  if (value < 1e6) return 0.002;
  return 0.002 + 0.99 / (1 + (OVER_LIMIT_OHMS / value) ** 3);
}
