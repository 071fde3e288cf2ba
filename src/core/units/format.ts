import { t } from "../words/words";
import { quantityUnits, type Quantity } from "./quantity";

/**
 * A number with unit as a workshop reads it: three significant digits, engineering prefix, never scientific notation.
 * @param value in the quantity's base unit
 */
export function formatQuantity(value: number, quantity: Quantity, digits = 3): string {
  const { number, unit } = formatParts(value, quantity, digits);
  return `${number} ${unit}`;
}

/** As `formatQuantity`, number and unit apart, for displays that set them in different sizes. */
export function formatParts(value: number, quantity: Quantity, digits = 3): { number: string; unit: string } {
  const base = quantityUnits[quantity];
  const size = Math.abs(value);
  const step = STEPS[quantity].find(([from]) => size >= from) ?? STEPS[quantity].at(-1)!;
  return { number: significant(value / step[1], digits), unit: step[2] + base };
}

/** A share of one as a percentage: whole numbers, but never “100” or “0” for what is only nearly so. */
export function formatShare(share: number): string {
  if (share >= 0.995 && share < 0.99995) return ">99 %";
  if (share > 0 && share < 0.005) return "<1 %";
  return t`${Math.round(share * 100)} %`;
}

/** From which size on, divide by what, prefix. */
const STEPS: Record<Quantity, [number, number, string][]> = {
  volts: [
    [0.5, 1, ""],
    [0, 1e-3, "m"],
  ],
  ohms: [
    [1e6, 1e6, "M"],
    [1e3, 1e3, "k"],
    [0, 1, ""],
  ],
  farads: [
    [1e-6, 1e-6, "µ"],
    [1e-9, 1e-9, "n"],
    [0, 1e-12, "p"],
  ],
  amps: [
    [0.5, 1, ""],
    [0, 1e-3, "m"],
  ],
  hertz: [
    [1e3, 1e3, "k"],
    [0, 1, ""],
  ],
  percent: [[0, 1, ""]],
  speed: [[0, 1, ""]],
  length: [[0, 1, ""]],
};

function significant(value: number, digits: number): string {
  if (value === 0) return "0";
  const whole = Math.floor(Math.log10(Math.abs(value))) + 1;
  const decimals = Math.max(0, Math.min(3, digits - Math.max(1, whole)));
  return value.toFixed(decimals);
}

/** The first letter large, for the start of a sentence. */
export function capital(text: string): string {
  return text[0]!.toUpperCase() + text.slice(1);
}
