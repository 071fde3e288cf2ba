import { t } from "../words/words";
import type { CornerSetup } from "../circuit/setup";
import type { Hookup } from "./hookup";
import type { Instrument, LookInstrument } from "./instruments";
import type { Answer } from "./looks/look";
import { findLook, lookOf, looksOf, type LookId } from "./looks/looks";
import { scopeFindings } from "./findings/findings";
import { shownAnswers, type Answers } from "./scope-answers";

const CONTINUITY: readonly Answer[] = [
  { word: "beep", say: () => t`beeps`, short: () => t`beep`, also: ["yes", "beeps", "tone", "continuity"] },
  {
    word: "no-beep",
    say: () => t`no beep`,
    short: () => t`no beep`,
    also: ["no beep", "silent", "no", "open", "ol", "no continuity"],
  },
];
const LAMP: readonly Answer[] = [
  { word: "bright", say: () => t`bright`, short: () => t`bright`, also: ["on", "lit", "full", "lights"] },
  {
    word: "dim",
    say: () => t`dim or glowing`,
    short: () => t`dim`,
    also: ["glow", "glows", "glowing", "faint", "weak"],
  },
  { word: "off", say: () => t`dark`, short: () => t`off`, also: ["dark", "out", "none", "no"] },
];

/** The answers a hook-up may have, in key order; null when it reads a number. */
export function answerList(hookup: Hookup): readonly Answer[] | null {
  if (hookup.instrument === "continuity") return CONTINUITY;
  if (hookup.instrument === "lamp") return LAMP;
  if (hookup.instrument === "scope") return scopeFindings;
  return "look" in hookup ? (lookOf(hookup.look).answers?.list ?? null) : null;
}

/** A word as a table's head or the log has it; null when it is no answer of this instrument and look. */
export function shortAnswer(instrument: Instrument, look: string | undefined, word: string): string | null {
  const list =
    instrument === "continuity"
      ? CONTINUITY
      : instrument === "lamp"
        ? LAMP
        : instrument === "scope"
          ? scopeFindings
          : look === undefined
            ? []
            : (findLook(look)?.answers?.list ?? []);
  return list.find((one) => one.word === word)?.short() ?? null;
}

/** The words a hook-up may be answered with, as they are shown now; null when it reads a number. */
export function answersFor(hookup: Hookup): Answers | null {
  const list = answerList(hookup);
  return list && shownAnswers(list);
}

/** What can be looked at, felt or read with one of the instruments that are no meter. */
export function looksFor(instrument: LookInstrument, setup: CornerSetup): LookId[] {
  return looksOf(setup)
    .filter((look) => look.instrument === instrument)
    .map(({ id }) => id as LookId);
}

/**
 * The word meant by what was typed: exact, as it is shown, by synonym, by an unmistakable beginning, or as the only one of
 * them named in a few words (“looks intact”; denied, the other of two). @returns null when none fits
 */
export function matchAnswer({ words, say, short, also }: Answers, typed: string): string | null {
  const text = plain(typed).replace(FILLS, "").replace(/^-+/, "");
  if (/^[1-9]\d?$/.test(text)) return words[Number(text) - 1] ?? null;
  const named = [
    ...words.flatMap((word) => [word, say[word], short[word]].map((one) => [plain(one ?? ""), word] as const)),
    ...Object.entries(also).map(([other, word]) => [plain(other), word] as const),
  ].filter(([name]) => name !== "");
  const exact = named.find(([name]) => name === text);
  if (exact) return exact[1];
  const starts = words.filter(
    (word) => text.length >= 2 && [word, short[word]!].some((one) => plain(one).startsWith(text)),
  );
  if (starts.length === 1) return starts[0]!;
  const held = new Set(named.filter(([name]) => `-${text}-`.includes(`-${name}-`)).map(([, word]) => word));
  const only = held.size === 1 && !RESERVED.test(text) ? [...held][0]! : null;
  if (!DENIES.test(text)) return only;
  // Of two answers, the one denied is the other (“no corrosion”); of more, it may be any of the rest.
  return only && words.length === 2 && !HEDGES.test(text) ? words.find((word) => word !== only)! : null;
}

/** Words that make of a denial something else: “not loose but wet”. */
const HEDGES =
  /(?:^|-)(?:but|with|when|while|until|only|except|or|yet|after|sure|aber|mit|wenn|bis|nur|außer|oder|noch|nach|sicher)(?:-|$)/;
/** After these comes what the rest of the answer does not say: “good but noisy”. */
const RESERVED = /(?:^|-)(?:but|except|though|however|aber|außer|jedoch|doch)(?:-|$)/;
/** Words that add nothing to a short answer. */
const FILLS =
  /(?:^|-)(?:at-all|visible|visibly|found|felt|seen|any|signs?-of|gar|sichtbar\w*|gefunden|spürbar\w*)(?=-|$)/g;
const DENIES = /(?:^|-)(?:not?|never|without|isn't|kein\w*|nicht|ohne)(?:-|$)/;

/** Without capitals, points, or the difference between a blank and a hyphen. */
function plain(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[.!,;]+/g, "")
    .replace(/[\s_-]+/g, "-");
}
