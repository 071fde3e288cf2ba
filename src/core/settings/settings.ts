import { z } from "zod";
import { usualEstimate } from "../repair/estimate";

export const settingsSchema = z.object({
  speed: z.enum(["km/h", "mph"]).default("km/h"),
  length: z.enum(["mm", "in"]).default("mm"),
  torque: z.enum(["N·m", "lb·ft"]).default("N·m"),
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

/** Settings as stored; whatever does not fit falls back to the usual, field by field. */
export function parseSettings(text: string | null): Settings {
  if (text === null) return usualSettings;
  let stored: unknown;
  try {
    stored = JSON.parse(text);
  } catch (error) {
    if (error instanceof SyntaxError) return usualSettings;
    throw error;
  }
  const whole = settingsSchema.safeParse(stored);
  if (whole.success) return whole.data;
  const parts = typeof stored === "object" && stored !== null ? (stored as Record<string, unknown>) : {};
  const kept: Record<string, unknown> = {};
  for (const key of Object.keys(settingsSchema.shape) as (keyof Settings)[]) {
    const one = settingsSchema.shape[key].safeParse(parts[key]);
    if (one.success) kept[key] = one.data;
  }
  return settingsSchema.parse(kept);
}
