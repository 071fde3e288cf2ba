import { findingKind, leadingWord, type FindingCode, type FindingFacts } from "../checks/findings/findings";
import type { SignalKind } from "./signal";

/** Where in a capture a finding is, how large and how sure. */
interface Whereabouts {
  /** How far over its own limit it stands, as its detector has it, 0–1. */
  strength: number;
  /** However plain it stands there, the chance that something is wrong is no more than this, for sound ones differ as much. */
  most?: number;
  /** Counted from 1 round the ring. */
  tooth?: number;
  count?: number;
  /** Of a supply dip: the signal was lost with it. */
  withSignal?: boolean;
  /** Size in the finding's own measure: pitches, share, km/h, volts. */
  size?: number;
  startS: number;
  endS: number;
}

/** Something a capture shows, with what its sentence is made of. */
export type Found = FindingFacts & Whereabouts & { ringLocked: boolean };

/** The same, with the chance that it is so, 0–1 (see confidence.ts). */
export type Finding = Found & { confidence: number };

type FactsOf<C extends FindingCode> = Extract<FindingFacts, { code: C }>["facts"];

/** A finding of one kind. */
export function found<C extends FindingCode>(code: C, facts: FactsOf<C>, where: Whereabouts): Found {
  return { code, facts, ringLocked: findingKind(code).ringLocked, ...where } as Found;
}

/** What a finding must be likelier than, to stand for its recording. */
export const LIKELIER_THAN_NOT = 0.5;

/** The one word under which a capture enters the line-up. */
export function leadingFinding(findings: readonly Found[], signal: SignalKind): string {
  const likely = findings.filter(({ most }) => most === undefined || most > LIKELIER_THAN_NOT);
  const lead = leadingWord(likely.map(({ code }) => code));
  // Where the level goes meanwhile tells the wires from the sensor and what it looks at; a coil's goes to nothing either way.
  if (lead === "random-dropout" && signal === "two-level") return lossWord(findings);
  return lead ?? (signal === "flat" ? "flat" : signal === "noise" ? "noise-at-rest" : "clean");
}

function lossWord(findings: readonly Found[]): FindingCode {
  for (const { code, facts } of findings) {
    if (code !== "random-dropout" || !("levelV" in facts) || facts.levelV === undefined) continue;
    if (facts.isOver === undefined) return "signal-lost";
    return facts.isOver ? "signal-risen" : "signal-fallen";
  }
  return "signal-parked";
}

/** The teeth a finding covers, counted from 1 round a ring of `columns`. */
export function toothRun({ tooth, count = 1, code }: Finding, columns: number): number[] {
  if (!tooth || columns === 0) return [];
  const length = code === "missing-pulses" ? count : 1;
  return Array.from({ length }, (_, i) => ((tooth - 1 + i) % columns) + 1);
}
