import * as z from "zod";
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
