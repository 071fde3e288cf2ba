import { openDiagnosis } from "../../../src/core/bench/diagnose-file";
import { readingSchema } from "../../../src/core/observation/reading";
import { drawMake, writtenDown } from "./make";
import type { Dice } from "../dice";
import type { Corner } from "./meter";
import { answer, answerBoth, carDice, moduleSees, type Analyse, type Proposed } from "./mechanic";
import { drawTrouble, type Trouble, type TruePart } from "./trouble";

export interface CarOutcome {
  seed: number;
  family: string;
  says: string;
  truth: TruePart;
  top: string;
  topShare: number;
  proven: string | null;
  readings: number;
  minutes: number;
  steps: string[];
  /** What each check promised, and what it told of the true part in the end. */
  told: Told[];
  /** The part the card first said to repair instead of measuring on, before any was proven; null where it never did. */
  acted: string | null;
  /** The whole log, as the command reads it. */
  file: { readings: unknown[] };
}

/** Bits of one check as planned, and those its answer gave the true part: their means agree where the model is true. */
export interface Told {
  check: string;
  promised: number;
  earned: number;
}

const MOST_READINGS = 16;
/** What comes and goes is waited for, and most waits meet nothing. */
const MOST_READINGS_WAITING = 26;
const LEAST_SHARE = 1e-4;

/** A car somebody complained of: what is wrong with it shows in the live speed. */
async function noticedCar(d: Dice, comesAndGoes: boolean, says?: string): Promise<Corner> {
  for (;;) {
    const make = drawMake(d);
    const trouble = drawTrouble(make, d, comesAndGoes);
    if (says && trouble.says !== says) continue;
    if (trouble.part === "none" || (await moduleSees({ make, trouble })) !== "follows") return { make, trouble };
  }
}

/** A trouble of this world and the fault of the catalogue that stands for it. */
export interface Unknown {
  says: string;
  code: string;
}

/**
 * Diagnoses one outside car by the public command alone, until a part is proven or the readings are too many.
 * @param unknown the trouble it has, and the fault that the command then does not know
 * @param channels how many points are read at one time while a fault is waited for
 */
export async function diagnoseOutsideCar(
  seed: number,
  analyse: Analyse,
  comesAndGoes = false,
  unknown?: Unknown,
  channels: 1 | 2 = 1,
): Promise<CarOutcome> {
  const d = carDice(seed);
  const { make, trouble } = await noticedCar(d, comesAndGoes, unknown?.says);
  const file = {
    ...writtenDown(make, d.chance(0.5), seed),
    complaint: {
      presence: comesAndGoes ? "intermittent" : "hard",
      codes: d.chance(0.6) ? ["C003A"] : [],
      symptoms: ["lamp"],
    },
    ...(channels === 2 ? { channels } : {}),
    readings: [] as unknown[],
  };
  const { diagnosing } = openDiagnosis(
    JSON.stringify(file),
    "outside.json",
    unknown ? { without: [unknown.code] } : {},
  );
  const steps: string[] = [];
  let minutes = 0;
  let readings = 0;
  const told: Told[] = [];
  let acted: string | null = null;
  let before = 0;
  let mended = false;
  for (;;) {
    const { parts, next, acts } = diagnosing.diagnosis();
    const own = Math.log2(Math.max(parts.find(({ part }) => part === trouble.part)?.share ?? 0, LEAST_SHARE));
    if (told.length > 0) told.at(-1)!.earned = own - before;
    before = own;
    const top = parts[0]!;
    const proven = top.verdict === "proven" ? top.part : null;
    const asked = next[0];
    if (!proven) acted ??= acts.find(({ now }) => now)?.part ?? null;
    if (steps.length)
      steps[steps.length - 1] += `  → ${parts
        .slice(0, 3)
        .map(({ part, share }) => `${part} ${(100 * share).toFixed(1)}`)
        .join(", ")}`;
    if (proven || mended || readings >= (comesAndGoes ? MOST_READINGS_WAITING : MOST_READINGS) || !asked)
      return {
        seed,
        family: `${make.family}${make.family === "active-2wire" ? ` ${make.sense}` : ""}${make.widthCoded ? " coded" : ""}`,
        says: trouble.says,
        truth: trouble.part,
        top: top.part,
        topShare: top.share,
        proven,
        readings,
        minutes,
        steps,
        told,
        acted,
        file,
      };
    const { instrument, red, black, look, state } = asked;
    const check = { instrument, red, black, look, state } as Proposed;
    const other = asked.beside as Proposed | undefined;
    const answers = other
      ? await answerBoth({ make, trouble }, check, other, d, analyse)
      : [await answer({ make, trouble }, check, d, analyse)];
    const seen = answers[0]!;
    answers.forEach(({ meanwhile, ...shown }, channel) => {
      const at = channel === 0 ? check : other!;
      const reading = readingSchema.parse({
        instrument,
        ...(instrument === "scope" ? { point: at.red } : { red: at.red, black: at.black }),
        look,
        state: {
          ...state,
          ...(meanwhile ? { meanwhile } : {}),
          ...(other ? { recording: `recording ${readings}` } : {}),
        },
        ...shown,
      });
      file.readings.push(reading);
      diagnosing.read(reading);
    });
    // A plug that was cleaned, and the fault is gone with it: there is nothing left to measure.
    mended = look?.startsWith("reseat-") === true && "value" in seen && seen.value === "gone" && trouble.duty === 1;
    if (mended) acted ??= "connector";
    told.push({
      check: `${instrument}${state.recorded ? " recorded" : state.watched ? " watched" : ""}`,
      promised: asked.bits,
      earned: 0,
    });
    readings += answers.length;
    minutes += asked.minutes;
    answers.forEach(({ meanwhile, ...shown }, channel) => {
      const at = channel === 0 ? check : other!;
      const where = look ?? `${at.red}${at.black ? ` > ${at.black}` : ""}`;
      const how = [
        state.key,
        state.wheel,
        ...state.unplugged,
        state.recorded ? `recorded ${meanwhile ?? ""}` : state.watched ? "watched" : "",
        channel > 0 ? "beside" : "",
      ].join(" ");
      steps.push(`${instrument} ${where} [${how}] = ${Object.values(shown)[0]}`);
    });
  }
}

