import { midSentence, t } from "../words/words";
import type { CornerParts } from "../verdict/car-parts";
import { commonShares } from "../verdict/common-shares";
import { contradictions, type Contradiction } from "../verdict/contradictions";
import { weighGuess, type Guess } from "../planning/act-or-measure";
import { proposeActs, type Act } from "../planning/acts";
import type { Posterior } from "../belief/posterior";
import { LEAST_BITS, proposeChecks, type Progress, type Proposal } from "../planning/next-check";
import { type Policy } from "../complaint/policy";
import { rankHypotheses, type HypothesisShare } from "../verdict/hypotheses";
import { dangerOfDriving } from "../verdict/do-not-drive";
import type { Danger } from "../checks/interlocks";
import { misfitOf, type Misfit } from "../verdict/misfit";
import { rankParts, rankSuspects, type PartShare, type Suspect } from "../verdict/suspects";
import { MUCH_BITS, SOME_BITS } from "./tells-words";
import type { Hookup } from "../checks/hookup";
import { describeBeside, describeHookup, type NextCheck } from "./describe-hookup";

/** What a reading changes at once. */
export interface Ranking {
  suspects: Suspect[];
  parts: PartShare[];
  contradictions: Contradiction[];
  /** Chance that it is something not listed. */
  unlisted: number;
  misfit: Misfit;
  /** Why the car is not to be driven; null where nothing speaks against it. */
  danger: Danger | null;
  /** What may be wrong with the car as a whole, pairs included. */
  hypotheses: HypothesisShare[];
  /** Shares of what all corners share, by what is known of the car as a whole. */
  common: CornerParts["common"];
  candidates: number;
  ruledOut: number;
}

export interface Diagnosis extends Ranking {
  next: NextCheck[];
  guess: Guess;
  /** Repairs that could be tried as checks, the best chance for its cost first. */
  acts: Act[];
}

/** Suspects and parts as the readings so far have them, without the next check. */
export function rankingOf(posterior: Posterior): Ranking {
  const suspects = rankSuspects(posterior);
  return {
    suspects,
    parts: rankParts(posterior, suspects),
    contradictions: contradictions(posterior),
    unlisted: posterior.unlisted,
    misfit: misfitOf(posterior),
    danger: dangerOfDriving(posterior),
    hypotheses: rankHypotheses(posterior),
    common: commonShares(posterior),
    candidates: posterior.particles.count,
    ruledOut: countRuledOut(posterior),
  };
}

/** Everything a screen or a file says about a job, from one line-up. @param foresee the minutes to the place too */
export function diagnosisOf(posterior: Posterior, policy: Policy, progress: Progress, foresee = false): Diagnosis {
  const ranking = rankingOf(posterior);
  const proposals = proposeChecks(posterior, policy, progress, { foresee });
  return {
    ...ranking,
    next: proposals.map((proposal) => describeCheck(proposal, posterior, ranking.suspects)),
    guess: weighGuess(ranking.parts, proposals),
    acts: proposeActs(ranking.suspects, ranking.parts, proposals, posterior.setup),
  };
}

function describeCheck(
  { check, bits, minutes, mayProve, needed, todo, toPlaceMinutes, beside }: Proposal,
  posterior: Posterior,
  suspects: Suspect[],
): NextCheck {
  const described = describeHookup(check.hookup, posterior.setup);
  return {
    ...described,
    ...(posterior.times(check.hookup) > 0 ? { check: onceMore(check.hookup, described.check) } : {}),
    minutes,
    bits: Math.round(bits * 100) / 100,
    why: whyThis(suspects, { bits, mayProve, needed }),
    todo: todo.map(({ say }) => say),
    toPlaceMinutes: toPlaceMinutes === null ? null : Math.round(toPlaceMinutes),
    ...(beside ? { beside: describeBeside(beside.hookup, posterior.setup) } : {}),
  };
}

/** What is only seen is seen better in better light. */
const LIT: ReadonlySet<Hookup["instrument"]> = new Set(["eyes", "film"]);

function onceMore(hookup: Hookup, sentence: string): string {
  if (hookup.state.watched) return sentence;
  const said = midSentence(sentence);
  if ("red" in hookup) return t`Once more, probes set anew: ${said}`;
  return LIT.has(hookup.instrument) ? t`Once more, in better light: ${said}` : t`Once more: ${said}`;
}

function whyThis(
  suspects: Suspect[],
  { bits, mayProve, needed }: Pick<Proposal, "bits" | "mayProve" | "needed">,
): string {
  const [first, second] = suspects;
  if (needed && first) return t`Before condemning “${midSentence(first.words)}”: ${needed}.`;
  if (mayProve && first) return t`Likely to prove “${midSentence(first.words)}”, or to cast doubt on it.`;
  if (bits < LEAST_BITS)
    return t`More testing will not separate these: what is left looks alike to every check that is allowed now. Act on the likeliest, or take a doubtful reading again.`;
  const strength = bits > MUCH_BITS ? t`Best test now` : bits > SOME_BITS ? t`Tells much` : t`Tells a little`;
  return `${strength}${first && second ? t`: “${midSentence(first.words)}” or “${midSentence(second.words)}”` : ""}.`;
}

/** Candidates that carry next to nothing of what they began with. */
function countRuledOut({ particles: { count, weight } }: Posterior): number {
  let ruledOut = 0;
  for (let row = 0; row < count; row++) if (weight[row]! < 1e-3 / count) ruledOut++;
  return ruledOut;
}
