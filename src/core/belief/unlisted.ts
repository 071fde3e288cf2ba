import type { Hookup } from "../checks/hookup";
import { ANYWHERE, SAME_ERRORS } from "../observation/likelihood";
import type { ObservedValue } from "../observation/observation";
import { scaleError, toScale } from "../observation/scale";

/**
 * Something that stands in no list is always in the running. Its forecast is broad: mostly what all listed cars
 * together would read (it is a car, after all), else anything the instrument can show. One odd reading alone is a
 * slip; it takes several that are odd together for this to win.
 */

/** Share it starts with (engineering judgement: some cars in a hundred have what no catalogue holds). */
export const UNLISTED_PRIOR = 0.01;
/** How much of its forecast is anything at all. */
const ANYTHING = 0.3;
/** On a wire with both its ends undone there is little to be found that is not listed (engineering judgement). */
const ANYTHING_ON_BARE_WIRE = 0.1;
/** Ohms of something unknown are OL this often. */
const OVER_LIMIT = 0.3;

/**
 * How well something not listed predicts what was observed.
 * @param overall how well all listed hypotheses together did @param answers how many words there are to choose from
 * @param bareWire nothing but wires was read, both ends undone
 */
export function unlistedLikelihood(value: ObservedValue, overall: number, answers: number, bareWire: boolean): number {
  const anything = bareWire ? ANYTHING_ON_BARE_WIRE : ANYTHING;
  return (1 - anything) * overall + anything * anythingLikelihood(value, answers);
}

/** How well something that may show anything predicts what was observed: a density on the scale for numbers. */
export function anythingLikelihood(value: ObservedValue, answers: number): number {
  switch (value.kind) {
    case "word":
      return 1 / answers;
    case "over-limit":
      return OVER_LIMIT;
    case "range":
      return ANYWHERE * ANYWHERE;
    case "number":
      return ANYWHERE;
  }
}

/** Whether a hook-up showed once more what it had shown before: something not listed would as surely as anything listed. */
export function isSameAgain(before: ObservedValue | null, now: ObservedValue, hookup: Hookup): boolean {
  if (before?.kind !== now.kind) return false;
  if (now.kind === "word") return before.kind === "word" && before.word === now.word;
  if (now.kind === "number" && before.kind === "number") {
    const apart = toScale(hookup.instrument, now.value) - toScale(hookup.instrument, before.value);
    return Math.abs(apart) < SAME_ERRORS * scaleError(hookup, now.value, now.resolution);
  }
  return now.kind === "over-limit";
}
