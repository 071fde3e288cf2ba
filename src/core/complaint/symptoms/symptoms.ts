import { afterBumps } from "./after-bumps";
import { falseAbsLowSpeed } from "./false-abs-low-speed";
import { functionsLost } from "./functions-lost";
import { lamp } from "./lamp";
import { lampAtKeyOn } from "./lamp-at-key-on";
import { lampWhenRolling } from "./lamp-when-rolling";
import { pullsUnderBraking } from "./pulls-under-braking";
import { speedometerDead } from "./speedometer-dead";
import { whenHot } from "./when-hot";
import { whenTurning } from "./when-turning";
import { whenWet } from "./when-wet";
import type { Symptom } from "./symptom";

/** Every symptom, in the order of their caps. A new one is a file of its own and a word here. */
const ALL = [
  lamp,
  lampAtKeyOn,
  lampWhenRolling,
  functionsLost,
  speedometerDead,
  falseAbsLowSpeed,
  pullsUnderBraking,
  afterBumps,
  whenTurning,
  whenWet,
  whenHot,
] as const;

export type SymptomId = (typeof ALL)[number]["id"];
export const symptoms: readonly (Symptom & { id: SymptomId })[] = ALL;
export const symptomIds = ALL.map(({ id }) => id) as [SymptomId, ...SymptomId[]];
