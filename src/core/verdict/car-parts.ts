import { partOf, parts, type Part } from "../faults/parts/parts";
import type { Corner } from "../units/corner";
import type { PartShare, Suspect, Verdict } from "./suspects";

/** A part of the car that may be at fault: of one corner, or shared by all of them. */
export interface CarPart {
  part: Part;
  corner?: Corner;
  share: number;
  verdict: Verdict;
}

/** What is believed at one corner, by part. */
export interface CornerParts {
  corner: Corner;
  parts: readonly PartShare[];
  /** Shares of what all corners share, before anything was measured. */
  initial: Partial<Record<Part, number>>;
}

/** What feeds all corners alike: one fault of it speaks at every corner. */
const SHARED: readonly Part[] = parts.filter((part) => partOf(part).shared);

/** Shares of what all corners share before anything was measured, of a corner's suspects. */
export function initialOfShared(suspects: readonly Suspect[]): Partial<Record<Part, number>> {
  return Object.fromEntries(
    SHARED.map((part) => [
      part,
      suspects.filter((one) => one.part === part).reduce((sum, { initialShare }) => sum + initialShare, 0),
    ]),
  );
}

/**
 * The parts of the whole car, likeliest first. A shared cause has the odds of its prior times what each corner's readings
 * add to them, as if the corners' readings were independent given the cause; what is a corner's own gives way to it.
 */
export function carParts(each: readonly CornerParts[]): CarPart[] {
  if (each.length === 0) return [];
  const list: CarPart[] = [];
  let sharedShare = 0;
  for (const part of SHARED) {
    const told = each.map(({ parts, initial }) => ({
      now: parts.find((one) => one.part === part)?.share ?? 0,
      initial: initial[part] ?? 0,
      verdict: parts.find((one) => one.part === part)?.verdict ?? ("suspect" as const),
    }));
    const prior = told.reduce((most, { initial }) => Math.max(most, initial), 1e-6);
    const odds = told.reduce((sum, { now, initial }) => sum * (oddsOf(now) / oddsOf(initial)), oddsOf(prior));
    const share = Math.min(MOST, odds / (1 + odds));
    const verdict = told.find((one) => one.verdict === "proven")?.verdict ?? told[0]!.verdict;
    list.push({ part, share, verdict });
    sharedShare += share;
  }
  for (const { corner, parts } of each) {
    const sharedHere = parts.filter(({ part }) => SHARED.includes(part)).reduce((sum, { share }) => sum + share, 0);
    const scale = (1 - Math.min(1, sharedShare)) / Math.max(1e-6, 1 - sharedHere);
    for (const { part, share, verdict } of parts)
      if (!SHARED.includes(part)) list.push({ part, corner, share: Math.min(1, share * scale), verdict });
  }
  return list.sort((one, other) => other.share - one.share);
}

/** Corners of one car are not quite independent witnesses: their readings are one hand's, one meter's. */
const MOST = 0.999;

/** A cause in common is worth a word from here on. */
const SAID_SHARE = 0.15;

/** The causes in common that are worth a word, likeliest first. */
export function partsOfCarShown(list: readonly CarPart[]): CarPart[] {
  return list.filter(({ corner, share }) => corner === undefined && share > SAID_SHARE);
}

function oddsOf(share: number): number {
  const inside = Math.min(1 - 1e-6, Math.max(1e-6, share));
  return inside / (1 - inside);
}
