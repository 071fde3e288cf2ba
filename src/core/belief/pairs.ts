import { hookupKey, type Hookup } from "../checks/hookup";
import { suspectId, type Suspectable } from "../faults/catalogue";
import { canGoTogether, together } from "../faults/pair";
import { SLIP } from "../observation/likelihood";
import { isOddWord } from "./odd-word";
import type { Posterior, Weighed } from "./posterior";
import { isSameAgain } from "./unlisted";

/** Cars in a hundred that come with two things wrong at one corner: common on salt roads (engineering judgement). */
const PAIR_PRIOR = 0.04;
/** Two faults at one place have one cause (a torn loom, a drowned plug) this many times oftener than two at any two. */
const SAME_PLACE = 5;
/** Over so many expected slips, or such a share of something not listed, one fault does not explain the log. */
const CALLING_SLIPS = 0.5;
const CALLING_UNLISTED = 0.12;
/** In a long log so many times the slips that any log has. */
const OFTENER = 2;
/** Pairs drawn at a time. */
const DRAWN = 12;
/** Readings before pairs are thought of: one odd reading is a slip. */
const LEAST_READINGS = 3;

/**
 * The pairs of faults that may explain a log no single fault does, likeliest first; null where none is called for, or
 * those wanted are drawn already.
 * @param drawn pairs in the running
 */
export function pairsCalledFor(
  posterior: Posterior,
  drawn: readonly Suspectable[],
  untouched: (hookup: Hookup) => ArrayLike<number>,
): readonly Suspectable[] | null {
  if (posterior.log.length < LEAST_READINGS) return null;
  const calling = Math.max(CALLING_SLIPS, OFTENER * SLIP * posterior.log.length);
  if (posterior.expectedSlips() < calling && posterior.unlisted < CALLING_UNLISTED && !isToldTwice(posterior))
    return null;
  const wanted = likeliestPairs(posterior, untouched);
  const known = new Set(drawn.map(idOf));
  const fresh = wanted.filter((one) => !known.has(idOf(one)));
  // What was drawn stays: the pair that fits may be among those already.
  return fresh.length <= DRAWN / 3 ? null : [...drawn, ...fresh].slice(-2 * DRAWN);
}

/** Whether what fits nothing in the running was said by two looks, or twice by one: no mistake, then. */
function isToldTwice(posterior: Posterior): boolean {
  const shares = posterior.shares();
  const { log } = posterior;
  const odd = log.filter((weighed) => isOddWord(weighed, shares));
  const saidAgain = ({ observation: { hookup, value } }: Weighed, other: Weighed) =>
    hookupKey(other.observation.hookup) === hookupKey(hookup) && isSameAgain(value, other.observation.value, hookup);
  return odd.length > 1 || odd.some((one) => log.some((other) => other !== one && saidAgain(one, other)));
}

/** Pairs scored as if each reading were explained by whichever of the two can change it, or the better of both. */
function likeliestPairs(posterior: Posterior, untouched: (hookup: Hookup) => ArrayLike<number>): Suspectable[] {
  const { hypotheses, log, initial } = posterior;
  const singles = hypotheses.flatMap((one, h) => (one.of || one.fault.part === "none" ? [] : [h]));
  const still = log.map(({ observation }) => untouched(observation.hookup));
  const said = log.map(({ byHypothesis }) => byHypothesis.map((one) => Math.log(Math.max(one, 1e-12))));
  const scored: { a: number; b: number; score: number; prior: number }[] = [];
  singles.forEach((a, at) => {
    for (const b of singles.slice(at + 1)) {
      if (!canGoTogether(hypotheses[a]!, hypotheses[b]!)) continue;
      const kin = isSamePlace(hypotheses[a]!, hypotheses[b]!) ? SAME_PLACE : 1;
      const prior = PAIR_PRIOR * 2 * initial[a]! * initial[b]! * kin;
      let score = Math.log(prior);
      for (let r = 0; r < log.length; r++) {
        const [one, other] = [said[r]![a]!, said[r]![b]!];
        score += still[r]![a] ? other : still[r]![b] ? one : Math.max(one, other);
      }
      scored.push({ a, b, score, prior });
    }
  });
  return scored
    .sort((one, other) => other.score - one.score)
    .slice(0, DRAWN)
    .map(({ a, b, prior }) => together(single(hypotheses[a]!), single(hypotheses[b]!), prior));
}

function isSamePlace({ place: one }: Suspectable, { place: other }: Suspectable): boolean {
  return (
    (one.span !== undefined && one.span === other.span) || (one.station !== undefined && one.station === other.station)
  );
}

function single({ fault, place, prior }: Suspectable): Suspectable {
  return { fault, place, prior };
}

function idOf({ of }: Suspectable): string {
  return of!.map(({ fault, place }) => suspectId(fault, place)).join("+");
}
