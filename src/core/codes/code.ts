import { t } from "../words/words";
import { LONGEST } from "../units/typed-text";
import { corners, cornerWords, type Corner } from "../units/corner";

export interface DecodedCode {
  code: string;
  /** Null for a maker's own code that was not given one, and where a number has two readings and no text decides. */
  corner: Corner | null;
  /** Every corner it may mean. */
  mayMean: readonly Corner[];
  subject: string;
  failure: { type: string; say: string; kind: CodeKind } | null;
  /** Numbered by the maker, so that only the text beside it says what it means. */
  maker: boolean;
  status: "present" | "history" | null;
}

/** What a failure type says about the circuit, in the groups the line-up weighs. */
export type CodeKind = "open" | "ground" | "power" | "no-signal" | "erratic" | "weak" | "feed" | "count" | "any";

/**
 * Decodes a wheel speed trouble code in any usual style (`C0034`, `c0034-13`, `C003A 31 history`), or a maker's own
 * with the corner and text beside it (`C1145 FL open`). Numbers after SAE J2012, failure types after SAE J2012-DA,
 * both from memory.
 *
 * @returns null when the text is no wheel speed code
 */
export function decodeCode(text: string): DecodedCode | null {
  const match =
    /^\s*\$?(C[0-3][0-9A-F]{3})(?:\s*[-: ]?\s*([0-9A-F]{2})(?:[0-9A-F]{2})?(?![0-9A-Z]))?[\s,:-]*(.*)$/i.exec(text);
  if (!match) return null;
  const [code, type, rest] = [match[1]!.toUpperCase(), match[2]?.toUpperCase(), match[3]!.toLowerCase()];
  const status = HISTORY.test(rest) ? "history" : PRESENT.test(rest) ? "present" : null;
  const named = cornerIn(rest);
  const byMaker = MAKERS_OWN[code];
  if (code[1] !== "0" || (byMaker && !isStandard(code))) {
    const words = FAILURE_WORDS().find(([pattern]) => pattern.test(rest));
    const failure = words ? { type: "text", say: words[1], kind: words[2] } : failureOf(type);
    const corner = named ?? byMaker ?? null;
    return {
      code,
      corner,
      mayMean: corner ? [corner] : corners,
      subject: byMaker ? t`wheel speed sensor` : t`maker's own code`,
      failure,
      maker: true,
      status,
    };
  }
  if (!isStandard(code)) return null;
  const number = parseInt(code.slice(1), 16);
  const standard = corners[Math.floor((number - 0x31) / 3)]!;
  const subject = subjectOf(code);
  const failure = failureOf(type);
  // Where a maker gives the number another corner, only the scan tool's text can tell which is meant.
  if (byMaker && named !== standard) {
    const corner = named;
    const mayMean = corner ? [corner] : [standard, byMaker];
    return { code, corner, mayMean, subject: t`wheel speed sensor`, failure, maker: true, status };
  }
  const corner = named ?? standard;
  return { code, corner, mayMean: [corner], subject, failure, maker: false, status };
}

/**
 * Codes of one car read together: a number with two readings means what the others show to be this car's way of
 * numbering. In the order of the texts; null for what is no wheel speed code.
 */
export function decodeCodes(texts: readonly string[]): (DecodedCode | null)[] {
  const decoded = texts.map(decodeCode);
  const byStandard = decoded.some((one) => one && !one.maker);
  const byMaker = decoded.some((one) => one?.maker && one.corner !== null && MAKERS_OWN[one.code] === one.corner);
  if (byStandard === byMaker) return decoded;
  return decoded.map((one) => {
    if (one?.mayMean.length !== 2) return one;
    const corner = one.mayMean[byStandard ? 0 : 1]!;
    return byStandard ? standardOf(one, corner) : { ...one, corner, mayMean: [corner] };
  });
}

/** An ambiguous code in its standard reading. */
function standardOf({ code, failure, status }: DecodedCode, corner: Corner): DecodedCode {
  return { code, corner, mayMean: [corner], subject: subjectOf(code), failure, maker: false, status };
}

function subjectOf(code: string): string {
  return [t`wheel speed sensor`, t`wheel speed sensor supply`, t`tone wheel`][
    (parseInt(code.slice(1), 16) - 0x31) % 3
  ]!;
}

