import type { Corner } from "../units/corner";

export interface DecodedCode {
  code: string;
  corner: Corner | null;
  subject: string;
  failure: { type: string; say: string; kind: CodeKind } | null;
}

/** What a failure type says about the circuit, in the groups the line-up weighs. */
export type CodeKind = "open" | "ground" | "power" | "no-signal" | "erratic" | "weak" | "feed" | "count" | "any";

/**
 * Decodes a wheel speed trouble code in any usual style (`C0034`, `c0034-13`, `C003A 31`).
 * Numbers after SAE J2012, failure types after SAE J2012-DA, both from memory.
 *
 * @returns null when the text is no standard wheel speed code
 */
export function decodeCode(text: string): DecodedCode | null {
  const match = /^\s*(C00[0-9A-F]{2})\s*[-: ]?\s*([0-9A-F]{2})?\s*$/i.exec(text);
  if (!match) return null;
  const code = match[1]!.toUpperCase();
  const number = parseInt(code.slice(1), 16);
  if (number < 0x31 || number > 0x3c) return null;
  const corner = (["FL", "FR", "RL", "RR"] as const)[Math.floor((number - 0x31) / 3)]!;
  const subject = ["wheel speed sensor", "wheel speed sensor supply", "tone wheel"][(number - 0x31) % 3]!;
  const type = match[2]?.toUpperCase();
  const failure = type
    ? { type, ...(FAILURE_TYPES[type] ?? { say: `failure type ${type}`, kind: "any" as const }) }
    : null;
  return { code, corner, subject, failure };
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
