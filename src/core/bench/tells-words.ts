import { t } from "../words/words";

/** Bits that are much and some (engineering judgement): one halves the field. */
export const MUCH_BITS = 1;
export const SOME_BITS = 0.4;

/** How much a check tells, as a foreman would say it. */
export function tellsWords(bits: number): string {
  return bits > MUCH_BITS ? t`tells much` : bits > SOME_BITS ? t`tells some` : t`tells little`;
}

/** How much a reading told once it was taken. */
export function toldWords(bits: number): string {
  return bits < 0 ? t`misled` : bits > MUCH_BITS ? t`much` : bits > SOME_BITS ? t`some` : t`little`;
}
