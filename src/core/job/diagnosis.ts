import { hookupLabel, instruction, cautions, stateWords, pointLabel } from "../checks/words";
import { answersFor, type Answers } from "../checks/answers";
import { quantityOf, type Hookup, type Instrument } from "../checks/hookup";
import type { CircuitState } from "../circuit/state";
import { contradictions, type Contradiction } from "../lineup/contradictions";
import { weighGuess, type Guess } from "../lineup/cost";
import type { LineUp } from "../lineup/line-up";
import { proposeChecks, type Policy, type Progress, type Proposal } from "../lineup/next-check";
import { rankParts, rankSuspects, type PartShare, type Suspect } from "../lineup/suspects";
import { quantityUnits, type Quantity } from "../units/quantity";
import { readingFrom } from "./reading";

/** A proposed check, ready to be shown or written. */
export interface NextCheck {
  id: string;
  check: string;
  label: string;
  instrument: Instrument;
  red?: string;
  black?: string;
  look?: string;
  state: CircuitState;
  stateWords: string;
  minutes: number;
  bits: number;
  why: string;
  todo: string[];
  cautions: string[];
  unit: string | null;
  quantity: Quantity | null;
  answers: Answers | null;
  pierces: boolean;
  hookup: Hookup;
}

export interface Diagnosis {
  suspects: Suspect[];
  parts: PartShare[];
  next: NextCheck[];
  contradictions: Contradiction[];
  guess: Guess;
  candidates: number;
  ruledOut: number;
}

/** Everything a screen or a file says about a job, from one line-up. */
export function diagnosisOf(lineUp: LineUp, policy: Policy, progress: Progress): Diagnosis {
  const suspects = rankSuspects(lineUp);
  const parts = rankParts(suspects);
  const proposals = proposeChecks(lineUp, policy, progress);
  return {
    suspects,
    parts,
    next: proposals.map((proposal) => describeCheck(proposal, lineUp, suspects)),
    contradictions: contradictions(lineUp),
    guess: weighGuess(parts, proposals),
    candidates: lineUp.candidates.count,
    ruledOut: countRuledOut(lineUp),
  };
}

/** The part that is proven, if one is. */
export function provenSuspect({ suspects }: Diagnosis): Suspect | null {
  return suspects.find(({ verdict }) => verdict === "proven") ?? null;
}

function describeCheck({ check, bits, minutes, todo }: Proposal, lineUp: LineUp, suspects: Suspect[]): NextCheck {
  const { hookup } = check;
  const written = readingFrom(hookup, "");
  const quantity = quantityOf[hookup.instrument] ?? null;
  return {
    id: check.id,
    check: instruction(hookup, lineUp.setup),
    label: hookupLabel(hookup),
    instrument: hookup.instrument,
    ...(written.red ? { red: written.red } : {}),
    ...(written.point ? { red: written.point } : {}),
    ...(written.black ? { black: written.black } : {}),
    ...(written.look ? { look: written.look } : {}),
    state: hookup.state,
    stateWords: stateWords(hookup.state),
    minutes,
    bits: Math.round(bits * 100) / 100,
    why: whyThis(hookup, suspects, bits),
    todo: todo.map(({ say }) => say),
    cautions: cautions(hookup),
    unit: quantity ? quantityUnits[quantity] : null,
    quantity,
    answers: answersFor(hookup, lineUp.setup),
    pierces: check.pierces,
    hookup,
  };
}

function whyThis(hookup: Hookup, suspects: Suspect[], bits: number): string {
  const [first, second] = suspects;
  const where = "look" in hookup ? "This look" : hookup.instrument === "scope" ? "A capture here" : `This reading at ${pointLabel(hookup.red)}`;
  const strength = bits > 1 ? "splits the line-up hard" : bits > 0.4 ? "splits the line-up well" : "tells a little";
  return `${where} ${strength}, for few minutes${first && second ? `: first in question are “${first.words.toLowerCase()}” and “${second.words.toLowerCase()}”` : ""}.`;
}

/** Candidates that carry next to nothing of what they began with. */
function countRuledOut({ candidates }: LineUp): number {
  let ruledOut = 0;
  for (let row = 0; row < candidates.count; row++) if (candidates.weight[row]! < 1e-3 / candidates.count) ruledOut++;
  return ruledOut;
}
