import type { Part } from "../faults/fault";
import { HEALTHY, parts } from "../faults/fault";
import type { Hookup } from "../checks/hookup";
import type { Group } from "./candidates";
import type { LineUp } from "./line-up";

export type Verdict = "suspect" | "proven" | "cleared";

export interface Suspect {
  id: string;
  fault: string;
  place: string;
  part: Part;
  words: string;
  clearedBy: string;
  share: number;
  initialShare: number;
  verdict: Verdict;
  /** Readings (by number) that a healthy corner would hardly give and this fault well does. */
  provenBy: number[];
}

/** A part must carry this share, with a direct reading behind it, to be called proven. */
export const PROOF_SHARE = 0.993;
/** Below this share, and down from at least four times as much, a suspect is cleared. */
const CLEARED_SHARE = 0.004;
/** A direct reading is this many times likelier under the fault than on a healthy corner. */
const DIRECT_RATIO = 8;

/** Every suspect, likeliest first, with its verdict. */
export function rankSuspects(lineUp: LineUp): Suspect[] {
  const shares = lineUp.shares();
  const partShare = sharesByPart(lineUp, shares);
  return lineUp.candidates.groups
    .map((group, g): Suspect => {
      const provenBy = directReadings(lineUp, g);
      const lead = isLeadOfPart(lineUp, shares, g);
      return {
        id: group.id,
        fault: group.fault.code,
        place: group.place.id,
        part: group.fault.part,
        words: group.fault.words(group.place, lineUp.setup),
        clearedBy: group.fault.clearedBy(group.place, lineUp.setup),
        share: shares[g]!,
        initialShare: lineUp.initial[g]!,
        verdict: verdict(
          lineUp,
          group,
          shares[g]!,
          lineUp.initial[g]!,
          partShare.get(group.fault.part)!,
          lead,
          provenBy,
        ),
        provenBy,
      };
    })
    .sort((a, b) => b.share - a.share);
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

export function sharesByPart(lineUp: LineUp, shares: Float64Array): Map<Part, number> {
  const sums = new Map<Part, number>();
  lineUp.candidates.groups.forEach(({ fault }, g) => sums.set(fault.part, (sums.get(fault.part) ?? 0) + shares[g]!));
  return sums;
}

function isLeadOfPart(lineUp: LineUp, shares: Float64Array, g: number): boolean {
  const { part } = lineUp.candidates.groups[g]!.fault;
  return lineUp.candidates.groups.every((other, o) => other.fault.part !== part || shares[o]! <= shares[g]!);
}

function verdict(
  lineUp: LineUp,
  group: Group,
  share: number,
  initial: number,
  partShare: number,
  lead: boolean,
  provenBy: number[],
): Verdict {
  if (share < CLEARED_SHARE && share * 4 < initial) return "cleared";
  if (partShare < PROOF_SHARE || !lead) return "suspect";
  if (group.fault.part === "module" && !moduleGatePassed(lineUp)) return "suspect";
  if (group.fault.part === "none") return lineUp.weighed.length >= 3 ? "proven" : "suspect";
  return provenBy.length > 0 ? "proven" : "suspect";
}

function directReadings(lineUp: LineUp, g: number): number[] {
  const healthy = lineUp.groupIndex(HEALTHY);
  return lineUp.weighed.flatMap(({ byGroup, evidence }, index) =>
    isDirect(evidence.hookup) && byGroup[g]! > DIRECT_RATIO * byGroup[healthy]! ? [index] : [],
  );
}

/** The live speed is what the code already said: it starts a diagnosis and proves no part. */
function isDirect(hookup: Hookup): boolean {
  return hookup.instrument !== "scan" || hookup.look === "which";
}

/** A live reading at the module's own supply or ground pin. */
export function isGateCheck(hookup: Hookup): boolean {
  return "red" in hookup && hookup.red.at === "module" && hookup.state.key === "on";
}

/** The module may be named only after its own supply and ground have been read. */
export function moduleGatePassed(lineUp: LineUp): boolean {
  const pins = new Set(
    lineUp.weighed.flatMap(({ evidence: { hookup } }) =>
      isGateCheck(hookup) && "red" in hookup && hookup.red.at === "module" ? [hookup.red.pin] : [],
    ),
  );
  return pins.has("power") && pins.has("earth");
}
