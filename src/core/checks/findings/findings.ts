import type { Answer } from "../looks/look";
import { t } from "../../words/words";
import { crackedRing } from "./cracked-ring";
import { dropOutSpeed } from "./drop-out-speed";
import { dutyShift } from "./duty-shift";
import { eccentric } from "./eccentric";
import type { FindingKind, OnScreen } from "./finding-kind";
import { interference } from "./interference";
import { keyOnTransient } from "./key-on-transient";
import { levelOutOfWindow } from "./level-out-of-window";
import { lowAmplitude } from "./low-amplitude";
import { missingPulses } from "./missing-pulses";
import { noiseAtRest } from "./noise-at-rest";
import { oddTooth } from "./odd-tooth";
import { probeSpike } from "./probe-spike";
import { randomDropout } from "./random-dropout";
import { signalFallen } from "./signal-fallen";
import { signalLost } from "./signal-lost";
import { signalParked } from "./signal-parked";
import { signalRisen } from "./signal-risen";
import { supplyDip } from "./supply-dip";

/** Every finding, in the order its word is offered. A new one is a file of its own and a word here. */
const ALL = [
  missingPulses,
  crackedRing,
  oddTooth,
  eccentric,
  randomDropout,
  lowAmplitude,
  noiseAtRest,
  levelOutOfWindow,
  dropOutSpeed,
  dutyShift,
  supplyDip,
  interference,
  keyOnTransient,
  probeSpike,
  signalFallen,
  signalRisen,
  signalLost,
  signalParked,
] as const;

type Kind = (typeof ALL)[number];
export type FindingCode = Kind["code"];
export const findingCodes: readonly FindingCode[] = ALL.map(({ code }) => code);
type FactsOf<K extends Kind> = K["say"] extends (facts: infer F) => string
  ? unknown extends F
    ? Record<string, never>
    : F
  : never;
/** A finding's code with what its sentence is made of. */
export type FindingFacts = {
  [K in Kind as K["code"]]: { code: K["code"]; facts: FactsOf<K> };
}[FindingCode];

const BY_CODE: ReadonlyMap<FindingCode, FindingKind & { code: FindingCode }> = new Map(
  ALL.map((kind) => [kind.code, kind]),
);
const byRank: readonly FindingKind[] = [...ALL]
  .filter((kind: FindingKind) => kind.rank !== undefined)
  .sort((one: FindingKind, other: FindingKind) => one.rank! - other.rank!);

export function findingKind(code: FindingCode): FindingKind & { code: FindingCode } {
  return BY_CODE.get(code)!;
}

/** What was found, in a sentence. */
export function findingSays({ code, facts }: FindingFacts): string {
  return findingKind(code).say(facts as never);
}

/** The word under which a capture with these findings is logged; null when none of them names it. */
export function leadingWord(codes: readonly FindingCode[]): string | null {
  const lead = byRank.find(({ code }) => codes.some((one) => one === code));
  return lead ? (lead.as ?? lead.code) : null;
}

/** The finding a perfect eye has before it first; null when there is none. */
export function firstOnScreen(seen: OnScreen): string | null {
  return byRank.find(({ shows }) => shows?.(seen))?.code ?? null;
}

/** What a capture may be logged as. */
export const scopeFindings: readonly Answer[] = [
  {
    word: "clean",
    say: () => t`clean, every pulse there`,
    short: () => t`clean`,
    also: ["none", "good", "healthy", "normal", "even", "ok", "nothing-wrong", "no-faults", ...loggedAs("clean")],
  },
  {
    word: "flat",
    say: () => t`flat, no pulses`,
    short: () => t`flat`,
    also: ["dead", "no-signal", "nothing", "flat-line", "stuck", "stays-high", "stays-low"],
  },
  ...ALL.flatMap((kind: FindingKind) =>
    kind.answer
      ? [{ word: kind.code, ...kind.answer, also: [...(kind.answer.also ?? []), ...loggedAs(kind.code)] }]
      : [],
  ),
];

function loggedAs(word: string): string[] {
  return ALL.filter((kind: FindingKind) => kind.as === word).map(({ code }) => code);
}
