import { t } from "../words/words";
import { spansOf, stationsOf, type CornerSetup } from "../circuit/setup";
import { wakes, type Wake } from "../faults/wakes";
import type { Hookup } from "./hookup";

/** A check that is answered with a word: the words it may have, in key order, and how the question reads. */
export interface Answers {
  words: readonly string[];
  say: Record<string, string>;
  synonyms?: Record<string, string>;
}

const CONNECTOR: Answers = {
  words: ["clean", "bad"],
  say: { clean: t`clean, dry, tight`, bad: t`corroded, wet, loose or backed out` },
  synonyms: {
    corroded: "bad",
    wet: "bad",
    loose: "bad",
    "backed-out": "bad",
    spread: "bad",
    sound: "clean",
    good: "clean",
    ok: "clean",
  },
};

/** What can be looked at or felt, by name, with the sign behind each answer. */
export const looks: Record<string, Answers> = {
  wiring: {
    words: ["sound", "damaged"],
    say: { sound: t`sound along all its clips`, damaged: t`chafed, stretched, melted or repaired` },
    synonyms: { chafed: "damaged", good: "sound", ok: "sound", intact: "sound" },
  },
  ring: {
    words: ["intact", "missing", "cracked", "debris"],
    say: {
      intact: t`whole and clean`,
      missing: t`teeth or a chunk gone`,
      cracked: t`cracked`,
      debris: t`packed or bent`,
    },
    synonyms: { whole: "intact", broken: "missing", dirty: "debris", good: "intact" },
  },
  encoder: {
    words: ["whole", "gap", "no-stripes"],
    say: {
      whole: t`even stripes all round`,
      gap: t`a gap or crack in the stripes`,
      "no-stripes": t`no stripes on this side`,
    },
    synonyms: { intact: "whole", missing: "gap", cracked: "gap", none: "no-stripes" },
  },
  foot: {
    words: ["seated", "lifted", "loose"],
    say: { seated: t`flat in its seat`, lifted: t`lifted by rust or not seated`, loose: t`moves by hand` },
    synonyms: { rust: "lifted", good: "seated" },
  },
  face: {
    words: ["clean", "worn", "debris"],
    say: { clean: t`clean and even`, worn: t`rubbed at a slant`, debris: t`iron dust on it` },
  },
  bearing: {
    words: ["tight", "play"],
    say: { tight: t`no play either way`, play: t`play that goes when a helper holds the brake` },
    synonyms: { none: "tight", loose: "play" },
  },
  sensor: {
    words: ["firm", "rocks"],
    say: { firm: t`sits firm in its seat`, rocks: t`rocks or turns by hand` },
    synonyms: { tight: "firm", loose: "rocks" },
  },
  magnet: {
    words: ["switches", "no-change"],
    say: { switches: t`output answers the magnet or pin`, "no-change": t`nothing changes` },
    synonyms: { yes: "switches", no: "no-change", dead: "no-change", ok: "switches" },
  },
  count: {
    words: ["as-listed", "other"],
    say: { "as-listed": t`teeth or poles as the maker lists`, other: t`another number` },
    synonyms: { right: "as-listed", wrong: "other", ok: "as-listed" },
  },
  others: {
    words: ["only-this", "several"],
    say: { "only-this": t`the other corners are good`, several: t`other corners are down or coded too` },
    synonyms: { one: "only-this", all: "several", more: "several" },
  },
  which: {
    words: ["this", "another", "none"],
    say: { this: t`this corner answers`, another: t`another corner answers`, none: t`no corner answers` },
    synonyms: { other: "another", zero: "none" },
  },
  steering: {
    words: ["straight", "pulls"],
    say: { straight: t`brakes straight, no buzz`, pulls: t`buzzes and pulls to the other side` },
    synonyms: { buzz: "pulls", none: "straight" },
  },
  "fuse-out": {
    words: ["gone", "stays"],
    say: { gone: t`pull or buzz gone with the fuse out`, stays: t`still pulls or grinds with the fuse out` },
    synonyms: { yes: "gone", no: "stays" },
  },
  "other-side": {
    words: ["alike", "weaker", "none", "different"],
    say: {
      alike: t`same shape and size as the other side`,
      weaker: t`same shape, clearly smaller`,
      none: t`nothing here, good on the other side`,
      different: t`other levels, or pulses the other side does not lose`,
    },
    synonyms: { same: "alike", smaller: "weaker", dead: "none", flat: "none", zero: "none" },
  },
  tyres: {
    words: ["alike", "different"],
    say: { alike: t`all four sizes alike`, different: t`this one is another size` },
  },
  swap: {
    words: ["follows", "stays"],
    say: { follows: t`fault goes with the sensor`, stays: t`fault stays at this corner` },
  },
  speed: {
    words: ["follows", "zero", "drops-out", "cuts-low", "ratio-off", "erratic"],
    say: {
      follows: t`follows the wheel all the way`,
      zero: t`stays at zero`,
      "drops-out": t`falls out now and then`,
      "cuts-low": t`falls to zero early while slowing`,
      "ratio-off": t`steadily high or low`,
      erratic: t`jumps every turn`,
    },
    synonyms: { ok: "follows", none: "zero", dropout: "drops-out" },
  },
};

