import * as z from "zod/mini";
import { cornerSetupSchema, families, type CornerSetup, type Family } from "../circuit/setup";
import { suspectables, suspectId } from "../faults/catalogue";
import { seeded } from "../random/random";
import { corners } from "../units/corner";
import { complaintSchema, type Complaint } from "../lineup/complaint";

export const skills = ["sensor and ring", "wiring", "intermittent", "supply and module"] as const;
export type Skill = (typeof skills)[number];

/** A practice car by its seed: two people with the same file have the same car. */
export const exerciseSchema = z.object({
  tastatura: z.literal("exercise/1"),
  seed: z.int().check(z.gte(1), z.lte(2_000_000_000)),
  family: z.optional(z.enum(families)),
  skill: z.optional(z.enum(skills)),
  /** Alone: no suspects and no proposals until the part is named. */
  alone: z._default(z.boolean(), false),
});
export type Exercise = z.infer<typeof exerciseSchema>;

export interface PracticeCar {
  setup: CornerSetup;
  fault: string;
  intermittent: boolean;
  complaint: Complaint;
  name: string;
}

/** Draws the car of an exercise. */
export function practiceCar({ seed, family, skill }: Exercise): PracticeCar {
  const random = seeded(seed);
  const one = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const setup = cornerSetupSchema.parse({
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
  const fitting = suspectables(setup).filter(({ fault }) => !skill || isOfSkill(fault, skill));
  const total = fitting.reduce((sum, { prior }) => sum + prior, 0);
  let pick = random() * total;
  const truth = fitting.find(({ prior }) => (pick -= prior) <= 0) ?? fitting.at(-1)!;
  const intermittent = truth.fault.intermittent && (skill === "intermittent" || random() < 0.15);
  return {
    setup,
    fault: suspectId(truth.fault, truth.place),
    intermittent,
    complaint: complaintSchema.parse({
      presence: intermittent ? "intermittent" : "hard",
      symptoms:
        truth.fault.effect === "weak" || truth.fault.effect === "count" ? ["lamp", "false-abs-low-speed"] : ["lamp"],
    }),
    name: `Practice ${one(NAMES)} ${seed % 100}`,
  };
}

/** Invented names. */
const NAMES = ["Brindle", "Corvane", "Lasker", "Merrow", "Ostrel", "Pendry", "Quillon", "Tamsel"] as const;

function isOfSkill({ part, intermittent }: { part: string; intermittent: boolean }, skill: Skill): boolean {
  if (skill === "intermittent") return intermittent && part !== "module" && part !== "module-feed";
  if (skill === "wiring") return part === "harness" || part === "connector";
  if (skill === "supply and module") return part === "module" || part === "module-feed";
  return part === "sensor" || part === "ring" || part === "mounting" || part === "bearing";
}
