import * as z from "zod/mini";
import { keepText, keptJson } from "./small-texts";

const KEY = "tastatura-sound";

const soundSetupSchema = z.object({
  deviceId: z._default(z.string().check(z.maxLength(200)), ""),
  /** Null where it was never calibrated. */
  voltsPerUnit: z._default(z.nullable(z.number().check(z.gt(0), z.lte(10_000))), null),
  /** When it was calibrated; empty where it never was. */
  calibratedAt: z._default(z.string().check(z.maxLength(40)), ""),
});
export type KeptSoundSetup = z.infer<typeof soundSetupSchema>;

/** How the sound input was set up last on this machine; the usual set-up where nothing was kept. */
export function keptSoundSetup(): KeptSoundSetup {
  const parsed = soundSetupSchema.safeParse(keptJson(KEY) ?? {});
  return parsed.success ? parsed.data : soundSetupSchema.parse({});
}

/** @returns false where it will be gone once the page closes */
export function keepSoundSetup(setup: KeptSoundSetup): boolean {
  return keepText(KEY, JSON.stringify(setup));
}
