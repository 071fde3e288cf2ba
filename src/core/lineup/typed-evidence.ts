import { t } from "../words/words";
import { answersFor, matchAnswer } from "../checks/answers";
import { quantityOf, type Hookup } from "../checks/hookup";
import type { CornerSetup } from "../circuit/setup";
import { parseReading } from "../units/reading";
import type { Evidence } from "./evidence";

/** Turns what was typed for a hook-up into evidence, or says what was not understood. */
export function typedEvidence(
  hookup: Hookup,
  typed: string,
  setup: CornerSetup,
): { ok: true; evidence: Evidence } | { ok: false; say: string } {
  const answers = answersFor(hookup, setup);
  if (answers) {
    const word = matchAnswer(answers, typed);
    return word
      ? { ok: true, evidence: { hookup, value: { kind: "word", word } } }
      : {
          ok: false,
          say: t`“${typed.slice(0, 40)}” is no answer here. Answer ${answers.words.map((one, i) => `${i + 1} ${one}`).join(", ")}.`,
        };
  }
  const parsed = parseReading(typed, quantityOf[hookup.instrument]!);
  if (!parsed.ok) return parsed;
  if (parsed.value.kind === "beep") return heardBeep(hookup, parsed.value.heard);
  if (parsed.value.kind === "over-limit") {
    if (SHOWS_OVER_LIMIT.has(hookup.instrument))
      return { ok: true, evidence: { hookup, value: { kind: "over-limit" } } };
    return { ok: false, say: t`OL is a reading in ohms. On volts, choose a higher range and read again.` };
  }
  const { value, resolution, coupling } = parsed.value;
  if (coupling === "ac" && hookup.instrument === "volts-dc")
    return {
      ok: false,
      say: t`That is AC volts; this check is on DC. Turn the meter to DC, or log it as a free reading on AC.`,
    };
  return {
    ok: true,
    evidence: {
      hookup,
      value: { kind: "number", value, resolution: Math.min(resolution, Math.max(Math.abs(value) * 0.2, 0.05)) },
    },
  };
}

/** Where OL tells something of the circuit and not of the range chosen. */
const SHOWS_OVER_LIMIT: ReadonlySet<Hookup["instrument"]> = new Set(["ohms", "capacitance"]);

/** A beep heard while asked for ohms is a continuity reading between the same points. */
function heardBeep(hookup: Hookup, heard: boolean): { ok: true; evidence: Evidence } | { ok: false; say: string } {
  if (hookup.instrument !== "ohms") return { ok: false, say: t`A beep belongs to ohms or continuity.` };
  return {
    ok: true,
    evidence: {
      hookup: { ...hookup, instrument: "continuity" },
      value: { kind: "word", word: heard ? "beep" : "no-beep" },
    },
  };
}
