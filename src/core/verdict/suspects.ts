import { sharesByPart, type Posterior } from "../belief/posterior";
import type { Hookup } from "../checks/hookup";
import { parts, type Part } from "../faults/parts/parts";
import { includes } from "../faults/pair";
import { hangsOn, leastKept } from "./leave-one-out";
import { misfitOf } from "./misfit";
import { isSeenTwice } from "../checks/own-readings";
import { speakingEntries, takenFor, unmetNeeds } from "./needs";

export const verdicts = ["suspect", "proven", "cleared"] as const;
export type Verdict = (typeof verdicts)[number];

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
  /** What is still to be read or looked at before it is named, where its share would do. */
  lacks: string[];
}

/**
 * A part must carry this share, with a direct reading behind it that it does not hang on alone, to be called proven
 * (engineering judgement). On 200 logs of the outside world (seeds 230011, 240001) 0.99 in its place proves 162 instead of
 * 149, one of them wrongly; what half and double of the rest does stands in docs/physics.md.
 */
export const PROOF_SHARE = 0.993;
/** For what was itself seen, felt or gauged wrong twice (engineering judgement): play is play whatever the ring does. */
const SEEN_SHARE = 0.96;
/**
 * For a fault that is there all the time, what two readings speak for, and keeps so much without any one of them (engineering
 * judgement): a chance of a slip in each reading is part of the model, and keeps the share of what was read three times over
 * under the other. On 200 logs of the outside world it proves 152 instead of 143, none of those nine wrongly. What comes and
 * goes reads sound while it is away, and a slip beside it weighs more: one of 40 fresh cars was proven so wrongly.
 */
export const SPREAD_SHARE = 0.98;
const KEPT_IF_SPREAD = 0.75;
const SPEAKING_IF_SPREAD = 2;
const LEAST_PROOF_SHARE = Math.min(SEEN_SHARE, SPREAD_SHARE, PROOF_SHARE);
/** From this share on a part is told what it still lacks; what lacks nothing may be repaired where that is cheap. */
export const LIKELY_SHARE = 0.85;
/** Nothing is proven while something not listed is likelier than this. */
const MOST_UNLISTED = 0.05;
/** Below this share, and down from at least four times as much, a suspect is cleared. */
const CLEARED_SHARE = 0.004;
const CLEARED_RATIO = 4;
/** Nothing wrong is said only after so many readings. */
const HEALTHY_READINGS = 3;

/** Every suspect, likeliest first, with its verdict. A fault that may be there with another counts with both. */
export function rankSuspects(posterior: Posterior): Suspect[] {
  const shares = posterior.shares();
  const own = withPairs(posterior, shares);
  const leaders = leadersOf(posterior, shares, own);
  return posterior.hypotheses
    .flatMap((hypothesis, h): Suspect[] => {
      if (hypothesis.of) return [];
      const { share, lead } = own[h]!;
      const provenBy = directEntries(posterior, h, lead);
      return [
        {
          id: hypothesis.id,
          fault: hypothesis.fault.code,
          place: hypothesis.place.id,
          part: hypothesis.fault.part,
          words: hypothesis.fault.words(hypothesis.place, posterior.setup),
          clearedBy: hypothesis.fault.clearedBy(hypothesis.place, posterior.setup),
          share: share * (1 - posterior.unlisted),
          initialShare: posterior.initial[h]!,
          provenBy,
          ...judge(h, share, posterior, leaders, provenBy),
        },
      ];
    })
    .sort((a, b) => b.share - a.share);
}

/** For each single fault: its share alone and in pairs, and the hypothesis it is likeliest in. */
function withPairs({ hypotheses }: Posterior, shares: Float64Array): { share: number; lead: number }[] {
  return hypotheses.map((single, s) => {
    let [share, lead] = [shares[s]!, s];
    hypotheses.forEach((other, h) => {
      if (!other.of || single.of || !includes(other, single.id)) return;
      share += shares[h]!;
      if (shares[h]! > shares[lead]!) lead = h;
    });
    return { share, lead };
  });
}

