import { partOf, parts, type Part } from "../faults/parts/parts";
import type { Corner } from "../units/corner";
import type { PartShare, Verdict } from "./suspects";

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
  /** Of what all corners share: see common-shares.ts. */
  common: Partial<Record<Part, number>>;
}

/** What feeds all corners alike: one fault of it speaks at every corner. */
export const SHARED: readonly Part[] = parts.filter((part) => partOf(part).shared);

/** How much likelier the other corners' own readings are with each shared part at fault than without it. */
export function toldElsewhere(each: readonly CornerParts[], corner: Corner): Partial<Record<Part, number>> {
  const others = each.filter((one) => one.corner !== corner);
  return Object.fromEntries(SHARED.map((part) => [part, product(others.map((one) => toldBy(one, part)))]));
}

/**
 * How much likelier a corner of several is sound where codes name others and not it: it may be in work as their reference,
 * and the fault at a corner nobody measured (engineering judgement: one car in ten has a second corner at fault, and two of
 * three such faults store a code).
 */
const UNCODED_SOUND = 200;

/** What a corner of several is likelier by where codes name some of the car's corners. */
export function soundUncoded(corner: Corner, named: readonly Corner[]): Partial<Record<Part, number>> {
  return named.length === 0 || named.includes(corner) ? {} : { none: UNCODED_SOUND };
}

/**
 * The parts of the whole car, likeliest first. A shared cause has the odds it has by what is known of the car, times what
 * each corner's own readings add to them, as if those were independent given the cause.
 * @param alone each corner by its own log @param together the same, told what the others' readings say of the shared
 * causes; left out, what is a corner's own gives way to those
 */
export function carParts(alone: readonly CornerParts[], together?: readonly CornerParts[]): CarPart[] {
  if (alone.length === 0) return [];
  const judged = together ?? alone;
  const shared = SHARED.map((part): CarPart => {
    const verdicts = judged.flatMap(({ parts }) => parts.find((one) => one.part === part)?.verdict ?? []);
    return { part, share: sharedShare(alone, part), verdict: verdicts.find((one) => one === "proven") ?? verdicts[0]! };
  });
  const left = 1 - Math.min(1, sum(shared.map(({ share }) => share)));
  const own = judged.flatMap(({ corner, parts }) => {
    const sharedHere = sum(parts.filter(isShared).map(({ share }) => share));
    const scale = together ? 1 : left / Math.max(1e-6, 1 - sharedHere);
    return parts
      .filter((one) => !isShared(one) && one.part !== "none")
      .map(({ part, share, verdict }) => ({ part, corner, share: Math.min(1, share * scale), verdict }));
  });
  return [...shared, ...own, soundCar(judged)].sort((one, other) => other.share - one.share);
}

/** A corner by itself has it as its own log does; several are weighed together. */
function sharedShare(alone: readonly CornerParts[], part: Part): number {
  if (alone.length === 1) return shareOf(alone[0]!, part);
  const known = alone.map(({ common }) => oddsOf(common[part] ?? 0));
  const odds = product(known) ** (1 / known.length) * product(alone.map((one) => toldBy(one, part)));
  return odds / (1 + odds);
}

function shareOf({ parts }: CornerParts, part: Part): number {
  return parts.find((one) => one.part === part)?.share ?? 0;
}

/** Nothing wrong at any corner in work. */
function soundCar(judged: readonly CornerParts[]): CarPart {
  const each = judged.flatMap(({ parts }) => parts.find(({ part }) => part === "none") ?? []);
  const verdict = each[0]?.verdict ?? "suspect";
  return {
    part: "none",
    share: each.length < judged.length ? 0 : product(each.map(({ share }) => share)),
    verdict: each.every((one) => one.verdict === verdict) ? verdict : "suspect",
  };
}

/** Corners of one car are not quite independent witnesses, one hand and one meter read them: none says more than this. */
const MOST_TOLD = 50;

function toldBy(one: CornerParts, part: Part): number {
  const told = oddsOf(shareOf(one, part)) / oddsOf(one.common[part] ?? 0);
  return Math.min(MOST_TOLD, Math.max(1 / MOST_TOLD, told));
}

function isShared({ part }: { part: Part }): boolean {
  return SHARED.includes(part);
}

function product(values: readonly number[]): number {
  return values.reduce((all, value) => all * value, 1);
}

function sum(values: readonly number[]): number {
  return values.reduce((all, value) => all + value, 0);
}

/** A cause in common is worth a word from here on. */
const SAID_SHARE = 0.15;

/** The causes in common that are worth a word, likeliest first. */
export function partsOfCarShown(list: readonly CarPart[]): CarPart[] {
  return list.filter(({ corner, part, share }) => corner === undefined && part !== "none" && share > SAID_SHARE);
}

function oddsOf(share: number): number {
  const inside = Math.min(1 - 1e-6, Math.max(1e-6, share));
  return inside / (1 - inside);
}