/** Whether a code may speak of this corner. */
export function mayMean({ mayMean }: DecodedCode, corner: Corner): boolean {
  return mayMean.includes(corner);
}

/** Whether a code names a corner: this one alone, or this or another. */
export function namesCorner({ mayMean }: DecodedCode, corner: Corner): boolean {
  return mayMean.length < corners.length && mayMean.includes(corner);
}

/** The corners that any of these codes names. */
export function cornersNamed(codes: readonly string[]): Corner[] {
  const decoded = decodeCodes(codes);
  return corners.filter((corner) => decoded.some((code) => code !== null && namesCorner(code, corner)));
}

/** Numbers that large families of makers use for a corner's sensor in their own way (from memory); there will be more. */
const MAKERS_OWN: Partial<Record<string, Corner>> = {
  ...{ C0035: "FL", C0040: "FR", C0045: "RL", C0050: "RR" },
  ...{ C0200: "FR", C0205: "FL", C0210: "RR", C0215: "RL" },
};

function isStandard(code: string): boolean {
  const number = parseInt(code.slice(1), 16);
  return code[1] === "0" && number >= 0x31 && number <= 0x3c;
}

/** One sentence for a code as typed, wheel speed matter or not. */
export function sayCode(text: string): string {
  const decoded = decodeCode(text);
  if (!decoded)
    return /^\s*[PCBU][0-3][0-9A-F]{3}\b/i.test(text)
      ? t`no wheel speed matter; set aside and not used here. Follow it up on its own.`
      : t`not a code I can read; it is not used. A code is a letter and four signs, C0034, perhaps with two more, C0034-13.`;
  const { corner, subject, failure, maker, status, mayMean } = decoded;
  const what = `${corner ? `${cornerWords[corner]} ` : ""}${subject}${failure ? `: ${failure.say}` : ""}`;
  const stored = status === "history" ? t`, stored and not here now` : status === "present" ? t`, here now` : "";
  const both =
    mayMean.length === 2
      ? t` By the standard ${cornerWords[mayMean[0]!]}, with some makers ${cornerWords[mayMean[1]!]}.`
      : "";
  return `${what}${stored}.${both}${maker && !corner ? t` Which corner does the scan tool's text name?` : ""}`;
}

/** Codes as typed or pasted, several with status, one text each. */
export function splitCodes(text: string): string[] {
  return text
    .split(/[,;\n]+/)
    .flatMap((line) => inFront(line.split(/(?:\s+|\/|^)(?=\$?[PCBU][0-3][0-9A-F]{3}(?:[0-9A-F]{2}){0,2}\b)/i)))
    .map((one) => one.trim())
    .filter(Boolean);
}

/** What a tool prints before a line's only code (“RR wheel speed sensor C0050”) is that code's text; “DTC” is none. */
function inFront([first = "", ...rest]: string[]): string[] {
  const isCode = /^\s*\$?[PCBU][0-3][0-9A-F]{3}/i.test(first);
  if (isCode || rest.length !== 1) return /^\s*dtcs?:?\s*$/i.test(first) ? rest : [first, ...rest];
  return [`${rest[0]!} ${first.replace(/^\s*dtcs?\b:?/i, "")}`];
}

/** As many codes as a complaint takes. */
export const MOST_CODES = 40;

/** Why codes as typed are not taken, in a sentence; null when they are. */
export function codesRefused(codes: readonly string[]): string | null {
  const long = codes.find(({ length }) => length > LONGEST.code);
  if (long)
    return t`“${long.slice(0, 12)}…” has ${long.length} signs: no code is over ${LONGEST.code}. Put a comma between codes.`;
  if (codes.length > MOST_CODES)
    return t`${codes.length} codes: at most ${MOST_CODES} are taken. Leave out those of other systems.`;
  return null;
}

/** Every code that has a status says the fault is not there now. */
export function onlyHistory(codes: readonly string[]): boolean {
  const statuses = codes.flatMap((text) => decodeCode(text)?.status ?? []);
  return statuses.length > 0 && statuses.every((status) => status === "history");
}