/** A part likely enough to ask what it still lacks: its likeliest fault, whether its share will do, the entry that hangs on. */
interface Leader {
  lead: number;
  sure: boolean;
  pivot: string | null;
}

function leadersOf(
  posterior: Posterior,
  shares: Float64Array,
  own: readonly { share: number; lead: number }[],
): Leader[] {
  const odd = misfitOf(posterior).level === "not-at-all" || posterior.unlisted > MOST_UNLISTED;
  return [...sharesByPart(posterior, shares)].flatMap(([part, share]): Leader[] => {
    if (share < LIKELY_SHARE) return [];
    let lead = -1;
    posterior.hypotheses.forEach(({ fault, of }, h) => {
      if (!of && fault.part === part && (lead < 0 || own[h]!.share > own[lead]!.share)) lead = h;
    });
    if (share < LEAST_PROOF_SHARE || odd) return [{ lead, sure: false, pivot: null }];
    const kept = leastKept(posterior, part);
    const isSpread =
      posterior.complaint.presence === "hard" &&
      kept.share >= KEPT_IF_SPREAD &&
      directEntries(posterior, lead, own[lead]!.lead).length >= SPEAKING_IF_SPREAD;
    const sure = Math.min(share, posterior.surely(part)) >= proofShare(posterior, lead, part, isSpread);
    return [{ lead, sure, pivot: sure ? (hangsOn(kept)?.observation.entryId ?? null) : null }];
  });
}

/**
 * What is wrong by itself, and was seen so twice, is to be repaired whatever else there may be: a lower share will do. So it
 * will where several readings speak for the part and none of them carries it.
 */
function proofShare(posterior: Posterior, lead: number, part: Part, isSpread: boolean): number {
  const { place } = posterior.hypotheses[lead]!;
  if (isSeenTwice(part, place, posterior.setup, takenFor(posterior, lead))) return SEEN_SHARE;
  return isSpread ? SPREAD_SHARE : PROOF_SHARE;
}

function judge(
  h: number,
  share: number,
  posterior: Posterior,
  leaders: readonly Leader[],
  provenBy: readonly string[],
): Pick<Suspect, "verdict" | "hangsOn" | "lacks"> {
  if (share < CLEARED_SHARE && share * CLEARED_RATIO < posterior.initial[h]!)
    return { verdict: "cleared", hangsOn: null, lacks: [] };
  const open: Pick<Suspect, "verdict" | "hangsOn" | "lacks"> = { verdict: "suspect", hangsOn: null, lacks: [] };
  const leader = leaders.find(({ lead }) => lead === h);
  if (!leader) return open;
  const { fault } = posterior.hypotheses[h]!;
  const { needs } = unmetNeeds(posterior, h);
  if (needs.length > 0) return { ...open, lacks: needs.map(({ say }) => say()) };
  if (!leader.sure) return open;
  if (fault.part === "none" ? posterior.log.length < HEALTHY_READINGS : provenBy.length === 0) return open;
  return leader.pivot === null ? { ...open, verdict: "proven" } : { ...open, hangsOn: leader.pivot };
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

/** The same by part, likeliest first: a pair of faults of one part counts once. @param suspects of this posterior, where they are ranked already */
export function rankParts(posterior: Posterior, suspects: readonly Suspect[] = rankSuspects(posterior)): PartShare[] {
  const byPart = sharesByPart(posterior, posterior.shares());
  return parts
    .map((part): PartShare => {
      const own = suspects.filter((suspect) => suspect.part === part);
      const share = (byPart.get(part) ?? 0) * (1 - posterior.unlisted);
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

/** Direct readings that tell this fault from a car without it. */
function directEntries(posterior: Posterior, h: number, lead: number): string[] {
  const speaking = new Set(speakingEntries(posterior, h, lead));
  return posterior.log.flatMap(({ observation: { hookup, entryId } }) =>
    isDirect(hookup) && speaking.has(entryId) ? [entryId] : [],
  );
}

/** The live speed is what the code already said: it starts a diagnosis and proves no part. */
function isDirect(hookup: Hookup): boolean {
  return hookup.instrument !== "scan" || hookup.look === "which";
}
