import * as z from "zod/mini";

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
  try {
    const parsed = soundSetupSchema.safeParse(JSON.parse(localStorage.getItem(KEY) ?? "{}"));
    return parsed.success ? parsed.data : soundSetupSchema.parse({});
  } catch (error) {
    if (error instanceof DOMException || error instanceof SyntaxError || error instanceof ReferenceError)
      return soundSetupSchema.parse({});
    throw error;
  }
}

/** @returns false where this browser keeps nothing */
export function keepSoundSetup(setup: KeptSoundSetup): boolean {
  try {
    localStorage.setItem(KEY, JSON.stringify(setup));
    return true;
  } catch (error) {
    if (error instanceof DOMException || error instanceof ReferenceError) return false;
    throw error;
  }
}
