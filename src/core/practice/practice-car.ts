import { cornerSetupSchema, usualCorner, type CornerSetup, type Family } from "../circuit/setup";
import { suspectables, suspectId, type Suspectable } from "../faults/catalogue";
import { canGoTogether } from "../faults/pair";
import type { Fault } from "../faults/fault";
import { seeded } from "../random/random";
import { corners } from "../units/corner";
import { complaintSchema, type Complaint } from "../complaint/complaint";
import type { Exercise, PracticeComplaint, Skill } from "./exercise";
import { storyOf } from "./story";

/** The car of an exercise: what is wrong with it, and what is said of it. */
export interface PracticeCar {
  setup: CornerSetup;
  fault: string;
  /** A second one, where the exercise allows it and the car has it. */
  second?: string;
  intermittent: boolean;
  complaint: Complaint;
  name: string;
}

/** Draws the car of an exercise. Where no fault is of the kind and makes the complaint too, the kind wins. */
export function practiceCar({ seed, family, skill, complaint, two }: Exercise): PracticeCar {
  const random = seeded(seed);
  const one = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const setup = cornerSetupSchema.parse({
    ...usualCorner,
    corner: one(corners),
    family: family ?? one<Family>(["active-2wire", "active-2wire", "active-3wire", "passive"]),
    pulsesPerRevolution: one([43, 44, 46, 48, 48, 48, 52]),
    tyre: one(["195/65R15", "205/55R16", "215/65R16C"]),
    path: [
      { station: "module", accessMin: 35 },
      { spanM: 1.3, mm2: 0.5, landmark: "bulkhead" },
      { station: "c1", accessMin: 4, landmark: "inner sill" },
      { spanM: 2 + Math.round(random() * 15) / 10, mm2: 0.5, landmark: "arch", exposure: 2 },
      { station: "plug", accessMin: 7 },
    ],
  });
  const ofKind = suspectables(setup).filter(({ fault }) => !skill || isOfSkill(fault, skill));
  const complained = ofKind.filter(({ fault }) => !complaint || makes(fault, complaint));
  const fitting = complained.length > 0 ? complained : ofKind;
  const byPrior = (list: readonly Suspectable[]) => {
    let pick = random() * list.reduce((sum, { prior }) => sum + prior, 0);
    return list.find(({ prior }) => (pick -= prior) <= 0) ?? list.at(-1)!;
  };
  const truth = byPrior(fitting);
  const wanted = skill === "intermittent" || complaint === "comes-and-goes";
  const intermittent = truth.fault.intermittent && (wanted || (!complaint && random() < 0.15));
  const name = `Practice ${one(NAMES)} ${seed % 100}`;
  const beside = suspectables(setup).filter((other) => hasRepair(other) && canGoTogether(truth, other));
  const second = two && !intermittent && hasRepair(truth) && random() < 0.5 ? byPrior(beside) : null;
  const buzz = buzzes(truth.fault) && (!second || buzzes(second.fault));
  const said: Pick<Complaint, "presence" | "symptoms"> = {
    presence: intermittent ? "intermittent" : "hard",
    symptoms: buzz ? ["lamp", "false-abs-low-speed"] : ["lamp"],
  };
  return {
    setup,
    fault: suspectId(truth.fault, truth.place),
    ...(second ? { second: suspectId(second.fault, second.place) } : {}),
    intermittent,
    complaint: complaintSchema.parse({ ...said, ...storyOf([truth, second], setup.corner, seed, said) }),
    name,
  };
}

/** A car with nothing wrong, or not on its own tyres, has nothing beside it. */
function hasRepair({ fault }: Suspectable): boolean {
  return fault.part !== "none" && fault.part !== "tyre";
}

/** Invented names. */
const NAMES = ["Brindle", "Corvane", "Lasker", "Merrow", "Ostrel", "Pendry", "Quillon", "Tamsel"] as const;

function buzzes({ effect }: Pick<Fault, "effect">): boolean {
  return effect === "weak" || effect === "count";
}

function makes(fault: Fault, complaint: PracticeComplaint): boolean {
  if (complaint === "comes-and-goes") return fault.intermittent;
  return fault.part !== "none" && buzzes(fault) === (complaint === "buzz");
}

function isOfSkill({ part, intermittent }: { part: string; intermittent: boolean }, skill: Skill): boolean {
  if (skill === "intermittent") return intermittent && part !== "module" && part !== "module-feed";
  if (skill === "wiring") return part === "harness" || part === "connector";
  if (skill === "supply and module") return part === "module" || part === "module-feed";
  return part === "sensor" || part === "ring" || part === "mounting" || part === "bearing";
}