const HISTORY = /\b(history|historic|stored|past|inactive|sporadic|memory)\b/;
const PRESENT = /\b(present|current|active|permanent|now)\b/;
const CORNER_WORDS: [RegExp, Corner][] = [
  [/\b(fl|lf)\b|front[\s-]*left|left[\s-]*front/, "FL"],
  [/\b(fr|rf)\b|front[\s-]*right|right[\s-]*front/, "FR"],
  [/\b(rl|lr)\b|rear[\s-]*left|left[\s-]*rear/, "RL"],
  [/\brr\b|rear[\s-]*right|right[\s-]*rear/, "RR"],
];
const FAILURE_WORDS: () => [RegExp, string, CodeKind][] = () => [
  [/short\w* to (ground|earth)/, t`short to ground`, "ground"],
  [/short\w* to (batt|power|plus|supply)/, t`short to battery`, "power"],
  [/open|interrupt|broken/, t`open circuit`, "open"],
  [/no signal|missing signal|signal missing/, t`no signal`, "no-signal"],
  [/erratic|intermittent|implausible|jump/, t`signal erratic`, "erratic"],
  [/weak|amplitude|air ?gap|too low/, t`signal too weak`, "weak"],
  [/supply|voltage/, t`supply wrong`, "feed"],
  [/tone|ring|teeth|pulse/, t`pulses wrong`, "count"],
];

function cornerIn(text: string): Corner | null {
  return CORNER_WORDS.find(([pattern]) => pattern.test(text))?.[1] ?? null;
}

function failureOf(type: string | undefined): DecodedCode["failure"] {
  return type ? { type, ...(FAILURE_TYPES[type] ?? { say: t`failure type ${type}`, kind: "any" as const }) } : null;
}

/** A failure type, worded when it is shown. */
function failureType(say: () => string, kind: CodeKind): { readonly say: string; kind: CodeKind } {
  return {
    get say() {
      return say();
    },
    kind,
  };
}

const FAILURE_TYPES: Record<string, ReturnType<typeof failureType>> = {
  "11": failureType(() => t`short to ground`, "ground"),
  "12": failureType(() => t`short to battery`, "power"),
  "13": failureType(() => t`open circuit`, "open"),
  "14": failureType(() => t`short to ground or open`, "open"),
  "15": failureType(() => t`short to battery or open`, "open"),
  "16": failureType(() => t`voltage below threshold`, "feed"),
  "17": failureType(() => t`voltage above threshold`, "power"),
  "18": failureType(() => t`current below threshold`, "open"),
  "19": failureType(() => t`current above threshold`, "ground"),
  "1A": failureType(() => t`resistance below threshold`, "ground"),
  "1B": failureType(() => t`resistance above threshold`, "open"),
  "1F": failureType(() => t`intermittent`, "erratic"),
  "21": failureType(() => t`amplitude below minimum`, "weak"),
  "22": failureType(() => t`amplitude above maximum`, "any"),
  "25": failureType(() => t`waveform wrong`, "count"),
  "29": failureType(() => t`signal invalid`, "any"),
  "1C": failureType(() => t`voltage out of range`, "feed"),
  "1D": failureType(() => t`current out of range`, "any"),
  "1E": failureType(() => t`resistance out of range`, "open"),
  "23": failureType(() => t`signal stuck low`, "no-signal"),
  "24": failureType(() => t`signal stuck high`, "no-signal"),
  "26": failureType(() => t`rate of change below threshold`, "weak"),
  "27": failureType(() => t`rate of change above threshold`, "erratic"),
  "2A": failureType(() => t`signal stuck in range`, "no-signal"),
  "32": failureType(() => t`low time too short`, "erratic"),
  "33": failureType(() => t`low time too long`, "count"),
  "34": failureType(() => t`high time too short`, "erratic"),
  "35": failureType(() => t`high time too long`, "count"),
  "2F": failureType(() => t`signal erratic`, "erratic"),
  "31": failureType(() => t`no signal`, "no-signal"),
  "36": failureType(() => t`frequency too low`, "count"),
  "37": failureType(() => t`frequency too high`, "erratic"),
  "38": failureType(() => t`frequency incorrect`, "count"),
  "39": failureType(() => t`too few pulses`, "count"),
  "3A": failureType(() => t`too many pulses`, "erratic"),
  "62": failureType(() => t`signals do not agree`, "count"),
  "64": failureType(() => t`signal not plausible`, "any"),
  "76": failureType(() => t`wrong mounting position`, "weak"),
  "96": failureType(() => t`component internal failure`, "any"),
};