export const scopeAnswers: Answers = {
  words: [
    "clean",
    "flat",
    "missing-pulses",
    "cracked-ring",
    "odd-tooth",
    "eccentric",
    "random-dropout",
    "low-amplitude",
    "noise-at-rest",
    "level-out-of-window",
  ],
  say: {
    clean: t`clean, every pulse there`,
    flat: t`flat, no pulses`,
    "missing-pulses": t`pulses missing at the same place each turn`,
    "cracked-ring": t`short–long pair at the same place each turn`,
    "odd-tooth": t`one odd tooth each turn`,
    eccentric: t`slow wave once a turn`,
    "random-dropout": t`losses at random places`,
    "low-amplitude": t`good shape but too small`,
    "noise-at-rest": t`noise with the wheel at rest`,
    "level-out-of-window": t`levels wrong`,
  },
  synonyms: {
    none: "clean",
    "drop-out-speed": "low-amplitude",
    interference: "clean",
    "duty-shift": "low-amplitude",
    "supply-dip": "random-dropout",
  },
};

/** Looks answered with a number of millimetres. */
export const gauged: readonly string[] = ["gap", "runout"];

const BY_COMPARING: readonly string[] = ["other-side"];
const BY_SCAN: readonly string[] = ["speed", "others", "which", "steering", "fuse-out"];
const BY_HAND: readonly string[] = ["bearing", "sensor", "magnet"];

/** What can be looked at, felt or read with one of the instruments that are no meter. */
export function looksFor(instrument: Hookup["instrument"], setup: CornerSetup): string[] {
  if (instrument === "gauge") return [...gauged];
  if (instrument === "scan") return [...BY_SCAN];
  if (instrument === "film") return ["encoder"];
  if (instrument === "compare") return [...BY_COMPARING];
  const stations = stationsOf(setup).map(({ station }) => station);
  if (instrument === "hands")
    return [
      ...BY_HAND,
      ...stations.slice(1).map((one) => `wiggle-${one}`),
      ...spansOf(setup).map((_, i) => `wiggle-span${i + 1}`),
      ...wakes.map((wake) => `wake-${wake}`),
    ];
  const elsewhere = new Set([...BY_SCAN, ...BY_HAND, ...BY_COMPARING, "encoder"]);
  return [...Object.keys(looks).filter((look) => !elsewhere.has(look)), ...stations];
}

const WIGGLE: Answers = {
  words: ["steady", "jumps"],
  say: { steady: t`reading stands still`, jumps: t`reading jumps or dies` },
  synonyms: { ok: "steady", cuts: "jumps", dies: "jumps" },
};

const CONTINUITY: Answers = {
  words: ["beep", "no-beep"],
  say: { beep: t`beeps`, "no-beep": t`no beep` },
  synonyms: { "no beep": "no-beep", silent: "no-beep", yes: "beep", no: "no-beep" },
};
const LAMP: Answers = {
  words: ["bright", "dim", "off"],
  say: { bright: t`bright`, dim: t`dim or glowing`, off: t`dark` },
  synonyms: { on: "bright", dark: "off", glow: "dim" },
};

/** The words a hook-up may be answered with, or null when it reads a number. @throws RangeError for an unknown look */
export function answersFor(hookup: Hookup, setup: CornerSetup): Answers | null {
  if (hookup.instrument === "continuity") return CONTINUITY;
  if (hookup.instrument === "lamp") return LAMP;
  if (hookup.instrument === "scope") return scopeAnswers;
  if (!("look" in hookup)) return null;
  if (hookup.instrument === "gauge" && gauged.includes(hookup.look)) return null;
  if (wiggledPlace(hookup.look, setup) || provokedBy(hookup.look)) return WIGGLE;
  if (stationsOf(setup).some(({ station }) => station === hookup.look)) return CONNECTOR;
  const answers = looks[hookup.look];
  if (!answers)
    throw new RangeError(
      `nothing called “${hookup.look}” to look at; known: ${[...Object.keys(looks), ...gauged, ...stationsOf(setup).map(({ station }) => station)].join(", ")}`,
    );
  return answers;
}

/** The station or span (numbered from 0) a wiggle test moves, or null when the look is no wiggle test of this corner. */
export function wiggledPlace(look: string, setup: CornerSetup): { station: number } | { span: number } | null {
  const where = /^wiggle-(.+)$/.exec(look)?.[1];
  if (!where) return null;
  const station = stationsOf(setup).findIndex((one) => one.station === where);
  if (station >= 0) return { station };
  const span = Number(/^span(\d+)$/.exec(where)?.[1] ?? 0) - 1;
  return span >= 0 && span < spansOf(setup).length ? { span } : null;
}

/** What a look provokes an intermittent fault with; null when it is no such check. */
export function provokedBy(look: string): Wake | null {
  return wakes.find((wake) => look === `wake-${wake}`) ?? null;
}

/** The word meant by what was typed: exact, by synonym, or by an unmistakable beginning. @returns null when none fits */
export function matchAnswer(answers: Answers, typed: string): string | null {
  const text = typed.trim().toLowerCase();
  if (answers.words.includes(text)) return text;
  const synonym = answers.synonyms?.[text];
  if (synonym) return synonym;
  if (/^[1-9]\d?$/.test(text)) return answers.words[Number(text) - 1] ?? null;
  const starts = answers.words.filter((word) => text.length >= 2 && word.startsWith(text));
  return starts.length === 1 ? starts[0]! : null;
}
