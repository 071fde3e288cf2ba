import { t } from "../words/words";
import { corners, cornerWords, type Corner } from "../units/corner";

export interface DecodedCode {
  code: string;
  /** Null for a maker's own code that was not given one. */
  corner: Corner | null;
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
  const match = /^\s*(C[0-3][0-9A-F]{3})(?:\s*[-: ]?\s*([0-9A-F]{2})(?![0-9A-Z]))?[\s,:-]*(.*)$/i.exec(text);
  if (!match) return null;
  const [code, type, rest] = [match[1]!.toUpperCase(), match[2]?.toUpperCase(), match[3]!.toLowerCase()];
  const status = HISTORY.test(rest) ? "history" : PRESENT.test(rest) ? "present" : null;
  if (code[1] !== "0") {
    const words = FAILURE_WORDS().find(([pattern]) => pattern.test(rest));
    const failure = words ? { type: "text", say: words[1], kind: words[2] } : failureOf(type);
    return { code, corner: cornerIn(rest), subject: t`maker's own code`, failure, maker: true, status };
  }
  const number = parseInt(code.slice(1), 16);
  if (number < 0x31 || number > 0x3c) return null;
  const corner = corners[Math.floor((number - 0x31) / 3)]!;
  const subject = [t`wheel speed sensor`, t`wheel speed sensor supply`, t`tone wheel`][(number - 0x31) % 3]!;
  return { code, corner, subject, failure: failureOf(type), maker: false, status };
}

/** One sentence for a code as typed, wheel speed matter or not. */
export function sayCode(text: string): string {
  const decoded = decodeCode(text);
  if (!decoded)
    return /^\s*[PCBU][0-3][0-9A-F]{3}\b/i.test(text)
      ? t`no wheel speed matter; set aside and not used here. Follow it up on its own.`
      : t`not a code I can read; it is not used. A code is a letter and four signs, C0034, perhaps with two more, C0034-13.`;
  const { corner, subject, failure, maker, status } = decoded;
  const what = `${corner ? `${cornerWords[corner]} ` : ""}${subject}${failure ? `: ${failure.say}` : ""}`;
  const stored = status === "history" ? t`, stored and not here now` : status === "present" ? t`, here now` : "";
  return `${what}${stored}.${maker && !corner ? t` Which corner does the scan tool's text name?` : ""}`;
}

/** Codes as typed or pasted, several with status, one text each. */
export function splitCodes(text: string): string[] {
  return text
    .split(/[,;\n]+|\s+(?=[PCBU][0-3][0-9A-F]{3}\b)/i)
    .map((one) => one.trim())
    .filter(Boolean);
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

const FAILURE_TYPES: Record<string, { say: string; kind: CodeKind }> = {
  "11": {
    get say() {
      return t`short to ground`;
    },
    kind: "ground",
  },
  "12": {
    get say() {
      return t`short to battery`;
    },
    kind: "power",
  },
  "13": {
    get say() {
      return t`open circuit`;
    },
    kind: "open",
  },
  "14": {
    get say() {
      return t`short to ground or open`;
    },
    kind: "open",
  },
  "15": {
    get say() {
      return t`short to battery or open`;
    },
    kind: "open",
  },
  "16": {
    get say() {
      return t`voltage below threshold`;
    },
    kind: "feed",
  },
  "17": {
    get say() {
      return t`voltage above threshold`;
    },
    kind: "power",
  },
  "18": {
    get say() {
      return t`current below threshold`;
    },
    kind: "open",
  },
  "19": {
    get say() {
      return t`current above threshold`;
    },
    kind: "ground",
  },
  "1A": {
    get say() {
      return t`resistance below threshold`;
    },
    kind: "ground",
  },
  "1B": {
    get say() {
      return t`resistance above threshold`;
    },
    kind: "open",
  },
  "1F": {
    get say() {
      return t`intermittent`;
    },
    kind: "erratic",
  },
  "21": {
    get say() {
      return t`amplitude below minimum`;
    },
    kind: "weak",
  },
  "22": {
    get say() {
      return t`amplitude above maximum`;
    },
    kind: "any",
  },
  "25": {
    get say() {
      return t`waveform wrong`;
    },
    kind: "count",
  },
  "29": {
    get say() {
      return t`signal invalid`;
    },
    kind: "any",
  },
  "2F": {
    get say() {
      return t`signal erratic`;
    },
    kind: "erratic",
  },
  "31": {
    get say() {
      return t`no signal`;
    },
    kind: "no-signal",
  },
  "36": {
    get say() {
      return t`frequency too low`;
    },
    kind: "count",
  },
  "37": {
    get say() {
      return t`frequency too high`;
    },
    kind: "erratic",
  },
  "38": {
    get say() {
      return t`frequency incorrect`;
    },
    kind: "count",
  },
  "39": {
    get say() {
      return t`too few pulses`;
    },
    kind: "count",
  },
  "3A": {
    get say() {
      return t`too many pulses`;
    },
    kind: "erratic",
  },
  "62": {
    get say() {
      return t`signals do not agree`;
    },
    kind: "count",
  },
  "64": {
    get say() {
      return t`signal not plausible`;
    },
    kind: "any",
  },
  "76": {
    get say() {
      return t`wrong mounting position`;
    },
    kind: "weak",
  },
  "96": {
    get say() {
      return t`component internal failure`;
    },
    kind: "any",
  },
};
