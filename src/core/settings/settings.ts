import * as z from "zod/mini";
import { typedText } from "../units/typed-text";
import { meterSchema } from "../circuit/setup";
import { policySchema } from "../complaint/policy";
import { priorsSchema, ratiosSchema } from "../job/schema";
import { estimateFields, usualEstimate } from "../repair/usual-estimate";
import { languages } from "./language";

export const settingsSchema = z.object({
  estimate: z._default(
    z.object({
      currency: typedText("currency").check(z.minLength(1)),
      labourRate: estimateFields.labourRate.schema,
      taxPct: estimateFields.taxPct.schema,
      seizedPct: estimateFields.seizedPct.schema,
      seizedMin: estimateFields.seizedMin.schema,
    }),
    usualEstimate,
  ),
  /** Who works at this machine: stands beside what is logged here. */
  person: z.optional(typedText("person")),
  /** How likely each part is new jobs begin with; the usual ones when absent. */
  priors: z.optional(priorsSchema),
  /** Ratios by which a complaint weighs faults in new jobs; the usual ones where absent. */
  ratios: z.optional(ratiosSchema),
  /** How new jobs go about it, and the meter in the shop. */
  policy: z._default(policySchema, () => policySchema.parse({})),
  meter: z.optional(meterSchema),
  units: z._default(
    z.object({
      speed: z.enum(["km/h", "mph"]),
      length: z.enum(["mm", "in"]),
      torque: z.enum(["N·m", "lb·ft"]),
      temperature: z.enum(["°C", "°F"]),
    }),
    { speed: "km/h", length: "mm", torque: "N·m", temperature: "°C" },
  ),
  /** The tongue of every word; the machine's own when absent, English when there is no catalogue of it. */
  language: z.optional(z.enum(languages)),
  /** Light for glare, dark for night work, or as the machine has it; more contrast where the eyes want it. */
  look: z._default(z.object({ theme: z.enum(["light", "dark", "machine"]), contrast: z.enum(["usual", "high"]) }), {
    theme: "light",
    contrast: "usual",
  }),
});
export type Settings = z.infer<typeof settingsSchema>;

export const usualSettings: Settings = settingsSchema.parse({});

/** Settings as stored; a part that does not fit is the usual one, and the rest stays. */
export function parseSettings(text: string | null): Settings {
  let stored: unknown = {};
  try {
    stored = JSON.parse(text ?? "{}");
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
  }
  if (typeof stored !== "object" || stored === null) return usualSettings;
  const fitting = Object.entries(stored).filter(([key, value]) => settingsSchema.safeParse({ [key]: value }).success);
  return settingsSchema.parse(Object.fromEntries(fitting));
}
