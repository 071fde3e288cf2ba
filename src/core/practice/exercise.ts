import { t } from "../words/words";
import * as z from "zod/mini";
import { families } from "../circuit/setup";

export const skills = ["sensor and ring", "wiring", "intermittent", "supply and module"] as const;
export type Skill = (typeof skills)[number];

/** Each as it is shown; files and scores keep the English. */
export const skillWords: Record<Skill, string> = {
  get "sensor and ring"() {
    return t`sensor and ring`;
  },
  get wiring() {
    return t`wiring`;
  },
  get intermittent() {
    return t`intermittent`;
  },
  get "supply and module"() {
    return t`supply and module`;
  },
};

/** What the driver says; each leaves the faults that make it. */
export const practiceComplaints = {
  get lamp() {
    return t`the lamp is on`;
  },
  get buzz() {
    return t`the pedal buzzes on slow stops`;
  },
  get "comes-and-goes"() {
    return t`it comes and goes`;
  },
};
export type PracticeComplaint = keyof typeof practiceComplaints;

/** A practice car by its seed: two people with the same file have the same car. */
export const exerciseSchema = z.object({
  tastatura: z.literal("exercise/1"),
  seed: z.int().check(z.gte(1), z.lte(2_000_000_000)),
  family: z.optional(z.enum(families)),
  skill: z.optional(z.enum(skills)),
  complaint: z.optional(z.enum(["lamp", "buzz", "comes-and-goes"])),
  /** The car may have a second fault at the same corner: one in two has. */
  two: z._default(z.boolean(), false),
  /** Alone: no suspects and no proposals until the part is named. */
  alone: z._default(z.boolean(), false),
});
export type Exercise = z.infer<typeof exerciseSchema>;
