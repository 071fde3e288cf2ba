import { answersFor } from "../checks/answers";
import type { Weighed } from "./posterior";
import { anythingLikelihood } from "./unlisted";

/** A word that all there is in the running expects less than this often, beside one word as often as another, fits none of it (engineering judgement). */
const ODD = 0.25;

/**
 * Whether what a look was answered fits nothing in the running. A number may lie anywhere on a wide forecast; only a
 * slip's share tells that it fits none.
 * @param shares of the hypotheses now
 */
export function isOddWord({ observation: { hookup, value }, byHypothesis }: Weighed, shares: Float64Array): boolean {
  if (value.kind !== "word") return false;
  const expected = shares.reduce((sum, share, h) => sum + share * byHypothesis[h]!, 0);
  return expected < ODD * anythingLikelihood(value, answersFor(hookup)?.words.length ?? 1);
}
