import { partOf } from "../faults/parts/parts";
import type { CodeKind } from "../codes/code";
import type { Fault } from "../faults/fault";
import type { OwnRatios } from "./ratio";

/** Codes steer and never prove: the best match is only some eight times likelier than the worst (engineering judgement). */
export const usualCodeRatios = {
  "code/match": 4,
  "code/near": 1.6,
  "code/far": 0.5,
  /** A stored code may be of another day and another fault: it counts by this power, the square root. */
  "code/history": 0.5,
  /** Several corners at once: shared supply, ground, module or battery first (the order of the trade). */
  "codes/shared": 8,
  "codes/swapped": 3,
  "codes/own": 0.6,
} as const;
export type CodeRatio = keyof typeof usualCodeRatios;

const NEAR: Partial<Record<CodeKind, readonly Fault["effect"][]>> = {
  open: ["ground", "feed", "no-signal"],
  ground: ["open", "feed"],
  power: ["open"],
  "no-signal": ["open", "ground", "feed", "weak"],
  erratic: ["count", "weak"],
  weak: ["count", "no-signal", "erratic"],
  feed: ["ground", "open"],
  count: ["weak", "erratic"],
};

/** How much likelier a code of this kind is if this fault is the one. */
export function codeRatio({ effect }: Fault, kind: CodeKind, history: boolean, own: OwnRatios): number {
  const of = (name: CodeRatio) => own[name] ?? usualCodeRatios[name];
  const ratio = of(effect === kind ? "code/match" : NEAR[kind]?.includes(effect) ? "code/near" : "code/far");
  return history ? ratio ** of("code/history") : ratio;
}

/** How much likelier codes of several corners are if this fault is the one. */
export function severalCornersRatio({ part, code }: Fault, own: OwnRatios): number {
  const name: CodeRatio = partOf(part).shared
    ? "codes/shared"
    : code === "corners-swapped"
      ? "codes/swapped"
      : "codes/own";
  return own[name] ?? usualCodeRatios[name];
}
