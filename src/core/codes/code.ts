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
    const words = FAILURE_WORDS.find(([pattern]) => pattern.test(rest));
    const failure = words ? { type: "text", say: words[1], kind: words[2] } : failureOf(type);
    return { code, corner: cornerIn(rest), subject: "maker's own code", failure, maker: true, status };
  }
  const number = parseInt(code.slice(1), 16);
  if (number < 0x31 || number > 0x3c) return null;
  const corner = corners[Math.floor((number - 0x31) / 3)]!;
  const subject = ["wheel speed sensor", "wheel speed sensor supply", "tone wheel"][(number - 0x31) % 3]!;
  return { code, corner, subject, failure: failureOf(type), maker: false, status };
}

/** One sentence for a code as typed, wheel speed matter or not. */
export function sayCode(text: string): string {
  const decoded = decodeCode(text);
  if (!decoded)
    return /^\s*[PCBU][0-3][0-9A-F]{3}\b/i.test(text)
      ? "no wheel speed matter; set aside and not weighed. Follow it up on its own."
      : "not a code I can read; it does not weigh. A code is a letter and four signs, C0034, perhaps with two more, C0034-13.";
  const { corner, subject, failure, maker, status } = decoded;
  const what = `${corner ? `${cornerWords[corner]} ` : ""}${subject}${failure ? `: ${failure.say}` : ""}`;
  const stored = status === "history" ? ", stored and not here now" : status === "present" ? ", here now" : "";
  return `${what}${stored}.${maker && !corner ? " Which corner does the scan tool's text name?" : ""}`;
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
const FAILURE_WORDS: [RegExp, string, CodeKind][] = [
  [/short\w* to (ground|earth)/, "short to ground", "ground"],
  [/short\w* to (batt|power|plus|supply)/, "short to battery", "power"],
  [/open|interrupt|broken/, "open circuit", "open"],
  [/no signal|missing signal|signal missing/, "no signal", "no-signal"],
  [/erratic|intermittent|implausible|jump/, "signal erratic", "erratic"],
  [/weak|amplitude|air ?gap|too low/, "signal too weak", "weak"],
  [/supply|voltage/, "supply wrong", "feed"],
  [/tone|ring|teeth|pulse/, "pulses wrong", "count"],
];

function cornerIn(text: string): Corner | null {
  return CORNER_WORDS.find(([pattern]) => pattern.test(text))?.[1] ?? null;
}

function failureOf(type: string | undefined): DecodedCode["failure"] {
  return type ? { type, ...(FAILURE_TYPES[type] ?? { say: `failure type ${type}`, kind: "any" as const }) } : null;
}

const FAILURE_TYPES: Record<string, { say: string; kind: CodeKind }> = {
  "11": { say: "short to ground", kind: "ground" },
  "12": { say: "short to battery", kind: "power" },
  "13": { say: "open circuit", kind: "open" },
  "14": { say: "short to ground or open", kind: "open" },
  "15": { say: "short to battery or open", kind: "open" },
  "16": { say: "voltage below threshold", kind: "feed" },
  "17": { say: "voltage above threshold", kind: "power" },
  "18": { say: "current below threshold", kind: "open" },
  "19": { say: "current above threshold", kind: "ground" },
  "1A": { say: "resistance below threshold", kind: "ground" },
  "1B": { say: "resistance above threshold", kind: "open" },
  "1F": { say: "intermittent", kind: "erratic" },
  "21": { say: "amplitude below minimum", kind: "weak" },
  "22": { say: "amplitude above maximum", kind: "any" },
  "25": { say: "waveform wrong", kind: "count" },
  "29": { say: "signal invalid", kind: "any" },
  "2F": { say: "signal erratic", kind: "erratic" },
  "31": { say: "no signal", kind: "no-signal" },
  "36": { say: "frequency too low", kind: "count" },
  "37": { say: "frequency too high", kind: "erratic" },
  "38": { say: "frequency incorrect", kind: "count" },
  "39": { say: "too few pulses", kind: "count" },
  "3A": { say: "too many pulses", kind: "erratic" },
  "62": { say: "signals do not agree", kind: "count" },
  "64": { say: "signal not plausible", kind: "any" },
  "76": { say: "wrong mounting position", kind: "weak" },
  "96": { say: "component internal failure", kind: "any" },
};
