import type { Check } from "../checks/catalogue";
import { pullOf, type Scored } from "./check-cost";
import { costsToGo, type Step } from "./cost-to-go";
import type { Outcomes } from "./information";
import { NEGLIGIBLE_SHARE, type Planning } from "./planning";
import type { Policy } from "../complaint/policy";
import { sharesByPart, type Posterior } from "../belief/posterior";
import { PROOF_SHARE } from "../verdict/suspects";

/** Damage is taken for found where one place holds this share. */
export const FOUND_SHARE = 0.95;

/** Picking up the meter and typing; no more, for the search itself counts what a doubtful reading costs later. */
export const HANDLING_MINUTES = 2;

/**
 * Whether one part is as good as proven, or the loom is, wires and connectors together; few suspects are left, and
 * where it is damaged is still in question.
 */
export function isPlaceSought(posterior: Posterior, shares: Float64Array): boolean {
  const byPart = sharesByPart(posterior, shares);
  const loom = (byPart.get("harness") ?? 0) + (byPart.get("connector") ?? 0);
  if (Math.max(loom, ...byPart.values()) < PROOF_SHARE) return false;
  if (shares.filter((share) => share > NEGLIGIBLE_SHARE).length > MOST_SUSPECTS) return false;
  const byPlace = new Float64Array(shares.length);
  placesOf(posterior).forEach((place, g) => (byPlace[place]! += shares[g]!));
  return Math.max(...byPlace) < FOUND_SHARE;
}

const MOST_SUSPECTS = 16;

/** The same checks, those first that lead to the place in the fewest minutes; of equals the one that tells most. */
export function rankForPlace(
  scored: readonly Scored[],
  planning: Planning,
  done: ReadonlySet<string>,
  policy: Policy,
): Scored[] {
  const shortlist = [...scored].sort((a, b) => b.worth - a.worth).slice(0, SEARCHED);
  const steps = shortlist.map(({ check, information }) => stepOf(check, information, pullOf(check, policy)));
  const minutes = costsToGo(steps, planning.shares, placesOf(planning.posterior), done, FOUND_SHARE);
  const rank = (i: number) => Math.round(Math.log(minutes[i]!) / ALIKE);
  return [...shortlist.keys()]
    .sort((a, b) => rank(a) - rank(b) || shortlist[b]!.bits - shortlist[a]!.bits)
    .map((i) => shortlist[i]!);
}

/**
 * Minutes expected until the place is found, handling counted, for the first of these ranked checks if it is done next.
 * Ranked they are by what groups show as a whole; this looks ahead by candidates, each with its own place: two readings
 * of one distance then tell little more than one.
 * @param outcomesOf a check's outcomes by candidate (see `outcomesByCandidate`)
 */
export function minutesToPlace(
  ranked: readonly Scored[],
  planning: Planning,
  outcomesOf: (check: Check) => Outcomes,
  done: ReadonlySet<string>,
): Map<Check, number> {
  const steps = ranked.slice(0, FORESEEN_BY).map(({ check }) => stepOf(check, outcomesOf(check), 1));
  const minutes = costsToGo(steps, weightsOf(planning), answersOf(planning), done, FOUND_SHARE, FORESEEN);
  return new Map(minutes.map((one, i) => [ranked[i]!.check, one]));
}

function stepOf(check: Check, outcomes: Outcomes, pull: number): Step {
  return {
    outcomes,
    ownMinutes: check.ownMinutes + check.damageMinutes + HANDLING_MINUTES,
    pull,
    setups: check.access,
  };
}

/** So many of the best have their minutes told, by what so many of them may show. */
const FORESEEN = 4;
const FORESEEN_BY = 12;

/** Weight of each candidate forecast. */
function weightsOf({ posterior, shares, stride, within }: Planning): Float64Array {
  const weights = new Float64Array(posterior.particles.count / stride);
  posterior.hypotheses.forEach(({ first, size }, g) => {
    for (let row = first; row < first + size; row += stride) weights[row / stride] = shares[g]! * within[row]!;
  });
  return weights;
}

/** The place each of them is damaged at, as a number. */
function answersOf({ posterior, stride }: Planning): Int32Array {
  const places = placesOf(posterior);
  const answers = new Int32Array(posterior.particles.count / stride);
  posterior.hypotheses.forEach(({ first, size }, g) =>
    answers.fill(places[g]!, first / stride, (first + size) / stride),
  );
  return answers;
}

/** Checks looked at so far ahead. */
const SEARCHED = 24;
/** Ways that differ by less than this part of their minutes are equals. */
const ALIKE = 0.03;

/** A span or a connector for each group, as the number of the first group there. */
function placesOf({ hypotheses }: Pick<Posterior, "hypotheses">): Int32Array {
  const places = hypotheses.map(({ place }) => place.id.split(".")[0]!);
  return Int32Array.from(places, (place) => places.indexOf(place));
}