export interface TwoFaultOutcome {
  seed: number;
  family: string;
  says: string;
  /** Both were found and mended. */
  mended: boolean;
  /** Parts proven and repaired that were sound. */
  wrong: string[];
  /** Acts the card put first, done on a sound part. */
  inVain: string[];
  readings: number;
  steps: string[];
}

const MOST_READINGS_TWO = 30;

/** A car with two things wrong, measured and repaired by the command alone until its wheel is heard again. */
export async function mendOutsideCar(seed: number, analyse: Analyse): Promise<TwoFaultOutcome> {
  const d = carDice(seed);
  const { make, trouble: first } = await noticedCar(d, false);
  let second = drawTrouble(make, d);
  while (second.part === "none" || first.part === "none" || !goTogether(first, second)) {
    if (first.part === "none") return mendOutsideCar(seed + 7_000_000, analyse);
    second = drawTrouble(make, d);
  }
  let left = [first, second];
  const corner = () => ({ make, trouble: both(left) });
  const file = { ...writtenDown(make, d.chance(0.5), seed), complaint: { symptoms: ["lamp"] }, readings: [] };
  const { diagnosing } = openDiagnosis(JSON.stringify(file), "outside.json");
  const steps: string[] = [];
  const wrong: string[] = [];
  const inVain: string[] = [];
  let readings = 0;
  for (; readings < MOST_READINGS_TWO && wrong.length < 2; readings++) {
    const { parts, suspects, next, acts } = diagnosing.diagnosis();
    const proven = suspects.find(({ verdict, part }) => verdict === "proven" && part !== "none");
    const act = acts.find((one) => one.now && !inVain.includes(one.part))?.suspect;
    const sure = proven ?? act;
    if (sure) {
      const meant = left.filter(({ part }) => part === sure.part);
      if (meant.length === 0) (proven ? wrong : inVain).push(sure.part);
      left = left.filter(({ part }) => part !== sure.part);
      diagnosing.read({ repair: sure.part, place: sure.place });
      steps.push(`${proven ? "REPAIRED" : "TRIED"} ${sure.part}`);
      const live = await moduleSees(corner());
      if (left.length === 0 || live === "follows") break;
      // Whoever is not done drives it again and says what the live speed does.
      const state = { key: "on" as const, wheel: "driven" as const };
      diagnosing.read(readingSchema.parse({ instrument: "scan", look: "speed", state, value: live }));
      continue;
    }
    if (!next[0]) break;
    const { instrument, red, black, look, state } = next[0];
    const asked = { instrument, red, black, look, state } as Proposed;
    const { meanwhile, ...seen } = await answer(corner(), asked, d, analyse);
    diagnosing.read(
      readingSchema.parse({
        ...{ instrument, look, state: { ...state, ...(meanwhile ? { meanwhile } : {}) }, ...seen },
        ...(instrument === "scope" ? { point: red } : { red, black }),
      }),
    );
    // What cleaning cured is mended, and whoever did it says so.
    const cleaned = look?.startsWith("reseat-") && "value" in seen && seen.value === "gone";
    if (cleaned && left.some(({ part }) => part === "connector")) {
      left = left.filter(({ part }) => part !== "connector");
      diagnosing.read({ repair: "connector", place: look!.slice("reseat-".length) });
    }
    const leaders = parts.slice(0, 3).map(({ part, share }) => `${part} ${(100 * share).toFixed(0)}`);
    steps.push(`${leaders.join(", ")} | ${instrument} ${look ?? `${red} > ${black}`} = ${Object.values(seen)[0]}`);
  }
  const mended = left.length === 0 || (left.length < 2 && (await moduleSees(corner())) === "follows");
  return { seed, family: make.family, says: `${first.says} + ${second.says}`, mended, wrong, inVain, readings, steps };
}

/** Two troubles in one netlist: neither says what the other does. */
function goTogether(one: Trouble, other: Trouble): boolean {
  if (one.part === other.part) return false;
  const own = new Set(Object.keys(one));
  return Object.keys(other).every((key) => !own.has(key) || COMMON.has(key));
}

const COMMON: ReadonlySet<string> = new Set(["part", "says", "signs", "duty"]);

function both(troubles: readonly Trouble[]): Trouble {
  const none: Trouble = { part: "none", says: "", signs: {}, duty: 1 };
  return troubles.reduce((all, one) => ({ ...all, ...one, signs: { ...all.signs, ...one.signs } }), none);
}
