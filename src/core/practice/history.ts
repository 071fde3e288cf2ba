import * as z from "zod/mini";
import { skills, type Skill } from "./exercise";

export const scoreSchema = z.object({
  job: z.string(),
  at: z.string(),
  right: z.boolean(),
  score: z.number(),
  truth: z.string(),
  skill: z.enum(skills),
});
export type Score = z.infer<typeof scoreSchema>;

/** Cars and mean score of each skill that was practised, in the order of the skills. */
export function scoresBySkill(history: readonly Score[]): { skill: Skill; cars: number; mean: number }[] {
  return skills.flatMap((skill) => {
    const own = history.filter((one) => one.skill === skill);
    if (own.length === 0) return [];
    return [{ skill, cars: own.length, mean: own.reduce((sum, { score }) => sum + score, 0) / own.length }];
  });
}

/** Skill with the lowest mean score, once there are enough cars to say; null before. */
export function weakestSkill(history: readonly Score[]): Skill | null {
  if (history.length < 3) return null;
  return scoresBySkill(history).toSorted((a, b) => a.mean - b.mean)[0]?.skill ?? null;
}
