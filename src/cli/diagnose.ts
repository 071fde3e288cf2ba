import { basename } from "node:path";
import { UnusableInput } from "../core/capture/capture";
import { CAR_VERSION, diagnoseCar, type CarDiagnosis } from "../core/bench/diagnose-car";
import { parseJson, versionOf } from "../core/job-file/version";
import { diagnoseFile } from "../core/bench/diagnose-file";
import type { EntryName } from "../core/bench/shared-readings";
import type { Act } from "../core/planning/acts";
import type { NextCheck } from "../core/bench/describe-hookup";
import { contradictionWords } from "../core/verdict/contradictions";
import { misfitWords } from "../core/verdict/misfit-words";
import { readText, runCommand } from "./io";

/** Acts stand after the checks, those to be done rather than measured on marked. */
const ACTS_LISTED = 3;

await runCommand(async () => {
  const [file, ...rest] = process.argv.slice(2);
  if (!file || rest.length > 0) throw new UnusableInput("usage: npm run --silent diagnose -- FILE.json");
  const text = await readText(file);
  return versionOf(parseJson(text, basename(file))) === CAR_VERSION
    ? ofCar(diagnoseCar(text, basename(file)))
    : ofCorner(diagnoseFile(text, basename(file)));
});

function ofCar({ corners, parts, next }: CarDiagnosis) {
  return {
    corners: Object.fromEntries(Object.entries(corners).map(([corner, made]) => [corner, ofCorner(made, made.names)])),
    car: {
      parts: parts.map(({ share, ...one }) => ({ ...one, share: round(share) })),
      next: next.map((one) => ({ corner: one.corner, ...contractCheck(one) })),
    },
  };
}

/** @param names of a whole car's entries: shared ones are numbered apart */
function ofCorner(
  { suspects, parts, next, acts, contradictions, guess, hypotheses, misfit, unread }: ReturnType<typeof diagnoseFile>,
  names?: readonly EntryName[],
) {
  const numbered = (entryId: string) => names?.[Number(entryId)] ?? { reading: Number(entryId) };
  return {
    suspects: suspects.map(({ fault, place, part, share, verdict }) => ({
      fault,
      place,
      part,
      share: round(share),
      verdict,
    })),
    parts: parts.map(({ part, share, verdict }) => ({ part, share: round(share), verdict })),
    next: [...next.map(contractCheck), ...acts.slice(0, ACTS_LISTED).map(contractAct)],
    hypotheses: hypotheses.map(({ faults, share }) => ({ faults, share: round(share) })),
    misfit: { level: misfit.level, say: misfitWords(misfit.level) },
    unread: unread.map(({ entryId, say, mend }) => ({ ...numbered(entryId), say: `${say}. ${mend}` })),
    contradictions: contradictions.map(({ entryId }) => ({
      ...numbered(entryId),
      say: contradictionWords(Number(entryId) + 1),
    })),
    guess: { fitSensorNow: guess.fitSensorNow, plan: { expectedCost: guess.plan.expectedCost } },
  };
}

function contractAct({ act, words, part, suspect, cost, minutes, chancePct, now }: Act) {
  return { act, check: words, part, place: suspect.place, cost, minutes, chancePct, now };
}

function contractCheck({ check, instrument, red, black, look, state, minutes, bits, why }: NextCheck) {
  return {
    check,
    instrument,
    ...(red ? { red } : {}),
    ...(black ? { black } : {}),
    ...(look ? { look } : {}),
    state,
    minutes,
    bits,
    why,
  };
}

function round(share: number): number {
  return Math.round(share * 1e4) / 1e4;
}
