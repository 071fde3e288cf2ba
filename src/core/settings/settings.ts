import * as z from "zod";
import { meterSchema } from "../circuit/setup";
import { policySchema } from "../lineup/next-check";
import { priorsSchema } from "../job/schema";
import { usualEstimate } from "../repair/estimate";

export const settingsSchema = z.object({
  estimate: z
    .object({
      currency: z.string().min(1).max(4),
      labourRate: z.number().min(0).max(1000),
      taxPct: z.number().min(0).max(100),
      seizedPct: z.number().min(0).max(100),
      seizedMin: z.number().min(0).max(600),
    })
    .default(usualEstimate),
  /** Shares of suspicion new jobs begin with; the usual ones when absent. */
  priors: priorsSchema.optional(),
  /** How new jobs go about it, and the meter in the shop. */
  policy: policySchema.default(() => policySchema.parse({})),
  meter: meterSchema.optional(),
  units: z
    .object({
      speed: z.enum(["km/h", "mph"]),
      length: z.enum(["mm", "in"]),
      torque: z.enum(["N·m", "lb·ft"]),
      temperature: z.enum(["°C", "°F"]),
    })
    .default({ speed: "km/h", length: "mm", torque: "N·m", temperature: "°C" }),
});
export type Settings = z.infer<typeof settingsSchema>;

export const usualSettings: Settings = settingsSchema.parse({});

/** Settings as stored, or the usual ones where they do not fit. */
export function parseSettings(text: string | null): Settings {
  let stored: unknown = {};
  try {
    stored = JSON.parse(text ?? "{}");
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
  }
  const parsed = settingsSchema.safeParse(stored);
  return parsed.success ? parsed.data : usualSettings;
}
