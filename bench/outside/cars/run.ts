import { openDiagnosis } from "../../../src/core/bench/diagnose-file";
import { readingSchema } from "../../../src/core/observation/reading";
import { drawMake, writtenDown } from "./make";
import type { Dice } from "../dice";
import type { Corner } from "./meter";
import { answer, carDice, moduleSees, type Analyse, type Proposed } from "./mechanic";
import { drawTrouble, type TruePart } from "./trouble";

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
}

const MOST_READINGS = 16;

/** A car somebody complained of: what is wrong with it shows in the live speed. */
async function noticedCar(d: Dice, comesAndGoes: boolean): Promise<Corner> {
  for (;;) {
    const make = drawMake(d);
    const trouble = drawTrouble(make, d, comesAndGoes);
    if (trouble.part === "none" || (await moduleSees({ make, trouble })) !== "follows") return { make, trouble };
  }
}

/** Diagnoses one outside car by the public command alone, until a part is proven or the readings are too many. */
export async function diagnoseOutsideCar(seed: number, analyse: Analyse, comesAndGoes = false): Promise<CarOutcome> {
  const d = carDice(seed);
  const { make, trouble } = await noticedCar(d, comesAndGoes);
  const file = {
    ...writtenDown(make, d.chance(0.5)),
    complaint: {
      presence: comesAndGoes ? "intermittent" : "hard",
      codes: d.chance(0.6) ? ["C003A"] : [],
      symptoms: ["lamp"],
    },
    readings: [],
  };
  const { diagnosing } = openDiagnosis(JSON.stringify(file), "outside.json");
  const steps: string[] = [];
  let minutes = 0;
  let readings = 0;
  for (;;) {
    const { parts, next } = diagnosing.diagnosis();
    const top = parts[0]!;
    const proven = top.verdict === "proven" ? top.part : null;
    const asked = next[0];
    if (steps.length)
      steps[steps.length - 1] += `  → ${parts
        .slice(0, 3)
        .map(({ part, share }) => `${part} ${(100 * share).toFixed(1)}`)
        .join(", ")}`;
    if (proven || readings >= MOST_READINGS || !asked)
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
      };
    const { instrument, red, black, look, state } = asked;
    const check = { instrument, red, black, look, state } as Proposed;
    const seen = await answer({ make, trouble }, check, d, analyse);
    diagnosing.read(
      readingSchema.parse({
        instrument,
        ...(instrument === "scope" ? { point: red } : { red, black }),
        look,
        state,
        ...seen,
      }),
    );
    readings++;
    minutes += asked.minutes;
    const where = look ?? `${red}${black ? ` > ${black}` : ""}`;
    const how = [state.key, state.wheel, ...state.unplugged, state.watched ? "watched" : ""].join(" ");
    steps.push(`${instrument} ${where} [${how}] = ${Object.values(seen)[0]}`);
  }
}
