import { sharesByPart, type Hypothesis, type Posterior } from "../belief/posterior";
import type { Hookup } from "../checks/hookup";
import { HEALTHY, parts, type Part } from "../faults/fault";
import { hangsOn } from "./leave-one-out";
import { misfitOf } from "./misfit";
import { moduleGatePassed } from "./module-gate";

export type Verdict = "suspect" | "proven" | "cleared";

export interface Suspect {
  id: string;
  fault: string;
  place: string;
  part: Part;
  words: string;
  clearedBy: string;
  /** Chance that it is this, something not listed included in the whole. */
  share: number;
  initialShare: number;
  verdict: Verdict;
  /** Entries a healthy corner would hardly give and this fault well does. */
  provenBy: string[];
  /** The one entry the verdict hangs on, where all else is there for a proof: it wants confirming by another check. */
  hangsOn: string | null;
}

/** A part must carry this share, with a direct reading behind it, to be called proven. */
export const PROOF_SHARE = 0.993;
/** Nothing is proven while something not listed is likelier than this. */
const MOST_UNLISTED = 0.05;
/** Below this share, and down from at least four times as much, a suspect is cleared. */
const CLEARED_SHARE = 0.004;
const CLEARED_RATIO = 4;
/** A direct reading is this many times likelier under the fault than on a healthy corner. */
const DIRECT_RATIO = 8;
/** Nothing wrong is said only after so many readings. */
const HEALTHY_READINGS = 3;

/** Every suspect, likeliest first, with its verdict. */
export function rankSuspects(posterior: Posterior): Suspect[] {
  const shares = posterior.shares();
  const standing = standingOf(posterior, shares);
  return posterior.hypotheses
    .map((hypothesis, h): Suspect => {
      const provenBy = directEntries(posterior, h);
      const judged = judge(hypothesis, h, posterior, shares, standing, provenBy);
      return {
        id: hypothesis.id,
        fault: hypothesis.fault.code,
        place: hypothesis.place.id,
        part: hypothesis.fault.part,
        words: hypothesis.fault.words(hypothesis.place, posterior.setup),
        clearedBy: hypothesis.fault.clearedBy(hypothesis.place, posterior.setup),
        share: shares[h]! * (1 - posterior.unlisted),
        initialShare: posterior.initial[h]!,
        provenBy,
        ...judged,
      };
    })
    .sort((a, b) => b.share - a.share);
}

/** What a proof needs beside the suspect's own readings, asked once for all of them. */
interface Standing {
  leader: Part | null;
  /** Of the leading part, the hypothesis with most share. */
  lead: number;
  fits: boolean;
  pivot: string | null;
}

function standingOf(posterior: Posterior, shares: Float64Array): Standing {
  const [leader] = [...sharesByPart(posterior, shares)].find(([, share]) => share >= PROOF_SHARE) ?? [null];
  if (leader === null) return { leader, lead: -1, fits: true, pivot: null };
  let lead = -1;
  posterior.hypotheses.forEach(({ fault }, h) => {
    if (fault.part === leader && (lead < 0 || shares[h]! > shares[lead]!)) lead = h;
  });
  return {
    leader,
    lead,
    fits: misfitOf(posterior).level !== "not-at-all" && posterior.unlisted <= MOST_UNLISTED,
    pivot: hangsOn(posterior, leader)?.observation.entryId ?? null,
  };
}

function judge(
  { fault }: Hypothesis,
  h: number,
  posterior: Posterior,
  shares: Float64Array,
  { lead, fits, pivot }: Standing,
  provenBy: readonly string[],
): Pick<Suspect, "verdict" | "hangsOn"> {
  if (shares[h]! < CLEARED_SHARE && shares[h]! * CLEARED_RATIO < posterior.initial[h]!)
    return { verdict: "cleared", hangsOn: null };
  const open = { verdict: "suspect", hangsOn: null } as const;
  if (h !== lead || !fits) return open;
  if (fault.part === "module" && !moduleGatePassed(posterior)) return open;
  if (fault.part === "none" ? posterior.log.length < HEALTHY_READINGS : provenBy.length === 0) return open;
  return pivot === null ? { verdict: "proven", hangsOn: null } : { verdict: "suspect", hangsOn: pivot };
}

/** The part that is proven, if one is. */
export function provenSuspect(suspects: readonly Suspect[]): Suspect | null {
  return suspects.find(({ verdict }) => verdict === "proven") ?? null;
}

/** Parts under this share are left out of lists that are read at a glance. */
const SHOWN_SHARE = 0.005;

/** The parts worth a line in a short list. */
export function partsToShow(parts: readonly PartShare[]): PartShare[] {
  return parts.filter(({ share }) => share >= SHOWN_SHARE);
}

export interface PartShare {
  part: Part;
  share: number;
  verdict: Verdict;
}

/** The same by part, likeliest first. */
export function rankParts(suspects: readonly Suspect[]): PartShare[] {
  return parts
    .map((part): PartShare => {
      const own = suspects.filter((suspect) => suspect.part === part);
      const share = own.reduce((sum, suspect) => sum + suspect.share, 0);
      const verdict = own.some((suspect) => suspect.verdict === "proven")
        ? "proven"
        : own.length > 0 && own.every((suspect) => suspect.verdict === "cleared")
          ? "cleared"
          : "suspect";
      return { part, share, verdict };
    })
    .filter(({ part }) => suspects.some((suspect) => suspect.part === part))
    .sort((a, b) => b.share - a.share);
}

function directEntries(posterior: Posterior, h: number): string[] {
  const healthy = posterior.indexOf(HEALTHY);
  return posterior.log.flatMap(({ byHypothesis, observation }) =>
    isDirect(observation.hookup) && byHypothesis[h]! > DIRECT_RATIO * byHypothesis[healthy]!
      ? [observation.entryId]
      : [],
  );
}

/** The live speed is what the code already said: it starts a diagnosis and proves no part. */
function isDirect(hookup: Hookup): boolean {
  return hookup.instrument !== "scan" || hookup.look === "which";
}
